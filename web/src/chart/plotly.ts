import type { Config, Data, Layout } from 'plotly.js-dist-min';
import { COLOURS } from '../theme/colours';

/** Colours and type that every chart shares. */
export const CHART_FONT = {
  family: 'Atkinson Hyperlegible Next Variable, sans-serif',
  size: 13,
  color: COLOURS.ink,
};
const AXIS = {
  gridcolor: COLOURS.sand,
  linecolor: COLOURS.line2,
  tickfont: { family: 'Atkinson Hyperlegible Mono, monospace', size: 12, color: COLOURS.mute },
  zeroline: false,
  fixedrange: true,
} as const;

export const BASE_LAYOUT: Partial<Layout> = {
  paper_bgcolor: COLOURS.sheet,
  plot_bgcolor: COLOURS.sheet,
  font: CHART_FONT,
  margin: { l: 56, r: 18, t: 34, b: 40 },
  showlegend: false,
  hoverlabel: {
    bgcolor: COLOURS.char,
    bordercolor: COLOURS.char,
    font: { ...CHART_FONT, color: COLOURS.bone },
  },
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
export const axisTitle = (text: string) => ({ text, font: { size: 13, color: COLOURS.mute } });
export { AXIS as CHART_AXIS };
export type { Data, Layout };

/** The chart library, fetched only where a chart is shown. */
export const loadPlotly = () => import('plotly.js-cartesian-dist-min');
