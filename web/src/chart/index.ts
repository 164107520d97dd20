export { axisTitle, BASE_LAYOUT, CHART_AXIS, type Data, type Layout } from './plotly';
export { usePlot } from './usePlot';
