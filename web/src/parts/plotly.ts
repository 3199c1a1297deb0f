/** The part of Plotly that draws lines and bars, fetched when a chart is first shown. */
export { default } from 'plotly.js-basic-dist-min';
