import { chromaOf } from '../pitch';
import { chordSounds, modeColour, parseChord } from '../harmony';
import { degreesOf, mod12, sameScale, scaleNotes, scaleTitle } from '../scale';
import type { DegreeName, NoteName, ScaleRef } from '../types';
import type { ScaleFit } from './types';

/** Scales that are laid over a chord from its own root. */
const FROM_ROOT = ['ionian', 'lydian', 'mixolydian', 'dorian', 'aeolian', 'phrygian', 'locrian', 'melodic minor', 'lydian dominant', 'lydian augmented', 'mixolydian b6', 'locrian #2', 'altered', 'harmonic minor', 'phrygian dominant', 'whole tone', 'half-whole', 'whole-half', 'major pentatonic', 'minor pentatonic']; // prettier-ignore
/** Scales that are laid over it from the home tonic. */
const FROM_HOME = ['mixolydian', 'dorian', 'aeolian', 'minor pentatonic', 'minor blues'];

/** What players take first over a kind of chord, by its intervals (common practice, no published source). */
const USED: Readonly<Record<string, readonly string[]>> = {
  '0,4,7': ['ionian', 'mixolydian', 'lydian', 'major pentatonic'],
  '0,4,7,11': ['ionian', 'lydian'],
  '0,4,7,9': ['ionian', 'lydian', 'major pentatonic'],
  '0,4,7,10': ['mixolydian', 'lydian dominant'],
  '0,3,7': ['dorian', 'aeolian', 'minor pentatonic'],
  '0,3,7,10': ['dorian', 'aeolian', 'minor pentatonic', 'phrygian'],
  '0,3,7,9': ['dorian', 'melodic minor'],
  '0,3,7,11': ['melodic minor', 'harmonic minor'],
  '0,3,6,10': ['locrian', 'locrian #2'],
  '0,3,6,9': ['whole-half'],
  '0,4,8': ['whole tone', 'lydian augmented'],
  '0,4,8,11': ['lydian augmented'],
  '0,4,8,10': ['whole tone', 'altered'],
  '0,1,4,7,10': ['phrygian dominant', 'half-whole'],
  '0,3,4,7,10': ['half-whole', 'altered'],
  '0,3,4,8,10': ['altered'],
  '0,4,6,7,11': ['lydian'],
  '0,4,6,7,10': ['lydian dominant'],
};
/** A dominant blues: over the I, the IV and the V, from the home tonic, by half steps above it (common practice, no published source). */
const BLUES: Readonly<Record<number, readonly string[]>> = { 0: ['mixolydian', 'minor pentatonic', 'minor blues'], 5: ['dorian', 'minor pentatonic'], 7: ['aeolian', 'minor pentatonic'] }; // prettier-ignore
const BLUES_HOMES = ['mixolydian', 'minor blues', 'major blues', 'minor pentatonic'];

/** What the parts of a fit weigh (judgement). */
const WEIGHT = { missing: 0.22, rub: 0.05, away: 0.03, used: 0.18, later: 0.06, fewer: 0.04 };
/** Tones of its chord that a scale holds at least, or all of a smaller chord. */
const LEAST_HELD = 3;

const COUNTS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven'];

/** A chord over which scales are judged. */
interface Over {
  /** Root of the chord. */
  readonly root: NoteName;
  /** Its chromas, 0 to 11. */
  readonly sounds: number[];
  /** Whether it is a dominant. */
  readonly dominant: boolean;
  /** Scales that are used over such chords, by id. */
  readonly used: readonly string[];
  /** The scale of the tune, if there is one. */
  readonly home: ScaleRef | null;
  /** Its chromas. */
  readonly homeSounds: ReadonlySet<number>;
}

function candidates({ root, home }: Over): ScaleRef[] {
  const all: ScaleRef[] = [
    ...(home ? [home] : []),
    ...(home ? FROM_HOME.map((scale) => ({ tonic: home.tonic, scale })) : []),
    ...FROM_ROOT.map((scale) => ({ tonic: root, scale })),
  ];
  return all.filter((ref, k) => all.findIndex((other) => sameScale(ref, other)) === k);
}

/** Where a scale on the home tonic stands among those that a dominant blues takes over this chord; -1 where it does not. */
function bluesAt({ home, root, dominant }: Over, ref: ScaleRef): number {
  if (!home || !dominant || ref.tonic !== home.tonic || !BLUES_HOMES.includes(String(home.scale))) return -1;
  return (BLUES[mod12(chromaOf(root) - chromaOf(home.tonic))] ?? []).indexOf(String(ref.scale));
}

