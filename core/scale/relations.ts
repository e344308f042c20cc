import { fail } from '../errors';
import { checkNote, chromaOf } from '../pitch';
import type { DegreeName, NoteName, ScaleRef } from '../types';
import { checkDegree, degreeOfNote, letterOf, semitonesOf, mod12 } from './degrees';
import { checkDegrees, degreesOf, listScales, nameScale, scaleNotes } from './scale';

/** Degrees of b as heard from a's tonic, so that scales on different tonics compare by sound. */
const heardFrom = (tonic: NoteName, ref: ScaleRef): DegreeName[] =>
  ref.tonic === tonic ? degreesOf(ref.scale) : scaleNotes(ref).map((n) => degreeOfNote(tonic, n.name));

/**
 * What changes from scale a to scale b, in a's degrees.
 * Where both have one note a letter, letter is compared with letter: lydian → locrian is 2 → b2, 3 → b3, #4 → 4, 5 → b5,
 * 6 → b6, 7 → b7, though #4 and b5 sound alike. Else `changed` pairs a degree of a that b lacks with b's degree of the same
 * letter; what finds no partner is dropped or added. `kept` are the notes of a that sound in b.
 * @example compareScales({ tonic: 'D', scale: 'dorian' }, { tonic: 'D', scale: 'aeolian' }).changed // [{ from: '6', to: 'b6' }]
 */
export function compareScales(
  a: ScaleRef,
  b: ScaleRef,
): {
  readonly kept: NoteName[];
  readonly changed: { readonly from: DegreeName; readonly to: DegreeName }[];
  readonly added: DegreeName[];
  readonly dropped: DegreeName[];
} {
  const notes = scaleNotes(a);
  const there = heardFrom(a.tonic, b);
  const sounds = new Set(there.map(semitonesOf));
  const kept = notes.filter((n) => sounds.has(n.semitones));
  const letters = byLetters(notes.map((n) => n.degree), there); // prettier-ignore
  if (letters) return { kept: kept.map((n) => n.name), changed: letters, added: [], dropped: [] };
  const gone = notes.filter((n) => !sounds.has(n.semitones)).map((n) => n.degree);
  const here = new Set(notes.map((n) => n.semitones));
  const fresh = there.filter((d) => !here.has(semitonesOf(d)));
  const changed = gone.flatMap((from) => pairOf(from, fresh));
  return {
    kept: kept.map((n) => n.name),
    changed,
    added: fresh.filter((d) => !changed.some((c) => c.to === d)),
    dropped: gone.filter((d) => !changed.some((c) => c.from === d)),
  };
}

/** Degrees that differ letter by letter, or null unless both sides have the same letters once each. */
function byLetters(a: DegreeName[], b: DegreeName[]): { readonly from: DegreeName; readonly to: DegreeName }[] | null {
  const there = new Map(b.map((d) => [letterOf(d), d]));
  const here = new Set(a.map(letterOf));
  if (here.size !== a.length || there.size !== b.length || a.length !== b.length || [...here].some((l) => !there.has(l))) return null;
  return a.flatMap((from) => {
    const to = there.get(letterOf(from)) ?? from;
    return semitonesOf(from) === semitonesOf(to) ? [] : [{ from, to }];
  });
}

const pairOf = (from: DegreeName, fresh: DegreeName[]): { readonly from: DegreeName; readonly to: DegreeName }[] => {
  const to = fresh.find((d) => letterOf(d) === letterOf(from));
  return to ? [{ from, to }] : [];
};

/** The degrees heard from the k-th note as home (k from 0). */
function rotated(ref: ScaleRef, k: number): { readonly tonic: NoteName; readonly degrees: DegreeName[] } {
  const notes = scaleNotes(ref);
  const tonic = notes[k]!.name;
  const degrees = [...notes.slice(k), ...notes.slice(0, k)].map((n) => degreeOfNote(tonic, n.name));
  return { tonic, degrees };
}

/**
 * Same notes, every home, going up from the given one. `scale` is a catalogue id, or the degrees in one string,
 * which every function here takes as a scale. `degreeOfParent` counts from the parent scale's tonic where the
 * catalogue knows it, else from the given tonic. Example: F# dorian gives F# dorian (2), G# phrygian (3), A lydian (4) ...
 * @example relatedModes(dorian)[0] // { tonic: 'D', scale: 'dorian', degreeOfParent: 2 }
 */
export function relatedModes(ref: ScaleRef): { readonly tonic: NoteName; readonly scale: string; readonly degreeOfParent: number }[] {
  const notes = scaleNotes(ref);
  const first = nameScale(degreesOf(ref.scale))?.mode ?? 1;
  return notes.map((_, k) => {
    const { tonic, degrees } = rotated(ref, k);
    const scale = nameScale(degrees)?.id ?? degrees.join(' ');
    return { tonic, scale, degreeOfParent: ((first - 1 + k) % notes.length) + 1 };
  });
}

