import fc from 'fast-check';
import { DEMO } from '../../demo';
import { MOST_PROGRESSIONS, problemsOf, studySchema, type KeptProgression, type StudyBody } from '../../contract';
import { chordSounds, chromaOf, FORM_NAMES, layOut, midiOf, parseProgression, TICKS, type ScaleRef } from '../../core';
import { earAt } from './ear';
import { comingOf } from '../words/coming-text';
import { barsOfLines, guideNotes, lickOfLine, studyNotes } from './form-lines';
import {
  addForm,
  addWritten,
  dropProgression,
  duplicate,
  formOf,
  inKey,
  locksOn,
  loopOf,
  movedLocks,
  openProgression,
  withLock,
  withProgression,
  withText,
} from './progressions';
import { movedStudy } from './transpose';

const forms = DEMO.studies.flatMap((s) => s.body.progressions);
const [roost, ferry] = ['demo-roost', 'demo-salt-ferry'].map((id) => forms.find((p) => p.id === id) as KeptProgression);
const study: StudyBody = { ...DEMO.studies[0]!.body, progressions: [roost!, ferry!] };
const blank: StudyBody = { ...study, progressions: [], progression: null };
const holds = (edit: Partial<StudyBody> | null): void => expect(problemsOf(studySchema, { ...study, ...edit })).toEqual([]);
const dorian: ScaleRef = { tonic: 'Bb', scale: 'dorian' };

describe('progressions of a study', () => {
  it('every starting point is added and opened, on the study’s tonic, and the study holds', () => {
    for (const name of FORM_NAMES) {
      const edit = addForm(blank, name, name);
      holds(edit);
      const [made] = edit?.progressions ?? [];
      expect(edit?.progression).toBe(made!.id);
      expect(made!.home.tonic).toBe('F#');
      expect(formOf(made!).faults).toEqual([]);
    }
  });
  it('a second one has an id of its own, a copy too; a deleted one opens the one beside it', () => {
    let body: StudyBody = { ...blank, ...addForm(blank, 'turnaround', 'one') };
    body = { ...body, ...duplicate(body) };
    body = { ...body, ...addWritten(body, { name: 'three', text: '' }) };
    expect(new Set(body.progressions.map((p) => p.id)).size).toBe(3);
    expect(openProgression(body)?.name).toBe('three');
    holds(body);
    body = { ...body, ...dropProgression(body) };
    expect(openProgression(body)?.name).toBe('one, again');
    body = { ...body, ...dropProgression(body) };
    body = { ...body, ...dropProgression(body) };
    expect([body.progressions, body.progression]).toEqual([[], null]);
    expect(dropProgression(body)).toBeNull();
    expect(withProgression(body, () => ({ tempo: 60 }))).toBeNull();
  });
  it('a full study takes no more', () => {
    const full = { ...study, progressions: Array.from({ length: MOST_PROGRESSIONS }, (_, k) => ({ ...ferry!, id: `p-${k}` })) };
    expect(addForm(full, 'turnaround', 'x')).toBeNull();
    expect(duplicate(full)).toBeNull();
  });
  it('chords know their bar and their time; silence is counted in time and not as a chord', () => {
    const { chords, quarters } = formOf({ text: 'C | N.C. | Dm . G . . |', meter: [5, 8] });
    expect(chords).toEqual([
      { symbol: 'C', bar: 0, from: 0, to: 2.5 },
      { symbol: 'Dm', bar: 2, from: 5, to: 6 },
      { symbol: 'G', bar: 2, from: 6, to: 7.5 },
    ]);
    expect(quarters).toBe(7.5);
  });
});

