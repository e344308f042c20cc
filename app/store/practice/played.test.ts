import { MOST_LICKS, problemsOf, studySchema, type StudyBody } from '../../../contract';
import { layOut, midiOf, struckNotes, TICKS, weakLick, weakParts, type LickNote } from '../../../core';
import { DEMO } from '../../../demo';
import { freshLick } from '../licks';
import { drilled } from './drilled';
import { practiceOf } from './edit';
import { keepPlayed, onNeck } from './played';
import { drillWeakSpots } from './weak';

const body = (): StudyBody => structuredClone(DEMO.studies[0]!.body);
const sounds = (b: StudyBody, notes: readonly LickNote[]): number[] => struckNotes(notes).map(({ place }) => midiOf(b.instrument.strings[place.string - 1]!.open) + place.fret); // prettier-ignore
const full = (b: StudyBody): StudyBody => ({
  ...b,
  licks: Array.from({ length: MOST_LICKS }, (_, k) => ({ ...freshLick(b, `l${k}`), id: `l${k}` })),
});

describe('what was played, kept', () => {
  it('becomes a lick of the study that sounds as it was played, and passes its schema', () => {
    const b = { ...body(), tempo: 100 };
    const midis = [54, 56, 57, 59, 61, 63, 64, 66];
    const kept = keepPlayed(b, midis.map((midi, k) => ({ midi, atMs: 3000 + k * 300 })), 'Played 1'); // prettier-ignore
    if (!('edit' in kept)) throw new Error(kept.why);
    const after = { ...b, ...kept.edit };
    const lick = after.licks.find((l) => l.id === after.lick);
    expect(sounds(b, lick?.notes ?? [])).toEqual(midis);
    expect(lick?.notes.every((n) => n.ticks >= TICKS / 2)).toBe(true);
    expect(lick?.name).toBe('Played 1');
    expect(problemsOf(studySchema, after)).toEqual([]);
  });
  it('what the neck does not have is left out; nothing left, and no room, are said', () => {
    const b = body();
    const { instrument } = b;
    expect(onNeck(instrument, [{ midi: 20, atMs: 0 }, { midi: 40, atMs: 1 }, { midi: 120, atMs: 2 }]).map((n) => n.midi)).toEqual([40]); // prettier-ignore
    expect(keepPlayed(b, [{ midi: 20, atMs: 0 }], 'x')).toEqual({ why: 'Nothing of what was played lies on this neck.' });
    expect(keepPlayed(full(b), [{ midi: 60, atMs: 0 }], 'x')).toEqual({ why: `A study holds ${MOST_LICKS} licks: delete one first.` });
  });
});

describe('weak spots as a drill', () => {
  const line = (b: StudyBody): LickNote[] => {
    const [shape] = layOut(b.instrument, b.scale, b.layout);
    const result = drilled({ ...practiceOf(b).form, of: 'shape' }, { body: b, shapes: [shape!], current: 0 });
    if (!('drill' in result)) throw new Error(result.problem);
    const { steps, ticks } = result.drill.line;
    return weakLick(steps, ticks, weakParts(steps.map((_, k) => ({ trouble: k === 4 || k === 12 ? 1 : 0 }))));
  };
  it('are a lick that is drilled as written at once, with the ladder and what is said as before', () => {
    const b = body();
    const edit = drillWeakSpots(b, b.instrument, line(b), 'Weak spots of box 1');
    const after = { ...b, ...edit };
    expect(problemsOf(studySchema, after)).toEqual([]);
    expect(practiceOf(after).climb).toEqual(practiceOf(b).climb);
    expect(practiceOf(after).form).toMatchObject({ of: 'lick', line: after.lick, order: 'up', words: practiceOf(b).form.words });
    const again = drilled(practiceOf(after).form, { body: after, shapes: [], current: 0 });
    if (!('drill' in again)) throw new Error(again.problem);
    expect(again.drill.notes.map((n) => n.midi)).toEqual(sounds(b, line(b)));
    expect(again.drill.line.beats % 4).toBe(0);
  });
  it('of the same drill are written anew, not beside the old ones; a full study keeps what it has', () => {
    const b = body();
    const once = { ...b, ...drillWeakSpots(b, b.instrument, line(b), 'Weak spots of box 1') };
    const twice = { ...once, ...drillWeakSpots(once, b.instrument, line(b).slice(0, 2), 'Weak spots of box 1') };
    expect(twice.licks.length).toBe(once.licks.length);
    expect(twice.licks.find((l) => l.id === twice.lick)?.notes.length).toBe(2);
    expect(drillWeakSpots(full(b), b.instrument, line(b), 'new')).toBeNull();
  });
});