/**
 * The parent scale on its tonic and the mode number, or null for scales that are nobody's mode. Example: F# dorian is mode 2 of E ionian.
 * @example parentOf(dorian) // { ref: { tonic: 'C', scale: 'ionian' }, mode: 2 }
 */
export function parentOf(ref: ScaleRef): { readonly ref: ScaleRef; readonly mode: number } | null {
  const named = nameScale(degreesOf(ref.scale));
  if (!named?.parent || !named.mode) return null;
  const home = relatedModes(ref).find((m) => m.degreeOfParent === 1);
  return home ? { ref: { tonic: home.tonic, scale: named.parent }, mode: named.mode } : null;
}

/**
 * The seven modes of major on one tonic, brightest first; neighbours differ by one note.
 * @example brightnessOrder('C')[0].scale // 'lydian'
 */
export const brightnessOrder = (tonic: NoteName): ScaleRef[] =>
  ['lydian', 'ionian', 'mixolydian', 'dorian', 'aeolian', 'phrygian', 'locrian'].map((scale) => ({ tonic: checkNote(tonic), scale }));

/** Names for a sound, best first: the same letter altered, then any other that exists. */
function namesFor(sound: number, letter: number, used: Set<number>): DegreeName[] {
  const all = ['1', 'b2', '2', '#2', 'b3', '3', 'b4', '4', '#4', 'b5', '5', '#5', 'b6', '6', 'bb7', 'b7', '7'];
  const rank = (d: DegreeName): number => (letterOf(d) === letter ? 0 : used.has(letterOf(d)) ? 2 : 1) + d.length / 10;
  return all.filter((d) => semitonesOf(d) === sound).sort((a, b) => rank(a) - rank(b));
}

/**
 * A catalogue id where the sounds have a name, else the degrees themselves.
 * @example canonical('C', ['1', '2', '3', '5', '6']).named // 'major pentatonic'
 */
export function canonical(tonic: NoteName, degrees: DegreeName[]): ScaleRef & { readonly named: string | null } {
  const named = nameScale(degrees);
  return { tonic, scale: named?.id ?? checkDegrees(degrees), named: named?.name ?? null };
}

/**
 * Raises or lowers one degree by a half step. Throws BAD_DEGREE if the scale lacks it, BAD_SCALE if the
 * new sound is taken or it is the root. Example: dorian, raise b3: mixolydian.
 * @example alterDegree({ tonic: 'C', scale: 'ionian' }, '4', 1).named // 'Lydian'
 */
export function alterDegree(ref: ScaleRef, degree: DegreeName, by: -1 | 1): ScaleRef & { readonly named: string | null } {
  const degrees = degreesOf(ref.scale);
  checkDegree(degree);
  if (by !== 1 && by !== -1) fail('BAD_OPTION', 'by', 'by: a degree moves by 1 or -1 half step.');
  if (!degrees.includes(degree)) fail('BAD_DEGREE', 'degree', `degree: this scale has no ${degree}; it has ${degrees.join(' ')}.`);
  if (degree === '1') fail('BAD_SCALE', 'degree', 'degree: the root stays; change the tonic instead.');
  return canonical(checkNote(ref.tonic), moved(degrees, degree, semitonesOf(degree) + by));
}

function moved(degrees: DegreeName[], degree: DegreeName, sound: number): DegreeName[] {
  const rest = degrees.filter((d) => d !== degree);
  const taken = sound % 12 === 0 ? '1' : rest.find((d) => semitonesOf(d) === sound);
  if (taken) fail('BAD_SCALE', 'degree', `degree: ${degree} cannot move there, ${taken} stands on that fret already.`);
  const [name] = namesFor(sound, letterOf(degree), new Set(rest.map(letterOf)));
  return [...rest, name!];
}

/**
 * Adds the sound (1 to 11 semitones above the tonic) or drops it if it is there. Throws BAD_SCALE for the root or below two notes.
 * @example toggleSound({ tonic: 'A', scale: 'minor-pentatonic' }, 3).scale // ['1', '4', '5', 'b7']
 */
export function toggleSound(ref: ScaleRef, sound: number): ScaleRef & { readonly named: string | null } {
  const degrees = degreesOf(ref.scale);
  if (mod12(sound) === 0) fail('BAD_SCALE', 'degree', 'degree: the root stays; change the tonic instead.');
  const without = degrees.filter((d) => semitonesOf(d) !== mod12(sound));
  if (without.length < degrees.length) return canonical(checkNote(ref.tonic), checkDegrees(without));
  const [name] = namesFor(mod12(sound), 0, new Set(degrees.map(letterOf)));
  return canonical(checkNote(ref.tonic), [...degrees, name!]);
}

