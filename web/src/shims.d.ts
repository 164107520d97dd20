declare module 'plotly.js-cartesian-dist-min' {
  export * from 'plotly.js-dist-min';
}

/** A text of the repository, put in when the page is built. */
declare module '*.md?raw' {
  const text: string;
  export default text;
}

/** The name of this build of the page, put in when it is built. */
declare const __BUILD__: string;
