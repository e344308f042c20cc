import { PLAIN_CLIMB, PLAIN_DRILL, plainStudy, type Bundle, type Round, type StudyBody } from '../contract';
import { parseGrip, parseTuning, type Instrument, type Place, type LickNote } from '../core';
import { FIRST_TERM } from './handouts';
import { LATCH, MOORING, RAILS, TILT } from './licks';
import { ROOST, SALT_FERRY } from './progressions';
import { roundsOn } from './rounds';

export { demoPasses } from './passes';

/** The "Tin Lantern" set: an invented instrumental trio with tunes in awkward keys and tunings. */
const SET = 'Tin Lantern set';

const instrument = (name: string, low: string, frets: number, scaleLengthMm: number, gaugesMm: number[], plain: number): Instrument => ({
  name,
  strings: parseTuning(low).map((open, k) => ({ open, gaugeMm: gaugesMm[k], wound: k >= plain })),
  frets,
  scaleLengthMm,
  capo: 0,
  handedness: 'right',
});

const SIX = instrument('Lantern six', 'E2 A2 D3 G3 B3 E4', 22, 648, [0.254, 0.33, 0.432, 0.66, 0.914, 1.168], 3);
const SEVEN = instrument('Lantern seven', 'B1 E2 A2 D3 G3 B3 E4', 24, 648, [0.254, 0.33, 0.432, 0.66, 0.914, 1.168, 1.499], 3);
const DROPPED = instrument('Lantern dropped', 'C#2 G#2 C#3 F#3 A#3 D#4', 24, 673, [0.279, 0.356, 0.457, 0.762, 1.067, 1.422], 3);
const FOURTHS = instrument('Lantern fourths', 'E2 A2 D3 G3 C4 F4', 24, 635, [0.229, 0.305, 0.432, 0.66, 0.914, 1.168], 3);

const grip = (text: string): Place[] => parseGrip(text, SIX);

const study = (
  name: string,
  on: Instrument,
  instrumentId: string,
  rest: Partial<StudyBody> & Pick<StudyBody, 'scale' | 'layout'>,
): StudyBody => ({
  ...plainStudy(),
  name,
  set: SET,
  note: '',
  instrument: on,
  instrumentId,
  school: null,
  hand: { size: 'medium' },
  rung: { number: 1, fret: 2 },
  labels: 'degrees',
  tempo: 96,
  ...rest,
});

interface DemoLick {
  readonly id: string;
  readonly name: string;
  readonly tags: string[];
  readonly tempo: number;
  readonly notes: LickNote[];
}

const licks = (all: DemoLick[]): Pick<StudyBody, 'licks' | 'lick'> => ({
  licks: all.map((l) => ({ ...l, meter: [4, 4], instrument: null, practisedAt: null, stayed: null })),
  lick: all[0]!.id,
});

export const DEMO: Pick<Bundle, 'instruments' | 'scales' | 'studies'> = {
  scales: [{ id: 'tin-lantern-rust', body: { name: 'rust', degrees: ['1', 'b2', 'b3', '4', '5', 'b7'] } }],
  instruments: [
    { id: 'demo-six', body: SIX },
    { id: 'demo-seven', body: SEVEN },
    { id: 'demo-fourths', body: FOURTHS },
    { id: 'demo-dropped', body: DROPPED },
  ],
  studies: [
    {
      id: 'demo-weathervane',
      body: study('Weathervane, F♯ Dorian', SIX, 'demo-six', {
        scale: { tonic: 'F#', scale: 'dorian' },
        layout: { kind: 'box', numbering: 'minor-root' },
        tags: ['slow start'],
        ...licks([LATCH]),
        grips: [
          { id: 'demo-mast', name: 'Mast', symbol: 'F#m6', places: grip('2x122x') },
          { id: 'demo-gale', name: 'Gale', symbol: 'B9', places: grip('x2122x') },
        ],
        progressions: [ROOST],
        progression: ROOST.id,
        handouts: [FIRST_TERM],
        plan: {
          items: [1, 2, 3, 4, 5].map((number) => ({ rung: { number, fret: [2, 4, 7, 9, 11][number - 1]! }, said: null, since: null })),
          scale: { tonic: 'F#', scale: 'dorian' },
          layout: { kind: 'box', numbering: 'minor-root' },
        },
        drills: [
          {
            id: 'demo-gusts',
            name: 'Gusts: groups of three, hammered',
            form: { ...PLAIN_DRILL, order: 'groups', group: 3, articulation: 'hammered' },
            climb: { ...PLAIN_CLIMB, start: 54, goal: 88 },
          },
        ],
      }),
    },
    {
      id: 'demo-cold-forge',
      body: study('Cold Forge, C♯ Phrygian dominant', SEVEN, 'demo-seven', {
        scale: { tonic: 'C#', scale: 'phrygian dominant' },
        layout: { kind: 'per-string', notes: 3 },
        rung: { number: 1, fret: 2 },
        tags: ['low strings'],
        ...licks([RAILS]),
      }),
    },
    {
      id: 'demo-slow-tram',
      body: study('Slow Tram, E♭ Lydian', FOURTHS, 'demo-fourths', {
        scale: { tonic: 'Eb', scale: 'lydian' },
        layout: { kind: 'window', stretch: 'index' },
        rung: { number: 5, fret: 5 },
        ...licks([TILT]),
      }),
    },
    {
      id: 'demo-salt-ferry',
      body: study('Salt Ferry, B♭ Mixolydian', DROPPED, 'demo-dropped', {
        scale: { tonic: 'Bb', scale: 'mixolydian' },
        layout: { kind: 'per-string', notes: 3 },
        rung: { number: 1, fret: 9 },
        tags: ['drop tuning'],
        ...licks([MOORING]),
        progressions: [SALT_FERRY],
        progression: SALT_FERRY.id,
      }),
    },
  ],
};

/** Questions that the trio's guitarist was asked on evenings before a time. */
export const demoRounds = (now: number): Round[] => roundsOn(DEMO.studies[0]!.body, now);
