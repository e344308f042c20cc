import { DEMO } from '../../demo';
import { MOST_LICKS, problemsOf, studySchema, type Lick, type StudyBody } from '../../contract';
import { TICKS, midiOf, parseTuning, stepLength, toggleDot, toggleTriplet, type Instrument, type LickNote } from '../../core';
import * as lines from './lick-notes';
import * as licks from './licks';
import { withInstrument } from './moves';

const body = DEMO.studies[0]!.body;
const neck = body.instrument;
const n = (string: number, fret: number, more: Partial<LickNote> = {}): LickNote => ({ place: { string, fret }, ticks: 240, ...more });
const lick = (id: string, notes: LickNote[] = []): Lick => ({ ...licks.freshLick(body, id), id, notes });
const withLicks = (...all: Lick[]): StudyBody => ({ ...body, licks: all, lick: all[0]?.id ?? null });
const tuned = (low: string): Instrument => ({ ...neck, strings: parseTuning(low).map((open) => ({ open })) });

describe('licks of a study', () => {
  it('open by name, else the first', () => {
    expect(licks.openLick(withLicks(lick('a'), lick('b')))?.id).toBe('a');
    expect(licks.openLick({ ...withLicks(lick('a'), lick('b')), lick: 'b' })?.id).toBe('b');
    expect(licks.openLick({ ...body, licks: [], lick: 'gone' })).toBeNull();
  });
  it('are added as far as there is room, all or none', () => {
    const full = withLicks(...Array.from({ length: MOST_LICKS - 1 }, (_, k) => lick(`l${k}`)));
    expect(licks.addLick(full, lick('x'))).toMatchObject({ lick: 'x' });
    expect(licks.addLicks(full, [lick('x'), lick('y')])).toBeNull();
  });
  it('dropped, the one beside opens; duplicated, the copy opens', () => {
    const three = withLicks(lick('a'), lick('b'), lick('c'));
    expect(licks.dropLick(three, 'b').lick).toBe('c');
    expect(licks.dropLick(three, 'c').lick).toBe('b');
    expect(licks.dropLick(withLicks(lick('a')), 'a')).toEqual({ licks: [], lick: null });
    const copy = licks.duplicateLick(three, 'a');
    expect(copy?.licks?.[3]).toMatchObject({ name: 'a (copy)' });
    expect(copy?.lick).toBe(copy?.licks?.[3]!.id);
  });
  it('stay on their own neck when the study goes to another, and come home with it', () => {
    const study = withLicks(lick('a', [n(6, 2)]));
    const away = { ...study, ...withInstrument(study, tuned('D2 A2 D3 G3 B3 E4')) };
    expect(away.licks[0]!.instrument).toEqual(neck);
    expect(problemsOf(studySchema, away)).toEqual([]);
    expect(withInstrument(away, neck).licks?.[0]!.instrument).toBeNull();
    expect(licks.sameNeck(neck, { ...neck, name: 'Other', scaleLengthMm: 700 })).toBe(true);
  });
});

describe('notes of a lick', () => {
  const line = [n(6, 2), n(6, 5, { join: 'hammer' }), n(5, 4)];
  it('enter after the caret, and go from it', () => {
    expect(lines.insertNote(line, 0, n(6, 4))).toMatchObject({ caret: 1, notes: { length: 4 } });
    expect(lines.insertNote([], -1, n(6, 4))).toMatchObject({ caret: 0 });
    expect(lines.removeNote(line, 1)).toMatchObject({ caret: 0, notes: { length: 2 } });
    expect(lines.removeNote([n(6, 2)], 0)).toEqual({ caret: -1, notes: [] });
  });
  it('get longer and shorter, dotted and in threes, and back', () => {
    expect([stepLength(240, 1), stepLength(240, -1), stepLength(1920, 1)]).toEqual([480, 120, 1920]);
    expect([toggleDot(480), toggleDot(720), toggleTriplet(240), toggleTriplet(160)]).toEqual([720, 480, 160, 240]);
    expect(lines.setTicksOf(line, 1, 2, TICKS).map((x) => x.ticks)).toEqual(line.map((x, k) => (k === 1 || k === 2 ? 480 : x.ticks)));
  });
  it('are joined, muted, bent, and plain again', () => {
    expect(lines.toggleJoin(line, 1, 'hammer').notes[1]!.join).toBeUndefined();
    expect(lines.toggleJoin(line, 2, 'slide').notes[2]!.join).toBe('slide');
    expect(lines.toggleMuted(lines.toggleMuted(line, 0).notes, 0).notes).toEqual(line);
    const bent = [1, 2, 3, 0].reduce<[LickNote[], number[]]>(([notes, seen]) => { const next = lines.turnBend(notes, 0).notes; return [next, [...seen, next[0]!.bend ?? 0]]; }, [line, []]); // prettier-ignore
    expect(bent[1]).toEqual([1, 2, 3, 0]);
    expect(lines.makeRest(line, 1).notes[1]).toEqual({ place: null, ticks: 240 });
  });
  it('move by fret and to another string of the same pitch; what is tied comes along', () => {
    const tied = [n(6, 5), n(6, 5, { join: 'tie' }), n(6, 7)];
    expect(lines.moveFret(neck, tied, 1, 2)?.notes.map((x) => x.place?.fret)).toEqual([7, 7, 7]);
    expect(lines.moveString(neck, tied, 0, -1)?.notes.slice(0, 2).map((x) => x.place)).toEqual([{ string: 5, fret: 0 }, { string: 5, fret: 0 }]); // prettier-ignore
    expect(lines.moveString(neck, tied, 0, 1)).toBeNull();
    expect(lines.moveFret(neck, [n(6, 0)], 0, -1)).toBeNull();
  });
  it('a change lets go of joins that no longer hold', () => {
    const edit = lines.changeLick(withLicks(lick('a', line)), 'a', { notes: [n(5, 2), line[1]!] });
    expect(edit.licks?.[0]!.notes[1]!.join).toBeUndefined();
  });
  it('take other pitches on their string where they can', () => {
    const moved = lines.withPitches(neck, line, [43, 46, 50], { school: 'finger-per-fret', hand: { size: 'medium' } });
    expect(moved.map((x) => x.place)).toEqual([{ string: 6, fret: 3 }, { string: 6, fret: 6 }, { string: 5, fret: 5 }]); // prettier-ignore
    expect(moved[1]!.join).toBe('hammer');
    const low = lines.withPitches(neck, [n(6, 2)], [64], { school: 'finger-per-fret', hand: { size: 'medium' } });
    expect(midiOf(neck.strings[(low[0]!.place?.string ?? 1) - 1]!.open) + (low[0]!.place?.fret ?? 0)).toBe(64);
  });
});
