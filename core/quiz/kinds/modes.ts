import { chromaOf } from '../../pitch';
import { brightnessOrder, compareScales, findScale, scaleNotes, scaleTitle } from '../../scale';
import { choiceOf, lastPart, placesOn } from '../make';
import type { QuizGround, QuizLevel, QuizRule } from '../types';

const BRIGHT = ['lydian', 'ionian', 'mixolydian', 'dorian', 'aeolian', 'phrygian', 'locrian'];
const COMMON = ['ionian', 'mixolydian', 'dorian', 'aeolian'];
const MORE = [
  'harmonic minor',
  'melodic minor',
  'phrygian dominant',
  'lydian dominant',
  'altered',
  'whole tone',
  'minor pentatonic',
  'major pentatonic',
  'minor blues',
];
const modesOf = (level: QuizLevel): string[] => (level === 1 ? COMMON : level === 2 ? BRIGHT : [...BRIGHT, ...MORE]);
const changeWords = (tonic: string, a: string, b: string): string => {
  const { changed, added, dropped } = compareScales({ tonic, scale: a }, { tonic, scale: b });
  return [...changed.map((c) => `${c.from} → ${c.to}`), ...added.map((d) => `+${d}`), ...dropped.map((d) => `−${d}`)].join(', ');
};

/** Which note turns a mode into another: neighbours in brightness, then two apart, then any two. */
export const change: QuizRule = {
  facts: (g, level) => {
    const order = brightnessOrder(g.scale.tonic).map((r) => r.scale as string);
    return order.flatMap((a, k) =>
      order.flatMap((b, n) => (k !== n && Math.abs(k - n) <= [1, 2, 6][level - 1]! ? [`change/${a}>${b}`] : [])),
    );
  },
  ask: (g, _, fact, draw) => {
    const [a, b] = lastPart(fact).split('>');
    if (!BRIGHT.includes(a!) || !BRIGHT.includes(b!)) return null;
    const words = changeWords(g.scale.tonic, a!, b!);
    const apart = BRIGHT.indexOf(b!) - BRIGHT.indexOf(a!);
    // Wrong ones of as many notes: other pairs as far apart, either way.
    const wrong = BRIGHT.flatMap((x, k) =>
      [k + apart, k - apart].flatMap((n) => (BRIGHT[n] ? [changeWords(g.scale.tonic, x, BRIGHT[n])] : [])),
    );
    const answer = choiceOf({ text: words }, wrong.map((text) => ({ text })), draw, 5); // prettier-ignore
    return answer && { about: { from: scaleTitle(a!), to: scaleTitle(b!) }, shown: [], answer, at: null };
  },
  pace: [4000, 12_000],
};

const named = (g: QuizGround, level: QuizLevel, fact: string, draw: () => number) => {
  const scale = lastPart(fact);
  if (!findScale(scale)) return null;
  const answer = choiceOf({ text: scaleTitle(scale) }, modesOf(level).map((m) => ({ text: scaleTitle(m) })), draw); // prettier-ignore
  return answer && { scale: { tonic: g.scale.tonic, scale }, answer };
};

/** Which mode this is, by sight: its notes on the neck, the tonic filled. */
export const mode: QuizRule = {
  facts: (_, level) => modesOf(level).map((m) => `mode/${m}`),
  ask: (g, level, fact, draw) => {
    const found = named(g, level, fact, draw);
    if (!found) return null;
    const tonic = chromaOf(g.scale.tonic);
    const sounds = new Set(scaleNotes(found.scale).map((n) => chromaOf(n.name)));
    const shown = placesOn(g, 1).filter((p) => sounds.has(p.midi % 12)).map(({ string, fret, midi }) => ({ string, fret, text: '', ...(midi % 12 === tonic ? { root: true } : {}) })); // prettier-ignore
    return { about: { tonic: g.scale.tonic }, shown, answer: found.answer, at: null };
  },
  pace: [7000, 20_000],
};

/** Which mode this is, by ear: up from the tonic and home. */
export const ear: QuizRule = {
  facts: (_, level) => modesOf(level).map((m) => `ear/${m}`),
  ask: (g, level, fact, draw) => {
    const found = named(g, level, fact, draw);
    if (!found) return null;
    const home = 52 + ((chromaOf(g.scale.tonic) - 4 + 12) % 12);
    const up = [...scaleNotes(found.scale).map((n) => home + n.semitones), home + 12];
    return { about: { tonic: g.scale.tonic }, shown: [], heard: [...up, ...up.slice(0, -1).reverse()], answer: found.answer, at: null };
  },
  pace: [8000, 20_000],
};
