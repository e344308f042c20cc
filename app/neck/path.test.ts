import { DEMO } from '../../demo';
import { connect, fingerNotes, ladder, neckNotes, type FingeredStep } from '../../core';
import { fretX, neckGeometry, stringY } from './geometry';
import { handSpans, pathLine, pathMarks, seamMarks, shiftsAt } from './path';

const { instrument, scale, layout } = DEMO.studies[0]!.body;
const notes = neckNotes(instrument, scale);
const g = neckGeometry({ width: 900, frets: 22, strings: 6 });
const { steps } = connect(instrument, scale, {
  way: 'string-pair',
  layout,
  fromRung: 0,
  toRung: 1,
  strings: [1, 2],
  school: 'finger-per-fret',
});
const at = <T extends { string: number; fret: number }>(all: T[], string: number, fret: number): T | undefined =>
  all.find((m) => m.string === string && m.fret === fret);

describe('a line on the neck', () => {
  it('shows each place once, with every finger it is given', () => {
    const marks = pathMarks(notes, steps, 0);
    const places = new Set(steps.map((s) => `${s.string}/${s.fret}`));
    expect(marks.filter((m) => m.text !== '')).toHaveLength(places.size);
    expect(at(marks, 1, 2)).toMatchObject({ look: 'root', text: '1' });
    expect(at(marks, 1, 4)?.text).toBe('3/1');
    expect(at(marks, 6, 2)).toMatchObject({ look: 'root-stud', text: '' });
    expect(marks).toHaveLength(notes.length);
  });
  it('shows a note that the scale does not have as off it, not as a passing one', () => {
    const off = fingerNotes(instrument, [{ string: 6, fret: 3 }], { school: 'finger-per-fret' });
    expect(at(pathMarks(notes, off, 0), 6, 3)).toMatchObject({ look: 'off' });
  });
  it('goes from note to note', () => {
    const two = steps.slice(0, 2);
    expect(pathLine(g, two)).toBe(`M${fretX(g, two[0]!.fret).toFixed(1)} ${stringY(g, two[0]!.string)}L${fretX(g, two[1]!.fret).toFixed(1)} ${stringY(g, two[1]!.string)}`); // prettier-ignore
    expect(pathLine(g, [])).toBe('');
  });
  it('counts the stays of the hand, those at one fret together', () => {
    const stay = (handFret: number): FingeredStep => ({ string: 1, fret: handFret, finger: 1, handFret, move: 'stay', costMm: 0 });
    const there = [2, 2, 5, 2].map(stay);
    const spans = handSpans(g, instrument, there, () => 0);
    expect(spans.map((h) => [h.fret, h.stays])).toEqual([[2, [1, 3]], [5, [2]]]); // prettier-ignore
    expect(shiftsAt(there)).toEqual([2, 3]);
    expect(spans.every((h) => h.to > h.from)).toBe(true);
    expect(new Set(spans.map((h) => h.lane)).size).toBe(2);
  });
  it('shows both hands of a seam, shared places with both fingers', () => {
    const { rungs, seams } = ladder(instrument, scale, layout);
    const marks = seamMarks(notes, rungs[0]!, rungs[1]!, seams[0]!);
    const shared = seams[0]!.shared.map((s) => s.place);
    expect(marks.filter((m) => m.text.includes('/'))).toHaveLength(shared.length);
    expect(at(marks, 6, 4)).toMatchObject({ look: 'outlined', text: '3/1' });
    expect(at(marks, 6, 4)?.aside).toBeUndefined();
    expect(at(marks, 6, 2)).toMatchObject({ look: 'root', text: '1', aside: true });
    expect(at(marks, 6, 7)).toMatchObject({ look: 'solid', text: '4', aside: true });
  });
});
