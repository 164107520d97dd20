declare module 'plotly.js-cartesian-dist-min' {
  export * from 'plotly.js-dist-min';
}

/** The name of this build of the page, put in when it is built. */
declare const __BUILD__: string;
