import type { CostRow } from '../../fingering';

/**
 * What a grip costs, in millimetres of effort as in docs/hand.md: how the hand holds it first, then what a player would miss in it.
 * Judgement, held to the open grips that players take first (tests/outside/grips.test.ts).
 */
export const GRIP = Object.freeze({
  /** By finger, 0 unused. */
  finger: [0, 2, 2.5, 3, 4.5] as readonly number[],
  open: 0.6,
  squeezed: 0.05,
  wide: 0.06,
  barreIndex: 4,
  barreRing: 6,
  barreOther: 18,
  barreString: 1,
  barreAtNut: 3,
  innerMute: 12,
  muteBelow: 3.5,
  muteAbove: 7,
  omitted: 10,
  inverted: 12,
  unison: 8,
  perMm: 0.06,
  nearPerMm: 0.15,
  openAbove: 6,
});

const JUDGED = 'judgement';
/** The rows of docs/hand.md. */
export const GRIP_ROWS: Readonly<Record<keyof typeof GRIP, CostRow>> = Object.freeze({
  finger: { says: 'each finger put down, by finger', unit: 'mm', range: '0 to 8', source: JUDGED },
  open: { says: 'two fingers opened beyond a fret a finger', unit: 'per mm', range: '0.3 to 1.5', source: JUDGED },
  squeezed: { says: 'two fingers closer than a fret a finger', unit: 'per mm', range: '0 to 0.2', source: JUDGED },
  wide: { says: 'from the lowest to the highest stopped fret', unit: 'per mm', range: '0.02 to 0.2', source: JUDGED },
  barreIndex: { says: 'a barre of the index', unit: 'mm', range: '4 to 20', source: JUDGED },
  barreRing: { says: 'a barre of the ring finger, four strings at most', unit: 'mm', range: '4 to 20', source: JUDGED },
  barreOther: { says: 'a barre of the middle (two strings) or little finger (three)', unit: 'mm', range: '8 to 30', source: JUDGED },
  barreString: { says: 'each string under a barre', unit: 'mm', range: '0.5 to 4', source: JUDGED },
  barreAtNut: { says: 'a barre at the first fret', unit: 'mm', range: '4 to 20', source: JUDGED },
  innerMute: { says: 'a string damped between sounding ones', unit: 'mm', range: '6 to 30', source: JUDGED },
  muteBelow: { says: 'a string left out on the thick side', unit: 'mm', range: '1 to 8', source: JUDGED },
  muteAbove: { says: 'a string left out on the thin side', unit: 'mm', range: '2 to 10', source: JUDGED },
  omitted: { says: 'a tone left out', unit: 'mm', range: '4 to 20', source: JUDGED },
  inverted: { says: 'another tone than the root lowest', unit: 'mm', range: '4 to 20', source: JUDGED },
  unison: { says: 'a pitch that sounds on two strings', unit: 'mm', range: '4 to 20', source: JUDGED },
  perMm: { says: 'how far the hand is from the nut, where no place is asked for', unit: 'per mm', range: '0.03 to 0.15', source: JUDGED },
  nearPerMm: { says: 'how far the hand is from the fret that is asked for', unit: 'per mm', range: '0.05 to 0.5', source: JUDGED },
  openAbove: { says: 'an open string while the hand is at fret 5 or above', unit: 'mm', range: '2 to 15', source: JUDGED },
});

/** How much of the span from index to little finger two fingers open, by the lower and the higher one (judgement; one fret a finger is always had). */
export const SHARE: readonly (readonly number[])[] = [[], [0, 0, 0.58, 0.84, 1], [0, 0, 0, 0.46, 0.74], [0, 0, 0, 0, 0.46]];
/** Frets that two fingers open beyond one a finger, at most: each of the outer ones reaches one, as along a line. */
export const BEYOND: readonly (readonly number[])[] = [[], [0, 0, 1, 1, 2], [0, 0, 0, 1, 1], [0, 0, 0, 0, 1]];
/** Strings that a finger other than the index holds down flat. */
export const FLAT_MOST: readonly number[] = [0, 36, 2, 4, 3];
/** Strings damped between sounding ones, at most. */
export const INNER_MOST = 1;
/** From here up an open string beside stopped ones is paid for. */
export const HIGH_HAND = 5;
