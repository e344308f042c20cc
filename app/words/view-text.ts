/** The views by the part of their address that names them. */
export const VIEW_NAMES: Readonly<Record<string, string>> = Object.freeze({
  map: 'Map',
  connect: 'Connect',
  transpose: 'Transpose',
  licks: 'Licks',
  harmony: 'Harmony',
  progression: 'Progression',
  practise: 'Practise',
  quiz: 'Quiz',
  listen: 'Listen',
  plan: 'Plan',
  handout: 'Handout',
  log: 'Log',
  notebook: 'Notebook',
  instruments: 'Instruments',
  versions: 'Versions',
});