describe('settled scales', () => {
  it('one a chord, let go again, and only where its chord still is', () => {
    let p: KeptProgression = { ...ferry!, ...withLock(ferry!, 3, 'Bb7', dorian) };
    p = { ...p, ...withLock(p, 1, 'Eb7', ferry!.home) };
    p = { ...p, ...withLock(p, 3, 'Bb7', ferry!.home) };
    expect(p.locks.map((l) => [l.chord, l.ref.scale])).toEqual([[1, 'mixolydian'], [3, 'mixolydian']]); // prettier-ignore
    expect(locksOn(p.locks, formOf(p).chords)).toHaveLength(2);
    expect(locksOn(p.locks, formOf({ ...p, text: 'Bb7 | Gm7 | Bb7 | Bb7' }).chords).map((l) => l.chord)).toEqual([3]);
    expect(withLock(p, 1, 'Eb7', null).locks).toHaveLength(1);
  });
  it('go along with their chords when bars are written before or behind them, by brute force on random texts', () => {
    const symbol = fc.constantFrom('C', 'F', 'G7', 'Am');
    const line = fc.array(symbol, { maxLength: 6 });
    fc.assert(
      fc.property(line, line, line, line, (head, tail, cut, paste) => {
        const [before, after] = [
          [...head, ...cut, ...tail],
          [...head, ...paste, ...tail],
        ];
        const locks = before.map((s, chord) => ({ chord, symbol: s, ref: dorian }));
        const moved = movedLocks(locks, before, after);
        for (const l of moved) expect(after[l.chord]).toBe(l.symbol);
        expect(new Set(moved.map((l) => l.chord)).size).toBe(moved.length);
        expect(moved.length).toBeGreaterThanOrEqual(Math.min(head.length + tail.length, before.length, after.length));
      }),
      { numRuns: 300 },
    );
  });
  it('another text keeps what it can, and lets a loop go that has no bars any more', () => {
    const p: KeptProgression = { ...ferry!, locks: [{ chord: 11, symbol: 'F7', ref: dorian }], loop: [8, 11] };
    const longer = withText(p, `Gm7 | ${ferry!.text}`);
    expect(longer.locks?.map((l) => l.chord)).toEqual([12]);
    expect(longer.loop).toEqual([8, 11]);
    expect(withText(p, 'Bb7 | F7')).toMatchObject({ loop: null, locks: [{ chord: 1 }] });
  });
});

describe('in another key', () => {
  it('text, home and settled scales go along, spelled in it: from B♭ to D♭', () => {
    const p: KeptProgression = { ...ferry!, locks: [{ chord: 1, symbol: 'Eb7', ref: dorian }] };
    const moved = { ...p, ...inKey(p, { tonic: 'Db', scale: 'mixolydian' }) };
    expect(moved.text).toBe('| Db7 | Gb7 | Db7 | % |\n| Gb7 | % | Db7 | % |\n| Ab7 | Gb7 | Db7 | Ab7 |');
    expect(moved.locks).toEqual([{ chord: 1, symbol: 'Gb7', ref: { tonic: 'Db', scale: 'dorian' } }]);
    expect(locksOn(moved.locks, formOf(moved).chords)).toHaveLength(1);
  });
  it('goes with its study, by as much, and its hand too; other moves leave it', () => {
    const shapes = layOut(study.instrument, study.scale, study.layout);
    for (const by of [-5, 1, 3, 6]) {
      const { study: moved } = movedStudy(study, shapes, 0, { kind: 'key', by });
      holds(moved);
      moved.progressions.forEach((p, k) => {
        const [was, now] = [formOf(study.progressions[k]!), formOf(p)];
        now.chords.forEach((c, n) =>
          expect(chordSounds(c.symbol)).toEqual(chordSounds(was.chords[n]!.symbol).map((s) => (s + by + 12) % 12)),
        );
        expect((chromaOf(p.home.tonic) - chromaOf(study.progressions[k]!.home.tonic) + 24) % 12).toBe((by + 12) % 12);
      });
      expect(moved.progressions[1]!.near).toBe(6 + by);
    }
    const { study: mode } = movedStudy(study, shapes, 0, { kind: 'mode', scale: { tonic: 'F#', scale: 'phrygian' }, how: 'parallel' });
    expect(mode.progressions).toEqual(study.progressions);
  });
});

