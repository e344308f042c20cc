import { fail } from '../errors';
import { checkInstrument, openMidis } from '../instrument';
import { accidentals, chromaOf } from '../pitch';
import { mod12, plainDegree, scaleNotes } from '../scale';
import type { DegreeName, Instrument, NoteName, Place, ScaleRef } from '../types';
import { fretsOf } from './grips/held';
import { parseChord } from './symbol';
import { chordSymbol } from './write';

/** One way to hear a grip. */
export interface GripName {
  /** The chord. */
  readonly symbol: string;
  /** The lowest note. */
  readonly bass: NoteName;
  /** Degrees of the chord that do not sound. */
  readonly omitted: DegreeName[];
  /** One a place, in the order given, against the root of the symbol. */
  readonly degrees: DegreeName[];
}

/** What a grip may be called, the plainest first: of two readings that fit alike the earlier one is meant (judgement). */
const VOCABULARY = ['', 'm', '5', '7', 'maj7', 'm7', '6', 'm6', 'sus4', 'sus2', 'm7b5', 'dim7', 'dim', 'aug', 'add9', 'madd9', '7sus4', '9', 'maj9', 'm9', '69', 'm69', 'mM7', '7b9', '7#9', '13', 'm11', '9sus4', '7#11', 'maj7#11', '7b5', '7#5', 'maj7#5', 'maj7b5', 'maj13', 'm13', '9#11', 'maj9#11', '7b13', '13b9', '7#5#9', '7#5b9', '7b5b9', '7b5#9', 'm9b5', 'm7b9', 'm7b5b9', 'mM9', 'dimM7', 'maj9#5', '9b5', '9#5', '11', '13sus4', '7b9sus4', 'add11', 'madd11', 'add#11', 'Mb5', 'm11b5', '69#11', 'm6add11', '13#11', 'maj13#11']; // prettier-ignore

interface Word {
  /** What follows the root in the symbol. */
  readonly suffix: string;
  /** Its tones. */
  readonly tones: { readonly degree: DegreeName; readonly semitones: number }[];
  /** All of them, a bit for each semitone above the root. */
  readonly all: number;
  /** Those that must sound, likewise. */
  readonly must: number;
}

const bitsOf = (sounds: readonly number[]): number => sounds.reduce((bits, s) => bits | (1 << s), 0);

let known: Word[] | null = null;
/** The vocabulary as bits, made when first asked. */
const words = (): Word[] =>
  (known ??= VOCABULARY.map((suffix) => {
    const { tones } = parseChord(`C${suffix}`);
    const kept = suffix === '5' ? tones : tones.filter((t) => t.degree !== '5');
    return { suffix, tones, all: bitsOf(tones.map((t) => t.semitones)), must: bitsOf(kept.map((t) => t.semitones)) };
  }));

/** What a reading is minded for; less is better. */
const MINDED = { plainness: 1, noFifth: 5, noRoot: 40, slash: 9, offHome: 4 };