/** Moves the note `from` semitones above the tonic to `to`; throws BAD_SCALE where that is the root or a note stands there. */
export function moveSound(ref: ScaleRef, from: number, to: number): ScaleRef & { readonly named: string | null } {
  const degrees = degreesOf(ref.scale);
  const degree = degrees.find((d) => semitonesOf(d) === mod12(from));
  if (!degree) return fail('BAD_SCALE', 'degree', 'degree: there is no note there to move.');
  if (mod12(from) === 0) fail('BAD_SCALE', 'degree', 'degree: the root stays; change the tonic instead.');
  return canonical(checkNote(ref.tonic), moved(degrees, degree, mod12(to)));
}

/**
 * A scale in words when it has no name: the nearest named scale and what differs. Ties go to the catalogue's order.
 * @example nearestScale('dorian').name // 'Dorian'
 */
export function nearestScale(scale: ScaleRef['scale']): {
  readonly id: string;
  readonly name: string;
  readonly changed: { readonly from: DegreeName; readonly to: DegreeName }[];
  readonly added: DegreeName[];
  readonly dropped: DegreeName[];
} {
  const here = { tonic: 'C', scale };
  const found = listScales().map((s) => ({ ...compareScales({ tonic: 'C', scale: s.id }, here), id: s.id, name: s.name }));
  const distance = (d: (typeof found)[number]): number => d.changed.length + 1.1 * (d.added.length + d.dropped.length);
  const { id, name, changed, added, dropped } = found.reduce((best, d) => (distance(d) < distance(best) ? d : best));
  return { id, name, changed, added, dropped };
}

/**
 * True where two refs sound the same notes from the same tonic sound.
 * @example soundsSame({ tonic: 'C', scale: 'ionian' }, { tonic: 'D', scale: 'dorian' }) // false
 */
export const soundsSame = (a: ScaleRef, b: ScaleRef): boolean =>
  chromaOf(a.tonic) === chromaOf(b.tonic) && degreesOf(a.scale).map(semitonesOf).join() === degreesOf(b.scale).map(semitonesOf).join();

/** At most so many scales are named for one strange note. */
const MOST_NAMED = 3;

/**
 * What a note off the scale would make of it: the degree it is, and the named scales that have it, nearest first. In a scale
 * of seven notes it takes the place of a neighbour a half step away; a smaller one is named by the scales of seven notes that
 * hold it and the strange note. `sound` is 1 to 11 half steps above the tonic.
 * Examples: natural minor and 9: 6, Dorian. Minor pentatonic and 9: 6, Dorian first.
 * @example scalesWith(dorian, 1).degree // 'b2'
 */
export function scalesWith(ref: ScaleRef, sound: number): { readonly degree: DegreeName; readonly scales: ScaleRef[] } {
  const { tonic } = ref;
  const degrees = degreesOf(ref.scale);
  const ids = degrees.length >= 7 ? replacing(ref, sound) : containing([...degrees.map(semitonesOf), sound]);
  const named = (ids.length ? degreesOf(ids[0]!) : []).find((d) => semitonesOf(d) === sound);
  const [plain] = namesFor(sound, 0, new Set(degrees.map(letterOf)));
  return { degree: named ?? plain!, scales: ids.slice(0, MOST_NAMED).map((scale) => ({ tonic, scale })) };
}

/** Named scales in which the sound stands for a neighbour of the scale, the neighbour with the same letter first. */
function replacing(ref: ScaleRef, sound: number): string[] {
  const { scale } = ref;
  const neighbours = degreesOf(scale).filter((d) => d !== '1' && Math.abs(semitonesOf(d) - sound) === 1);
  const made = neighbours.flatMap((d) => {
    const to = moveSound(ref, semitonesOf(d), sound);
    const fresh = degreesOf(to.scale).find((x) => semitonesOf(x) === sound) ?? d;
    return to.named ? [{ id: to.scale as string, other: letterOf(fresh) === letterOf(d) ? 0 : 1 }] : [];
  });
  return made.sort((a, b) => a.other - b.other).map((m) => m.id);
}

/**
 * Scales of seven notes that hold all of some sounds, the modes of major first.
 * @example containing([0, 4, 7]).length > 5 // true
 */
export const containing = (sounds: readonly number[]): string[] =>
  listScales()
    .filter((s) => s.degrees.length === 7)
    .filter((s) => sounds.every((x) => s.degrees.some((d) => semitonesOf(d) === x)))
    .map((s) => s.id);
