import fc from 'fast-check';
import { anyLick } from '../../tests/support/licks';
import { DEMO } from '../../demo';
import { problemsOf, studySchema, type Lick, type StudyBody } from '../../contract';
import { layOut, lickPitches, parseTuning, planRoute, scaleNotes, type Instrument } from '../../core';
import { stringChanges, previewWords } from '../words/transpose-text';
import { freshLick } from './licks';
import { movedChord, movedLine, movedStudy, linesOf, previewLine, previewShape, rootStrings, type StudyMove } from './transpose';
import { usualConnection } from './connection';

const demo = DEMO.studies[0].body;
const tuned = (low: string): Instrument => ({ ...demo.instrument, strings: parseTuning(low).map((open) => ({ open })) });
const SEVEN = DEMO.studies[1].body.instrument;
const shapesOf = (b: StudyBody) => layOut(b.instrument, b.scale, b.layout);
const shapes = shapesOf(demo);
const asked = usualConnection(shapes, 0);
const [route] = planRoute(demo.instrument, demo.scale, {
  from: { string: 6, fret: 2 },
  to: { string: 1, fret: 9 },
  motion: 'run',
  school: 'finger-per-fret',
});
const body: StudyBody = {
  ...demo,
  chord: 'B7',
  over: { tonic: 'F#', scale: 'mixolydian' },
  routes: [{ name: 'Up', asked, steps: route.steps }],
};
const pitches = (b: StudyBody, lick: Lick): number[] => lickPitches(lick.instrument ?? b.instrument, lick.notes);

const MOVES: [string, StudyMove][] = [
  ['a key up', { kind: 'key', by: 3 }],
  ['a key down, folded', { kind: 'key', by: 9 }],
  ['a parallel mode', { kind: 'mode', how: 'parallel', scale: { tonic: 'F#', scale: 'mixolydian' } }],
  ['a relative mode', { kind: 'mode', how: 'relative', scale: { tonic: 'A', scale: 'lydian' } }],
  ['a tuning, sound kept', { kind: 'tuning', instrument: tuned('D2 A2 D3 G3 B3 E4'), keep: 'sound' }],
  ['a tuning, shape kept', { kind: 'tuning', instrument: tuned('D2 G2 C3 F3 A3 D4'), keep: 'shape' }],
  ['seven strings, laid out afresh', { kind: 'tuning', instrument: SEVEN, keep: 'layout' }],
];

describe('the whole study moved', () => {
  it.each(MOVES)('to %s is a study that the server takes', (_, move) => {
    const { edit, lost } = movedStudy(body, shapes, 0, move);
    expect(problemsOf(studySchema, { ...body, ...edit })).toEqual([]);
    expect(lost).toEqual([]);
  });
  it('in key: scale, second scale, chord, rung, licks and routes go together', () => {
    const { edit } = movedStudy(body, shapes, 0, { kind: 'key', by: 3 });
    expect(edit).toMatchObject({ scale: { tonic: 'A' }, over: { tonic: 'A' }, chord: 'D7', rung: { number: 1, fret: 5 } });
    const after = { ...body, ...edit };
    expect(pitches(after, after.licks[0])).toEqual(pitches(body, body.licks[0]).map((m) => m + 3));
    expect(after.routes[0].steps.map((s) => s.fret)).toEqual(route.steps.map((s) => s.fret + 3));
  });
  it('there and back is where it was', () => {
    const there = { ...body, ...movedStudy(body, shapes, 0, { kind: 'key', by: 3 }).edit };
    const back = { ...there, ...movedStudy(there, shapesOf(there), 0, { kind: 'key', by: -3 }).edit };
    expect([back.scale, back.licks, back.rung]).toEqual([body.scale, body.licks, body.rung]);
  });
  it('in mode, parallel: every changed degree of a lick follows; relative: no note moves', () => {
    const to = { tonic: 'F#', scale: 'mixolydian' };
    const parallel = { ...body, ...movedStudy(body, shapes, 0, { kind: 'mode', how: 'parallel', scale: to }).edit };
    const inScale = new Set(scaleNotes(to).map((x) => (x.semitones + 6) % 12));
    expect(pitches(parallel, parallel.licks[0]).every((m) => inScale.has(m % 12))).toBe(true);
    const relative = movedStudy(body, shapes, 0, { kind: 'mode', how: 'relative', scale: { tonic: 'A', scale: 'lydian' } }).edit;
    expect(relative.licks).toEqual(body.licks);
  });
  it('in tuning: what does not fit is said and nothing of it is lost', () => {
    const high = { ...tuned('E3 A3 D4 G4 B4 E5'), frets: 12 };
    const { edit, lost } = movedStudy(body, shapes, 0, { kind: 'tuning', instrument: high, keep: 'sound' });
    expect(lost.join(' ')).toContain('The route “Up” does not fit there');
    expect(problemsOf(studySchema, { ...body, ...edit })).toEqual([]);
    const small = { ...body, licks: [{ ...freshLick(body, 'Low'), notes: [{ place: { string: 6, fret: 0 }, ticks: 480 }] }] };
    const moved = movedStudy(small, shapes, 0, { kind: 'tuning', instrument: high, keep: 'sound' });
    expect(moved.lost.join(' ')).toContain('The lick “Low” does not fit there and stays as it is.');
    expect(moved.edit.licks?.[0]).toMatchObject({ notes: small.licks[0].notes, instrument: body.instrument });
  });
  it('any lick: sound kept keeps every pitch, shape kept keeps every fret', () => {
    const to = tuned('C2 G2 C3 F3 A3 D4');
    fc.assert(
      fc.property(anyLick(body.instrument), (notes) => {
        const sound = movedLine(body, body.instrument, notes, { kind: 'tuning', instrument: to, keep: 'sound' });
        if (sound) expect(lickPitches(to, sound.notes)).toEqual(lickPitches(body.instrument, notes));
        const shape = movedLine(body, body.instrument, notes, { kind: 'tuning', instrument: to, keep: 'shape' });
        expect(shape?.notes).toEqual(notes);
      }),
      { numRuns: 40 },
    );
  });
  it.each([
    ['B7', 2, 'C#7'],
    ['Ebmaj7', 1, 'Emaj7'],
    ['F#m7b5', -1, 'Fm7b5'],
    [null, 3, null],
  ] as const)('chord %s by %i is %s', (chord, by, to) => {
    expect(movedChord(chord, by)?.replace('Db', 'C#') ?? null).toBe(to);
  });
});