describe('lines over a form', () => {
  const ticks = (notes: { ticks: number }[]): number => notes.reduce((sum, n) => sum + n.ticks, 0);
  it('a guide line has a note a chord, as long as it, and rests where none is', () => {
    const p: KeptProgression = { ...ferry!, text: 'Bb7 | N.C. | Eb7 F7 | N.C.' };
    const notes = guideNotes(study, p, ['3', '7'], 6);
    expect(notes.map((n) => [n.place !== null, n.ticks / TICKS])).toEqual([[true, 4], [false, 4], [true, 2], [true, 2], [false, 4]]); // prettier-ignore
  });
  it('a study line fills the bars that go round, in the meter’s own beats', () => {
    for (const meter of [
      [4, 4],
      [6, 8],
      [3, 4],
      [7, 8],
    ] as [number, number][])
      for (const notesPerBeat of [1, 2, 3] as const) {
        const p: KeptProgression = { ...ferry!, meter, loop: [2, 5] };
        const notes = studyNotes(study, p, { seed: 7, notesPerBeat, near: 6 });
        expect(notes).toHaveLength(4 * meter[0] * notesPerBeat);
        expect(ticks(notes)).toBeCloseTo((4 * meter[0] * 4 * TICKS) / meter[1], 6);
        const made = lickOfLine(study, p, 'line', () => notes);
        if ('why' in made) throw new Error(made.why);
        holds(made.lick);
        expect(made.lick.licks?.at(-1)).toMatchObject({ meter, stayed: ferry!.home });
      }
  });
  it('a note longer than is written is tied', () => {
    const p: KeptProgression = { ...ferry!, text: 'Bb7 |', meter: [15, 4] };
    const notes = guideNotes(study, p, ['3'], 6);
    expect(notes.map((n) => [n.ticks / TICKS, n.join ?? ''])).toEqual([[8, ''], [7, 'tie']]); // prettier-ignore
  });
  it('a line that is too long says what to do', () => {
    const p: KeptProgression = { ...ferry!, text: 'Bb7 | Eb7 | '.repeat(40) };
    const made = lickOfLine(study, p, 'long', () => studyNotes(study, p, { seed: 1, notesPerBeat: 2, near: 6 }));
    expect(made).toEqual({ why: expect.stringContaining('640 notes; a lick holds 400') as string });
    const none = lickOfLine(study, p, 'none', () => guideNotes(study, { ...p, text: 'N.C.' }, ['3'], 6));
    expect(none).toEqual({ why: expect.stringContaining('chords') as string });
    expect(barsOfLines({ ...p, loop: [78, 200] }).bars).toHaveLength(2);
    expect(barsOfLines({ ...p, loop: [90, 200] }).bars).toHaveLength(80);
  });
});

describe('where the ear is', () => {
  const form = formOf(roost!);
  it('in the form, in the loop, in the count-in', () => {
    const whole = { form, range: loopOf({ loop: null }, 8), meter: roost!.meter };
    expect(earAt(0, 2.5, whole)).toEqual({ at: -1, left: 0, counting: 3 });
    expect(earAt(1, 0, whole)).toEqual({ at: 0, left: 4, counting: 0 });
    expect(earAt(3, 3.2, whole)).toEqual({ at: 0, left: 1, counting: 0 });
    expect(earAt(1, 22, whole)).toMatchObject({ at: 6, left: 2 });
    expect(earAt(2, 0, { ...whole, range: [5, 6] })).toMatchObject({ at: 5, left: 2 });
    expect(loopOf({ loop: [3, 99] }, 8)).toEqual([3, 7]);
    expect(loopOf({ loop: [9, 10] }, 8)).toEqual([0, 7]);
  });
  it('nowhere where no chord sounds', () => {
    const silent = formOf({ text: 'N.C. | C', meter: [4, 4] });
    expect(earAt(1, 2, { form: silent, range: [0, 1], meter: [4, 4] }).at).toBe(-1);
    expect(earAt(1, 4, { form: silent, range: [0, 1], meter: [4, 4] }).at).toBe(0);
  });
});

describe('what is coming', () => {
  const shape = (ref: ScaleRef) => layOut(study.instrument, ref, { kind: 'box' })[1]!;
  const step = (symbol: string, ref: ScaleRef) => ({ symbol, ref, shape: shape(ref), kept: 7, changed: 0, moveMm: 0, why: '' });
  const words = { up: 'up to', down: 'down to' };
  it('a scale that changes: its notes, by degree where the tonic stays', () => {
    const coming = comingOf(study.instrument, step('Eb7', dorian), step('Bb7', { tonic: 'Bb', scale: 'mixolydian' }), words);
    expect(coming.words).toEqual(['b3 up to 3']);
    expect(coming.fresh.every((f) => f.name === 'D' && f.degree === '3')).toBe(true);
  });
  it('a scale that stays: the tones by which the chord is known, to the next chord’s', () => {
    const c: ScaleRef = { tonic: 'C', scale: 'ionian' };
    const coming = comingOf(study.instrument, step('Dm7', c), step('G7', c), words);
    expect(coming.fresh).toEqual([]);
    expect(coming.words).toContain('C down to B');
    for (const { from, to } of coming.moves) {
      const midi = (p: { string: number; fret: number }): number => midiOf(study.instrument.strings[p.string - 1]!.open) + p.fret;
      expect([0, 5]).toContain(midi(from) % 12);
      expect(chordSounds('G7')).toContain(midi(to) % 12);
    }
  });
  it('nothing where the chord stays', () => {
    expect(comingOf(study.instrument, step('Eb7', dorian), step('Eb7', dorian), words)).toEqual({ moves: [], fresh: [], words: [] });
  });
});

it('the demo’s forms are whole, and 500 bars are read at once', () => {
  for (const { body } of DEMO.studies) for (const p of body.progressions) expect(formOf(p).faults).toEqual([]);
  expect(parseProgression('C | '.repeat(500)).bars).toHaveLength(500);
});