/** How usual a scale is over the chord: 0 not, else less for what is taken later. */
function usual(o: Over, ref: ScaleRef): number {
  const name = String(ref.scale);
  const onRoot = ref.tonic === o.root ? o.used.indexOf(name) : -1;
  const blue = bluesAt(o, ref);
  const at = [onRoot, blue].filter((k) => k >= 0);
  return at.length ? WEIGHT.used - WEIGHT.later * Math.min(...at) : 0;
}

function judged(o: Over, ref: ScaleRef): ScaleFit & { readonly held: number; readonly away: number } {
  const notes = scaleNotes(ref).map((n) => ({ degree: n.degree, sound: chromaOf(n.name) }));
  const own = new Set(notes.map((n) => n.sound));
  const held = o.sounds.filter((s) => own.has(s)).length;
  const rubbing = notes.filter((n) => !o.sounds.includes(n.sound) && o.sounds.includes(mod12(n.sound - 1)));
  const away = [...own].filter((s) => !o.homeSounds.has(s)).length;
  const missing = o.sounds.length - held;
  const colour = colourOf(ref, o);
  const score = 0.8 - WEIGHT.missing * missing - WEIGHT.rub * rubbing.length - (o.home ? WEIGHT.away * away : 0) + usual(o, ref) - (notes.length < 7 ? WEIGHT.fewer : 0); // prettier-ignore
  const fit = Math.round(Math.max(0, Math.min(1, score)) * 1000) / 1000;
  return { ref, fit, rubs: rubbing.map((n) => n.degree), colour, why: whyOf(o, ref, { held, away, rubs: rubbing.map((n) => n.degree) }), held, away }; // prettier-ignore
}

/** The note that shows the scale, where it is no tone of the chord or makes it. */
function colourOf(ref: ScaleRef, { root }: Over): DegreeName[] {
  const shown = ref.tonic === root ? modeColour(ref) : null;
  return shown ? [shown.degree] : [];
}

function whyOf(
  o: Over,
  ref: ScaleRef,
  { held, away, rubs }: { readonly held: number; readonly away: number; readonly rubs: DegreeName[] },
): string {
  const tones = held === o.sounds.length ? `holds all ${COUNTS[held] ?? held} tones` : `holds ${COUNTS[held] ?? held} of ${COUNTS[o.sounds.length] ?? o.sounds.length} tones`; // prettier-ignore
  const rub = rubs.length ? `its ${rubs.join(' and ')} ${rubs.length === 1 ? 'rubs' : 'rub'}` : 'nothing rubs';
  if (!o.home) return `${tones}; ${rub}`;
  const near = sameScale(ref, o.home) ? 'it is home' : away === 0 ? 'no note that home has not' : `${COUNTS[away] ?? away} ${away === 1 ? 'note' : 'notes'} away from ${o.home.tonic} ${scaleTitle(o.home.scale)}`; // prettier-ignore
  return `${tones}; ${rub}; ${near}`;
}

/**
 * The scales that fit a chord, best first: those on its own root and, with a `home`, home itself (always listed) and its parallels on
 * the home tonic. What counts is the chord's tones held, notes that rub (a half step above a tone), how many notes are not of home, and
 * common use, which is no published source. Every other scale holds at least three tones of the chord, but for those that a dominant blues takes throughout. Throws what parseChord and
 * scaleNotes throw.
 * @example scalesForChord('Dm7')[0].ref // { tonic: 'D', scale: 'dorian' }
 */
export function scalesForChord(symbol: string, o: { readonly home?: ScaleRef } = {}): ScaleFit[] {
  const { root, tones } = parseChord(symbol);
  const intervals = [...new Set(tones.map((t) => t.semitones))].sort((a, b) => a - b);
  const home = o.home ?? null;
  const over: Over = {
    root,
    sounds: [...new Set(chordSounds(symbol))],
    dominant: intervals.includes(4) && intervals.includes(10),
    used: USED[intervals.join()] ?? USED[intervals.filter((s) => [0, 3, 4, 6, 7, 8, 9, 10, 11].includes(s)).slice(0, 4).join()] ?? [], // prettier-ignore
    home,
    homeSounds: new Set(home ? scaleNotes(home).map((n) => chromaOf(n.name)) : []),
  };
  const least = Math.min(LEAST_HELD, over.sounds.length);
  return candidates(over)
    .map((ref) => judged(over, ref))
    .filter((f) => f.held >= least || (home !== null && (sameScale(f.ref, home) || bluesAt(over, f.ref) >= 0)))
    .sort((a, b) => b.fit - a.fit || a.away - b.away || degreesOf(b.ref.scale).length - degreesOf(a.ref.scale).length)
    .map(({ ref, fit, rubs, colour, why }) => ({ ref, fit, rubs, colour, why }));
}
