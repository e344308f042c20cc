/** Stands where a chooser will be: keys typed until then are its first ones. */
export const COMING = { meanwhile: <p data-coming aria-busy="true" /> };
