import { parseChord } from '../harmony';
import { cheapestWays } from '../layered';
import { chromaOf } from '../pitch';
import { SILENT } from '../progression';
import { mod12 } from '../scale';
import { offbeatOf, type Meter, pulsesOf } from './pulses';
import type { BackingEvent, Feel, Pulse, Span } from './types';

/** The bass: E1 to E3. */
const LOW = 28;
const HIGH = 52;
const REST = 38;

/** What a note of the bass may be: the chord's lowest, one of its tones, its fifth, or what leads into the next lowest. */
type Wanted = 'root' | 'fifth' | 'tone' | 'approach';
interface Onset {
  /** Quarters from the beginning. */
  readonly at: number;
  /** Which tone of the chord it is to be. */
  readonly wanted: Wanted;
  /** Index of the chord that sounds. */
  readonly span: number;
}

const within = (pulses: readonly Pulse[], bar: number, s: Span): Pulse[] =>
  pulses.map((p) => ({ ...p, at: bar + p.at })).filter((p) => p.at >= s.from - 1e-9 && p.at < s.to - 1e-9);

/** Times of one chord inside one bar, by feel (common practice, no published source); the first is where it begins. */
function timesIn(feel: Feel, pulses: readonly Pulse[], begins: number): { readonly at: number; readonly wanted: Wanted }[] {
  const root = { at: begins, wanted: 'root' as const };
  const rest = pulses.filter((p) => p.at > begins + 1e-9);
  const halfway = pulses[Math.ceil(pulses.length / 2)];
  switch (feel) {
    case 'drone':
      return [root];
    case 'waltz':
      return [
        root,
        ...rest
          .slice(2)
          .filter((_, k) => k % 3 === 0)
          .map((p) => ({ at: p.at, wanted: 'fifth' as const })),
      ];
    case 'half-time':
      return halfway && pulses.length > 2 ? [root, { at: offbeatOf(halfway, feel), wanted: 'approach' }] : [root];
    case 'bossa': {
      const before = pulses[Math.ceil(pulses.length / 2) - 1];
      if (!halfway || !before || pulses.length < 3) return [root];
      return [root, { at: offbeatOf(before, feel), wanted: 'fifth' }, { at: halfway.at, wanted: 'fifth' }, { at: offbeatOf(pulses[pulses.length - 1]!, feel), wanted: 'approach' }]; // prettier-ignore
    }
    case 'straight':
    case 'shuffle':
    case 'slow-triplets':
      return [root, ...rest.map((p, k) => ({ at: p.at, wanted: k === rest.length - 1 ? ('approach' as const) : ('tone' as const) }))];
  }
}

function onsetsOf(spans: readonly Span[], meter: Meter, feel: Feel, bar: number): Onset[] {
  const pulses = pulsesOf(meter);
  return spans.flatMap((s, span) => {
    if (s.symbol === SILENT) return [];
    const start = Math.floor(s.from / bar + 1e-9) * bar;
    return timesIn(feel, within(pulses, start, s), s.from)
      .filter((t) => t.at < s.to - 1e-9)
      .map((t) => ({ ...t, span }));
  });
}

const COST = { half: 1, leap: 3, repeated: 4, off: 0.15, chromatic: 0.5, root: 1.5 };
const STEP = 2;
const FIFTH = 7;

interface Voiced {
  /** Chroma of the bass, 0 to 11. */
  readonly bass: number;
  /** Chromas of the chord's tones, 0 to 11. */
  readonly sounds: number[];
  /** Chroma of the fifth, or of what stands for it. */
  readonly fifth: number;
}

function voicedOf(symbol: string): Voiced {
  const { root, bass, tones } = parseChord(symbol);
  const at = chromaOf(root);
  const fifth = tones.find((t) => t.step === 5);
  return { bass: chromaOf(bass), sounds: tones.map((t) => mod12(at + t.semitones)), fifth: mod12(at + (fifth?.semitones ?? FIFTH)) };
}

/** Pitches that a note may have. What leads into the next lowest note lies a half or a whole step from it. */
function pitchesFor(o: Onset, chord: Voiced, next: Voiced | null): number[] {
  const all = Array.from({ length: HIGH - LOW + 1 }, (_, k) => LOW + k);
  const of = (sounds: readonly number[]): number[] => all.filter((m) => sounds.includes(m % 12));
  if (o.wanted === 'root') return of([chord.bass]);
  if (o.wanted === 'fifth') return of([chord.fifth]);
  if (o.wanted === 'tone' || !next || next.bass === chord.bass) return of(chord.sounds);
  return of([1, -1, 2, -2].map((by) => mod12(next.bass + by)));
}

/**
 * A bass line: the lowest note of each chord where it begins, its tones on the way, and before a change a note a half or a whole step from
 * what comes. Of all such lines the smoothest, exact over the pitches E1 to E3: steps are cheap, leaps dear, repeats dearer.
 */
export function bassOf(spans: readonly Span[], meter: Meter, feel: Feel, bar: number): BackingEvent[] {
  const onsets = onsetsOf(spans, meter, feel, bar);
  if (!onsets.length) return [];
  const known = new Map<string, Voiced>();
  const voiced = (k: number): Voiced | null => {
    const symbol = spans[k % spans.length]!.symbol;
    if (symbol === SILENT) return null;
    const found = known.get(symbol) ?? voicedOf(symbol);
    known.set(symbol, found);
    return found;
  };
  const layers = onsets.map((o) => pitchesFor(o, voiced(o.span)!, voiced(o.span + 1)));
  const rest = (m: number): number => COST.off * Math.abs(m - REST);
  const step = (k: number, a: number, b: number): number => {
    const [p, q] = [layers[k - 1]![a], layers[k]![b]];
    const by = Math.abs(p! - q!);
    const own = rest(q!) + (onsets[k]!.wanted === 'tone' && q! % 12 === voiced(onsets[k]!.span)!.bass ? COST.root : 0);
    return own + (by === 0 ? COST.repeated : by <= STEP ? COST.half * (by / STEP) : COST.half + COST.leap * ((by - STEP) / FIFTH));
  };
  const ways = cheapestWays(layers.map((l) => l.length), (n) => rest(layers[0]![n]!), step, 1); // prettier-ignore
  let turn = ways.next();
  while (!turn.done) turn = ways.next();
  const { nodes } = turn.value[0]!;
  return onsets.map((o, k): BackingEvent => {
    const until = Math.min(onsets[k + 1]?.at ?? Infinity, spans[o.span]!.to);
    return { part: 'bass', midi: layers[k]![nodes[k]!]!, at: o.at, length: until - o.at, gain: o.wanted === 'root' ? 0.8 : 0.65 };
  });
}
