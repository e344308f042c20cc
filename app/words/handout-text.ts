import type { HandoutKind } from '../../contract';

/** What a part of a handout is called where it is added, and in the list of parts. */
export const HANDOUT_WORDS: Readonly<Record<HandoutKind, string>> = Object.freeze({
  text: 'Text of your own',
  shape: 'One shape',
  rungs: 'All rungs',
  arpeggio: 'An arpeggio through the rungs',
  route: 'A kept route',
  lick: 'A lick',
  drill: 'A drill with its tempo ladder',
  grips: 'The kept grips',
  plan: 'The plan of a week',
});

export const DAYS = Object.freeze(['Monday', 'Tuesday', 'Wednesday', 'Thursday', 'Friday', 'Saturday', 'Sunday']) as readonly string[];
