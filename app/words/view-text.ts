/** Views that work on a study or a loose leaf. */
export const STUDY_VIEWS = [
  'map',
  'connect',
  'transpose',
  'licks',
  'harmony',
  'progression',
  'practise',
  'quiz',
  'listen',
  'plan',
  'handout',
] as const;
export type StudyView = (typeof STUDY_VIEWS)[number];

/** Views of the whole notebook, and the part of their address that names them. */
export const ALONE_VIEWS = ['log', 'notebook', 'instruments', 'versions'] as const;
export type ViewName = StudyView | (typeof ALONE_VIEWS)[number];

/** The views by name. */
export const VIEW_NAMES: Readonly<Record<ViewName, string>> = Object.freeze({
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

/** A view by the part of an address that may name one; undefined where it names none. */
export const viewName = (view: string): string | undefined => new Map<string, string>(Object.entries(VIEW_NAMES)).get(view);