describe('before and after', () => {
  it('in key: string by string, the same frets along', () => {
    const move: StudyMove = { kind: 'key', by: 3 };
    const p = previewShape(body, shapes, 0, move);
    expect(stringChanges(p).map((c) => c.says)).toEqual(Array.from({ length: 6 }, () => 'up three frets'));
    expect(previewWords(move, p)).toBe('F# Dorian becomes A Dorian: every note up three frets.');
    expect(previewShape(body, shapes, 0, { kind: 'key', by: 30 }).after).toBeNull();
  });
  it('on another root string: the rung whose lowest root is there', () => {
    expect(rootStrings(shapes)).toEqual([6, 5, 4]);
    const p = previewShape(body, shapes, 0, { kind: 'root', string: 5 });
    expect(p.after?.places).toContainEqual({ string: 5, fret: 9 });
    expect(previewShape(body, shapes, 0, { kind: 'root', string: 1 }).after).not.toBeUndefined();
  });
  it('in tuning: notes that cease to exist, and the scale that the kept shape has become', () => {
    const up = previewShape(body, shapes, 0, { kind: 'tuning', instrument: tuned('G2 C3 F3 Bb3 D4 G4'), keep: 'sound' });
    expect(up.gone).toEqual([{ string: 6, fret: 2 }]);
    const kept = previewShape(body, shapes, 0, { kind: 'tuning', instrument: tuned('D2 G2 C3 F3 A3 D4'), keep: 'shape' });
    expect(kept.became).toEqual({ tonic: 'E', scale: 'dorian' });
    const odd: StudyMove = { kind: 'tuning', instrument: tuned('C2 A2 D3 F#3 B3 D4'), keep: 'shape' };
    expect(previewWords(odd, previewShape(body, shapes, 0, odd))).toContain('make no scale with a name');
    const more = previewShape(body, shapes, 0, { kind: 'tuning', instrument: SEVEN, keep: 'layout' });
    expect(new Set(more.after?.places.map((p) => p.string))).toEqual(new Set([1, 2, 3, 4, 5, 6, 7]));
  });
  it('lines to move are the open lick and the kept routes on this neck', () => {
    expect(linesOf(body).map((l) => [l.kind, l.name, l.notes.length])).toEqual([['lick', 'Latch', 14], ['route', 'Up', route.steps.length]]); // prettier-ignore
    const p = previewLine(body, linesOf(body)[1], { kind: 'key', by: 2 });
    expect(p.after?.places.map((x) => x.fret)).toEqual(route.steps.map((s) => s.fret + 2));
    expect(linesOf({ ...body, licks: [], instrument: { ...body.instrument, frets: 5 } })).toEqual([]);
  });
  it('of a lick', () => {
    const p = previewLine(body, linesOf(body)[0], { kind: 'tuning', instrument: SEVEN, keep: 'sound' });
    expect(p.after?.instrument.strings).toHaveLength(7);
    expect(p.gone).toEqual([]);
    const low = previewLine(
      body,
      { ...linesOf(body)[0], notes: [{ place: { string: 6, fret: 0 }, ticks: 480 }] },
      { kind: 'tuning', instrument: tuned('G2 C3 F3 Bb3 D4 G4'), keep: 'sound' },
    );
    expect([low.after, low.gone]).toEqual([null, [{ string: 6, fret: 0 }]]);
  });
});
