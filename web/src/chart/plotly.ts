import type { Config, Data, Layout } from 'plotly.js-dist-min';

/** Colours and type that every chart shares. */
export const CHART_FONT = {
  family: 'Atkinson Hyperlegible Next Variable, sans-serif',
  size: 13,
  color: '#24211D',
};
const AXIS = {
  gridcolor: '#E0D8C9',
  linecolor: '#B9AE9B',
  tickfont: { family: 'Atkinson Hyperlegible Mono, monospace', size: 12, color: '#6D655A' },
  zeroline: false,
  fixedrange: true,
} as const;

export const BASE_LAYOUT: Partial<Layout> = {
  paper_bgcolor: '#F8F5EE',
  plot_bgcolor: '#F8F5EE',
  font: CHART_FONT,
  margin: { l: 56, r: 18, t: 34, b: 40 },
  showlegend: false,
  hoverlabel: { bgcolor: '#2B2622', bordercolor: '#2B2622', font: { ...CHART_FONT, color: '#F3EDE2' } },
  dragmode: false,
  xaxis: AXIS,
  yaxis: AXIS,
};
export const CHART_CONFIG: Partial<Config> = {
  displayModeBar: false,
  displaylogo: false,
  responsive: false,
  staticPlot: false,
};
/** What an axis counts, in the type of the charts. */
export const axisTitle = (text: string) => ({ text, font: { size: 13, color: '#6D655A' } });
export { AXIS as CHART_AXIS };
export type { Data, Layout };

/** The chart library, fetched only where a chart is shown. */
export const loadPlotly = () => import('plotly.js-cartesian-dist-min');
