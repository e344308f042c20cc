import { isOnNeck, openMidis, stringsUpward } from '../../instrument';
import { chromaOf } from '../../pitch';
import { BORDER_FRET, isBelow, placeKey } from '../../place';
import { mod12 } from '../../scale';
import type { Hand, Instrument, Place } from '../../types';
import { parseChord } from '../symbol';
import { gripsOf } from './find';
import { fretsOf, gripFrom, thickFirst } from './held';
import { graspOf, type Grasp } from './hold';
import { gripTravel } from './lead';
import type { Grip } from './types';

/** Where a grip can go; each list the nearest first, as a hand can hold it. */
export interface GripMoves {
  /** The same chord on the other side of the border fret: the same frets an octave off, the same sounds, then other voicings. */
  readonly region: Grip[];
  /** The same voicing, tone over tone, on other strings, at pitch or an octave off. */
  readonly strings: Grip[];
  /** On the same strings, every voice up to the next tone of the chord, again and again, until it is an octave up. */
  readonly inversions: Grip[];
}

const OCTAVE = 12;
/** How many grips of the other region are offered. */
const MOST_IN_REGION = 8;

const text = (g: { readonly places: readonly Place[] }): string => g.places.map(placeKey).join(' ');
const frets = (places: readonly Place[]): number[] => places.map((p) => p.fret);

function onceEach(grips: readonly (Grip | null)[], own: string): Grip[] {
  const seen = new Set([own]);
  return grips.filter((g): g is Grip => g !== null && !seen.has(text(g)) && seen.add(text(g)).size > 0);
}

const on = (i: Instrument, symbol: string, places: readonly Place[], grasp: Grasp): Grip | null =>
  places.length && places.every((p) => isOnNeck(i, p)) ? gripFrom(i, symbol, places, grasp) : null;

/** Whether a grip lies in the lower region: its highest stopped fret does. */
const liesBelow = (places: readonly Place[]): boolean => isBelow(Math.max(...frets(places)), BORDER_FRET);

function toRegion(i: Instrument, symbol: string, places: readonly Place[], hand: Hand | undefined, grasp: Grasp): Grip[] {
  const low = liesBelow(places);
  const shifted = [OCTAVE, -OCTAVE].map((by) => places.map((p) => ({ string: p.string, fret: p.fret + by })));
  const copies = shifted.map((p) => on(i, symbol, p, grasp)).filter((g) => g && liesBelow(g.places) !== low);
  const there = low
    ? { fromFret: Math.min(BORDER_FRET + 1, i.frets), toFret: Math.min(i.frets, BORDER_FRET + OCTAVE) }
    : { fromFret: 0, toFret: BORDER_FRET };
  const others = soundsNearest(i, symbol, places, { ...there, ...(hand ? { hand } : {}) });
  return [...copies.filter((g): g is Grip => g !== null), ...others];
}

/** Grips of a region whose voices, counted from the bass, are nearest to those of a grip. */
function soundsNearest(
  i: Instrument,
  symbol: string,
  places: readonly Place[],
  o: { readonly fromFret: number; readonly toFret: number; readonly hand?: Hand },
): Grip[] {
  // prettier-ignore
  const open = openMidis(i);
  const voices = (p: readonly Place[]): number[] => p.map((q) => open[q.string - 1]! + q.fret).sort((a, b) => a - b);
  const own = voices(places);
  const far = (g: Grip): number => voices(g.places).reduce((sum, m, k) => sum + Math.abs(m - own[k]!), 0);
  let all: Grip[];
  try {
    all = gripsOf(i, symbol, o);
  } catch {
    return [];
  }
  const same = all.filter((g) => g.places.length === own.length).map((g) => ({ g, far: far(g) }));
  same.sort((a, b) => a.far - b.far || a.g.costMm - b.g.costMm);
  return same.slice(0, MOST_IN_REGION).map(({ g }) => g);
}

/** Every choice of so many strings, in sounding order. */
function choices(strings: readonly number[], count: number): number[][] {
  if (count === 0) return [[]];
  if (strings.length < count) return [];
  const [first, ...rest] = strings;
  return [...choices(rest, count - 1).map((c) => [first!, ...c]), ...choices(rest, count)];
}

/** No more choices of strings are looked through: twelve strings have 924 of six. */
function toStrings(i: Instrument, symbol: string, places: readonly Place[], grasp: Grasp): Grip[] {
  const open = openMidis(i);
  const voices = places.map((p) => open[p.string - 1]! + p.fret).sort((a, b) => a - b);
  const grips = choices(stringsUpward(i), voices.length).flatMap(
    (strings) =>
    [0, OCTAVE, -OCTAVE].map((by) => on(i, symbol, voices.map((m, k) => ({ string: strings[k]!, fret: m + by - open[strings[k]! - 1]! })), grasp)), // prettier-ignore
  );
  return grips.filter((g): g is Grip => g !== null);
}

function upTheNeck(i: Instrument, symbol: string, places: readonly Place[], grasp: Grasp): Grip[] {
  const open = openMidis(i);
  const { root, tones } = parseChord(symbol);
  const classes = new Set(tones.map((t) => mod12(chromaOf(root) + t.semitones)));
  let now = [...places];
  const found: (Grip | null)[] = [];
  for (let turn = 1; turn < tones.length; turn++) {
    now = now.map(({ string, fret }) => {
      let f = fret + 1;
      while (!classes.has((open[string - 1]! + f) % 12)) f++;
      return { string, fret: f };
    });
    const octaves = [0, -OCTAVE].map((by) => on(i, symbol, now.map((p) => ({ ...p, fret: p.fret + by })), grasp)); // prettier-ignore
    found.push(octaves.find((g) => g !== null) ?? null);
  }
  return found.filter((g): g is Grip => g !== null);
}

/**
 * Where a grip of a chord can go: to the other region of the neck, to other strings with the same voicing, to its inversions along
 * the neck. Only grips that a hand can hold, each once, without the grip itself; region and strings by travelMm from here (copies an
 * octave off first), inversions in rising order. Throws BAD_PLACE, BAD_OPTION.
 */
export function moveGrip(i: Instrument, symbol: string, places: readonly Place[], o: { readonly hand?: Hand } = {}): GripMoves {
  fretsOf(i, places);
  const grasp = graspOf(i, o.hand);
  const sorted = thickFirst(places);
  const own = text({ places: sorted });
  const nearest = (grips: Grip[]): Grip[] =>
    grips.map((g) => ({ g, far: gripTravel(i, sorted, g.places, o.hand) })).sort((a, b) => a.far - b.far).map(({ g }) => g); // prettier-ignore
  return {
    region: onceEach(toRegion(i, symbol, sorted, o.hand, grasp), own),
    strings: onceEach(nearest(toStrings(i, symbol, sorted, grasp)), own),
    inversions: onceEach(upTheNeck(i, symbol, sorted, grasp), own),
  };
}