const FLAT_AND_SHARP: readonly (readonly NoteName[])[] = [['C', 'B#'], ['Db', 'C#'], ['D'], ['Eb', 'D#'], ['E', 'Fb'], ['F', 'E#'], ['Gb', 'F#'], ['G'], ['Ab', 'G#'], ['A'], ['Bb', 'A#'], ['B', 'Cb']]; // prettier-ignore
/** Roots that nobody writes unless the key does. */
const RARE_ROOT = /^(?:B#|E#|Cb|Fb)$/;
const RARE = 6;
/** Place on the line of fifths: C 0, G 1, F -1. */
const fifths = (n: NoteName): number => 'FCGDAEB'.indexOf(n[0]!) - 1 + 7 * (n.split('#').length - n.split('b').length);

/** How a sound is written as a root: as the home scale has it, else so that its chord has few accidentals, on the home's side. */
function spelling(home: ScaleRef | undefined): (chroma: number, suffix: string) => NoteName {
  const notes = home ? scaleNotes(home).map((n) => n.name) : [];
  const own = new Map(notes.map((n) => [chromaOf(n), n]));
  const middle = notes.length ? notes.reduce((sum, n) => sum + fifths(n), 0) / notes.length : 0.5;
  const far = (root: NoteName, suffix: string): number =>
    (RARE_ROOT.test(root) ? RARE : 0) +
    parseChord(root + suffix).tones.reduce((sum, t) => sum + accidentals(t.note) + Math.abs(fifths(t.note) - middle) / 12, 0);
  return (chroma, suffix) => own.get(chroma) ?? [...FLAT_AND_SHARP[chroma]!].sort((a, b) => far(a, suffix) - far(b, suffix))[0]!;
}

/** A bass note: the chord's own spelling where it is one of its tones. */
function bassName(root: NoteName, suffix: string, chroma: number, spell: (c: number, s: string) => NoteName): NoteName {
  const tone = parseChord(root + suffix).tones.find((t) => chromaOf(t.note) === chroma);
  return tone?.note ?? spell(chroma, '');
}

/**
 * Every reading of a grip, best first: kinds of a vocabulary whose tones are all there but for a fifth or the root, on any of the
 * twelve roots, with the bass after a slash where it is not the root. Plainer kinds, complete ones, the root as bass and roots of
 * the home scale come first; spelled by it. What no kind fits is named by its degrees over the bass, as C(1,b2,b5). Throws BAD_PLACE.
 * @example nameGrip(six, [{ string: 3, fret: 0 }, { string: 2, fret: 1 }, { string: 1, fret: 0 }])[0].symbol // 'C/G'
 */
export function nameGrip(i: Instrument, places: readonly Place[], o: { readonly home?: ScaleRef } = {}): GripName[] {
  checkInstrument(i);
  fretsOf(i, places);
  if (!places.length) fail('BAD_PLACE', 'grip', 'No string sounds in that grip.');
  const open = openMidis(i);
  const midis = places.map((p) => open[p.string - 1]! + p.fret);
  const sounds = bitsOf(midis.map((m) => m % 12));
  const bass = Math.min(...midis) % 12;
  const spell = spelling(o.home);
  const home = o.home ? bitsOf(scaleNotes(o.home).map((n) => chromaOf(n.name))) : 0xfff;
  const readings: (GripName & { readonly minded: number })[] = [];
  for (let root = 0; root < 12; root++) {
    const heard = ((sounds >> root) | (sounds << (12 - root))) & 0xfff;
    words().forEach((word, plainness) => {
      if (heard & ~word.all || word.must & ~heard & ~1) return;
      const rootless = !(heard & 1);
      if (rootless && word.tones.length < 4) return;
      const missing = word.tones.filter((t) => !(heard & (1 << t.semitones)));
      const name = spell(root, word.suffix);
      const slash = bass !== root && !rootless;
      const bassNote = bassName(name, word.suffix, bass, spell);
      const degreeAt = new Map(word.tones.map((t) => [t.semitones, t.degree]));
      readings.push({
        symbol: name + word.suffix + (slash ? `/${bassNote}` : ''),
        bass: bassNote,
        omitted: missing.map((t) => t.degree),
        degrees: midis.map((m) => degreeAt.get(mod12(m - root))!),
        minded:
          plainness * MINDED.plainness +
          (missing.some((t) => t.degree === '5') ? MINDED.noFifth : 0) +
          (rootless ? MINDED.noRoot : 0) +
          (slash ? MINDED.slash : 0) +
          (home & (1 << root) ? 0 : MINDED.offHome),
      });
    });
  }
  if (!readings.length) return [byDegrees(midis, spell(bass, ''))];
  readings.sort((a, b) => a.minded - b.minded || (a.symbol < b.symbol ? -1 : 1));
  return readings.map(({ symbol, bass: b, omitted, degrees }) => ({ symbol, bass: b, omitted, degrees }));
}

/** What no word fits, over its bass. */
function byDegrees(midis: readonly number[], bass: NoteName): GripName {
  const root = chromaOf(bass);
  const degrees = midis.map((m) => plainDegree(m - root));
  const once = [...new Set(midis.map((m) => mod12(m - root)))].sort((a, b) => a - b).map(plainDegree);
  return { symbol: chordSymbol(bass, once), bass, omitted: [], degrees };
}
