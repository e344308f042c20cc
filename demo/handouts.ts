import type { Handout } from '../contract';

/** What the trio's guitarist gives an invented pupil: the tune's own rungs first, then the set's other tunes. */
export const FIRST_TERM: Handout = {
  id: 'demo-first-term',
  title: 'Weathervane: the first term',
  teacher: 'Odile Marrow',
  pupil: 'Wick',
  paper: 'a4',
  hand: 'as-is',
  parts: [
    {
      id: 'welcome',
      kind: 'text',
      text: 'Wick, play each rung up and down before the next one, and say the degrees aloud.\n\nStop when the hand tires. A stretch that pulls is left out, or taken higher up the neck.',
    },
    { id: 'week', kind: 'plan', study: null },
    { id: 'rungs', kind: 'rungs', study: null },
    { id: 'gusts', kind: 'drill', study: null, of: 'demo-gusts' },
    { id: 'latch', kind: 'lick', study: null, of: 'demo-latch' },
    { id: 'mast', kind: 'arpeggio', study: null, chord: 'F#m6' },
    { id: 'grips', kind: 'grips', study: null },
    { id: 'others', kind: 'text', text: 'From here on: the other tunes of the set. Each has its own tuning; tune before you play.' },
    { id: 'forge', kind: 'rungs', study: 'demo-cold-forge' },
    { id: 'rails', kind: 'lick', study: 'demo-cold-forge', of: 'demo-rails' },
    { id: 'tram', kind: 'rungs', study: 'demo-slow-tram' },
    { id: 'tilt', kind: 'lick', study: 'demo-slow-tram', of: 'demo-tilt' },
    { id: 'ferry', kind: 'rungs', study: 'demo-salt-ferry' },
    { id: 'mooring', kind: 'lick', study: 'demo-salt-ferry', of: 'demo-mooring' },
  ],
};
