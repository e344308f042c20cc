import { checkOneOf, checkWhole, fail } from '../errors';
import { fingerPath, holdsOf, usualModel } from '../fingering';
import { fretsWithScale, type ScaledNeck } from '../neck';
import type { LayoutOf, Place } from '../types';
import type { LayoutRule } from './rule';
import type { LayoutTask, Draft } from './shape';

const OCTAVE = 12;

/**
 * The scale along one string: all of it, from fret to fret, or from root to root, a shape for each octave that fits (common
 * practice, no published source). Fingered from root to root, the same in every octave (docs/decisions.md).
 */
function layOneString(task: LayoutTask, layout: LayoutOf<'one-string'>): Draft[] {
  const { neck } = task;
  const string = checkWhole('BAD_LAYOUT', 'layout.string', layout.string, 1, neck.upward.length);
  return spans(neck, layout).flatMap(([from, to, label]): Draft[] => {
    const places = fretsWithScale(neck, string, from, to).map((fret) => ({ string, fret }));
    return places.length ? [{ number: 1, label, places, fingers: repeated(task, places) }] : [];
  });
}

/** From which fret to which, and what that stretch is called. */
function spans(neck: ScaledNeck, layout: LayoutOf<'one-string'>): [number, number, string][] {
  const { string } = layout;
  const range = rangeOf(layout);
  checkOneOf('BAD_LAYOUT', 'layout.range', range, ['all', 'octave', 'frets']);
  const to = checkWhole('BAD_LAYOUT', 'layout.to', layout.to ?? neck.last, 0, neck.last);
  const from = checkWhole('BAD_LAYOUT', 'layout.from', layout.from ?? 0, 0, to);
  if (range === 'all') return [[neck.nut, neck.last, `string ${string}`]];
  if (range === 'frets') return [[from, to, `string ${string}, frets ${from} to ${to}`]];
  const octaves = rootsOn(neck, string).filter((root) => root + OCTAVE <= neck.last);
  if (!octaves.length) fail('NO_SHAPE_FITS', 'layout.range', `No octave from root to root fits on string ${string}: show all of it.`);
  return octaves.map((root) => [root, root + OCTAVE, `string ${string}, frets ${root} to ${root + OCTAVE}`]);
}

/** Frets alone, without a range, mean what they say. */
const rangeOf = (l: LayoutOf<'one-string'>): 'all' | 'octave' | 'frets' => l.range ?? ((l.from ?? l.to) === undefined ? 'all' : 'frets');

const rootsOn = (neck: ScaledNeck, string: number): number[] =>
  fretsWithScale(neck, string).filter((fret) => isRoot(neck, { string, fret }));
const isRoot = (neck: ScaledNeck, p: Place): boolean => neck.toneOf[(neck.open[p.string]! + p.fret) % OCTAVE]?.semitones === 0;

/**
 * One octave's fingers, over and over: an inner root opens the next octave, only a last note closes one, and what lies below
 * the first root is fingered as its copy an octave above, or afresh where the nut is in the way. Open strings have none.
 */
function repeated(task: LayoutTask, places: readonly Place[]): number[] {
  const { neck } = task;
  const octave = octaveFingers(task, places[0]!.string);
  const [opens, closes] = [octave[0], octave[octave.length - 1]];
  const fingers = places.map((p, k) => {
    if (p.fret === neck.nut) return 0;
    const degree = neck.toneOf[(neck.open[p.string]! + p.fret) % OCTAVE]?.index ?? 0;
    if (degree > 0) return octave[degree]!;
    return k > 0 && k === places.length - 1 ? closes! : opens!;
  });
  const has = (p: Place, finger: number): boolean => finger === 0 || holdsOf(task.model, p.string, p.fret).some((h) => h.finger === finger);
  if (places.every((p, k) => has(p, fingers[k]!))) return fingers;
  const stopped = places.findIndex((p) => p.fret > neck.nut);
  const first = places.findIndex((p, k) => k >= stopped && isRoot(neck, p));
  const below = places.slice(stopped, first < 0 ? undefined : first + 1);
  const pins = below.map((_, k) => (first >= 0 && k === below.length - 1 ? opens : 0));
  const again = fingerPath(task.model, below, pins).map((s) => s.finger);
  return fingers.map((finger, k) => again[k - stopped] ?? finger);
}

/** No higher than this many frets from the nut: fingers that hold there hold above. */
const MODEL_FRET = 5;

/** The best fingers from the lowest stopped root to the next, as if the neck were long enough for both. */
function octaveFingers({ neck, by }: LayoutTask, string: number): number[] {
  let lowest = neck.nut + 1;
  while (!isRoot(neck, { string, fret: lowest })) lowest++;
  const root = Math.min(lowest, neck.nut + MODEL_FRET);
  const long = usualModel({ ...neck.instrument, frets: root + 2 * OCTAVE }, by.school, by.hand);
  const frets = [...neck.tones.map((t) => root + t.semitones), root + OCTAVE];
  return fingerPath(long, frets.map((fret) => ({ string, fret }))).map((s) => s.finger); // prettier-ignore
}

const RANGES = [
  { value: 'all', label: 'all of it' },
  { value: 'octave', label: 'root to root' },
  { value: 'frets', label: 'from fret to fret' },
] as const;

const rangeWords = (l: LayoutOf<'one-string'>): string => {
  const range = rangeOf(l);
  if (range === 'octave') return `string ${l.string} from root to root`;
  return range === 'all' ? `string ${l.string} alone` : `string ${l.string}, frets ${l.from ?? 0} to ${l.to ?? 'the last'}`;
};

/** The scale along single strings. */
export const oneString: LayoutRule<'one-string'> = {
  fields: {
    string: { is: 'string', label: 'String' },
    range: { is: 'choice', label: 'How much of it', usual: 'all', of: RANGES },
    from: { is: 'fret', label: 'From fret', notAbove: 'to', blank: 'the nut', onlyIf: ['range', 'frets'] },
    to: { is: 'fret', label: 'To fret', notBelow: 'from', blank: 'the last', onlyIf: ['range', 'frets'] },
  },
  lay: layOneString,
  school: () => 'finger-per-fret',
  reanchor: (i, _, l) => {
    const string = Math.min(l.string, i.strings.length);
    const cut = (fret: number | undefined): number | undefined => (fret === undefined ? fret : Math.min(fret, i.frets));
    const fits = string === l.string && cut(l.from) === l.from && cut(l.to) === l.to;
    if (fits) return l;
    const { from, to, ...rest } = l;
    return { ...rest, string, ...(from === undefined ? {} : { from: Math.min(from, i.frets) }), ...(to === undefined ? {} : { to: Math.min(to, i.frets) }) }; // prettier-ignore
  },
  along: true,
  says: rangeWords,
  why: (l) =>
    `The formula laid out along string ${l.string}, fingered from root to root. Each frame is one place of the hand; it shifts or slides where the next begins. Twelve frets make the octave.`,
  offers: ({ instrument, root }) => {
    const strings = [root.string, ...instrument.strings.map((_, k) => instrument.strings.length - k).filter((s) => s !== root.string)];
    return [
      ...strings.map((string, k) => ({
        layout: { kind: 'one-string' as const, string },
        detail: k ? '' : 'the formula along one string',
        title: `one string: string ${string}`,
      })),
      ...strings.map((string) => ({
        layout: { kind: 'one-string' as const, string, range: 'octave' as const },
        detail: '',
        title: `one string, root to root: string ${string}`,
      })),
    ];
  },
};
