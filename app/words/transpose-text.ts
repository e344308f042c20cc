import type { MoveLeft, StudyMove, MovePreview } from '../../contract';
import {
  compareScales,
  countWord,
  many,
  glyphs,
  noteOnDegree,
  openMidis,
  pitchName,
  type Instrument,
  type Place,
  type ScaleRef,
} from '../../core';
import { listWords, scaleName } from './scale-text';
import { instrumentWords } from './tuning-text';

export const MOVE_NAMES: Record<StudyMove['kind'], { readonly name: string; readonly does: string }> = {
  key: { name: 'Another key', does: 'Every note the same number of frets along its string.' },
  root: { name: 'Another root string', does: 'Same key, same notes; the root on another string, the jogs made anew.' },
  mode: { name: 'Another mode', does: 'The root stays and notes change, or the notes stay and the root changes.' },
  tuning: { name: 'Another tuning', does: 'Other strings, other frets, a capo: keep the sound, the shape or the layout.' },
};

const fretsWord = (n: number): string => `${countWord(Math.abs(n))} ${Math.abs(n) === 1 ? 'fret' : 'frets'}`;
/** "up three frets", "where it is". */
export const byWords = (by: number): string => (by === 0 ? 'where it is' : `${by > 0 ? 'up' : 'down'} ${fretsWord(by)}`);

/** One string before and after. */
export interface StringChange {
  readonly string: number;
  readonly open: string;
  readonly before: number[];
  readonly after: number[];
  readonly says: string;
}

const on = (places: readonly Place[], string: number): number[] =>
  [...new Set(places.filter((p) => p.string === string).map((p) => p.fret))].sort((a, b) => a - b);

function says(before: number[], after: number[]): string {
  if (!before.length && !after.length) return 'not used';
  if (!before.length) return 'new here';
  if (!after.length) return 'nothing left';
  const by = after[0]! - before[0]!;
  const alike = before.length === after.length && before.every((f, k) => after[k]! - f === by);
  if (alike) return byWords(by);
  const moved = after.filter((f) => !before.includes(f)).length;
  return moved ? `${countWord(moved)} of ${countWord(after.length)} moved` : `${many(before.length - after.length, 'note')} fewer`;
}

/** What changed, string by string; strings that either neck has. */
export function stringChanges({ before, after }: MovePreview): StringChange[] {
  const to = after ?? { ...before, places: [] };
  const count = Math.max(before.instrument.strings.length, to.instrument.strings.length);
  const open = (i: Instrument, k: number): string => i.strings[k]?.open ?? 'none';
  return Array.from({ length: count }, (_, k) => {
    const [a, b] = [on(before.places, k + 1), on(to.places, k + 1)];
    const [was, is] = [open(before.instrument, k), open(to.instrument, k)];
    return { string: k + 1, open: glyphs(was === is ? was : `${was} → ${is}`), before: a, after: b, says: says(a, b) };
  });
}

/** "Raises ♭3 to 3 (A to A♯)". */
export function modeChangeWords(from: ScaleRef, to: ScaleRef): string {
  const { changed, added, dropped } = compareScales(from, to);
  const one = (c: { readonly from: string; readonly to: string }): string =>
    `${c.from} → ${c.to} (${noteOnDegree(from.tonic, c.from)} → ${noteOnDegree(to.tonic, c.to)})`;
  const parts = [
    changed.length ? listWords(changed.map(one)) : '',
    added.length ? `adds ${listWords(added)}` : '',
    dropped.length ? `drops ${listWords(dropped)}` : '',
  ].filter(Boolean);
  return parts.join('; ') || 'nothing changes';
}

/** What the move did, in a sentence. */
export function previewWords(move: StudyMove, p: MovePreview): string {
  if (!p.after) return move.kind === 'root' ? 'No rung has its root there.' : 'It does not fit on that neck.';
  const { before, after } = p;
  switch (move.kind) {
    case 'key':
      return `${scaleName(before.scale)} becomes ${scaleName(after.scale)}: every note ${byWords(move.by)}.`;
    case 'root':
      return `${scaleName(after.scale)} still, its root on string ${move.string}.`;
    case 'mode':
      return move.how === 'relative'
        ? `The same notes from another home: ${scaleName(after.scale)}. No fret moves.`
        : `${scaleName(after.scale)} on the same root: ${modeChangeWords(before.scale, after.scale)}.`;
    case 'tuning':
      return tuningWords(move.keep, p);
  }
}

function tuningWords(keep: 'sound' | 'shape' | 'layout', { before, after, became }: MovePreview): string {
  const to = after ? instrumentWords(after.instrument) : '';
  if (keep === 'sound') return `The same pitches on ${to}.`;
  if (keep === 'layout') return `${scaleName(before.scale)} laid out afresh on ${to}.`;
  return became ? `The same frets on ${to} now sound ${scaleName(became)}.` : `The same frets on ${to} make no scale with a name.`;
}

/** What stays behind: "The lick “Latch” does not fit there. It stays as it is, and says so." */
export function leftWords({ kind, name, count }: MoveLeft): string {
  if (kind === 'pins')
    return `${count === 1 ? 'One settled finger lies' : `${count} settled fingers lie`} in no shape there. ${count === 1 ? 'It stays' : 'They stay'} with the study, for when you come back.`;
  return `The ${kind} “${name}” does not fit there. It stays as it is, and says so.`;
}

/** Pitches of places, lowest first, each once. */
export function pitchesOf(i: Instrument, places: readonly Place[]): string {
  const open = openMidis(i);
  const midis = [...new Set(places.map((p) => open[p.string - 1]! + p.fret))].sort((a, b) => a - b);
  return midis.map((m) => glyphs(pitchName(m))).join(', ');
}
