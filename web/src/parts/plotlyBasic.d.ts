declare module 'plotly.js-basic-dist-min' {
  /** The one call used here; traces and layout are plain data. */
  const Plotly: {
    react: (target: HTMLElement, traces: object[], layout: object, config: object) => Promise<void>;
  };
  export default Plotly;
}
