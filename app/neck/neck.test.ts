import { DEMO } from '../../demo';
import { layOut, neckNotes, type Instrument } from '../../core';
import { fretX, lanesOf, neckGeometry, stringY, wireX } from './geometry';
import { builtStrings, marksOf } from './marks';

const g = neckGeometry({ width: 900, frets: 22, strings: 6 });

describe('geometry', () => {
  it('puts frets in order, closer towards the body', () => {
    const wires = Array.from({ length: 23 }, (_, f) => wireX(g, f));
    const gaps = wires.slice(1).map((x, k) => x - wires[k]!);
    expect(gaps.every((gap, k) => k === 0 || gap < gaps[k - 1]!)).toBe(true);
    expect([wires[0], wires[22]]).toEqual([g.left, g.right]);
  });
  it('marks a fret between its wires, an open string behind the nut', () => {
    for (let f = 1; f <= 22; f++) expect(fretX(g, f)).toBeGreaterThan(wireX(g, f - 1));
    expect(fretX(g, 0)).toBeLessThan(g.left);
    expect(stringY(g, 2) - stringY(g, 1)).toBe(g.gap);
  });
  it('mirrors for the left hand', () => {
    const left = neckGeometry({ width: 900, frets: 22, strings: 6, mirrored: true });
    for (const f of [0, 3, 22]) expect(fretX(left, f)).toBeCloseTo(900 - fretX(g, f), 9);
  });
  it('keeps spans of one lane apart', () => {
    expect(lanesOf([{ from: 0, to: 5 }, { from: 4, to: 8 }, { from: 5, to: 9 }, { from: 6, to: 7 }])).toEqual([0, 1, 0, 2]); // prettier-ignore
  });
  it('needs no more lanes from right to left than from left to right', () => {
    const spans = [{ from: 30, to: 39 }, { from: 20, to: 29 }, { from: 10, to: 19 }, { from: 15, to: 25 }]; // prettier-ignore
    expect(lanesOf(spans)).toEqual([0, 0, 0, 1]);
    expect(lanesOf([...spans].reverse())).toEqual([1, 0, 0, 0]);
  });
});

describe('marks', () => {
  const { instrument, scale, layout } = DEMO.studies[0]!.body;
  const notes = neckNotes(instrument, scale);
  const [box] = layOut(instrument, scale, layout);
  it('number frets from the capo where the player says so', () => {
    const capo = { ...instrument, capo: 3 };
    const [along] = layOut(capo, scale, { kind: 'one-string', string: 6 });
    const text = (on?: Instrument): string | undefined =>
      marksOf(neckNotes(capo, scale), along!, { labels: 'frets', ...(on ? { on } : {}) }).find((m) => m.string === 6 && m.fret === 14)
        ?.text;
    expect([text(), text(capo), text({ ...capo, countFrom: 'capo' })]).toEqual(['14', '14', '11']);
  });
  it('tell root, skeleton, added and far notes apart', () => {
    const marks = marksOf(notes, box!, { labels: 'degrees' });
    const at = (string: number, fret: number) => marks.find((m) => m.string === string && m.fret === fret);
    expect(at(6, 2)).toMatchObject({ look: 'root', text: '1' });
    expect(at(6, 5)).toMatchObject({ look: 'solid', text: 'b3' });
    expect(at(6, 4)).toMatchObject({ look: 'outlined', text: '2' });
    expect(at(6, 14)).toMatchObject({ look: 'root-stud', text: '' });
    expect(at(6, 7)).toMatchObject({ look: 'stud', text: '' });
    expect(marks).toHaveLength(notes.length);
  });
  it.each([
    ['notes', 'F#'],
    ['fingers', '1'],
    ['frets', '2'],
    ['blank', ''],
  ] as const)('say %s', (labels, text) => {
    expect(marksOf(notes, box!, { labels }).find((m) => m.string === 6 && m.fret === 2)?.text).toBe(text);
  });

  it('show what a second scale leaves out and brings in, each new pitch once, beside what it replaces', () => {
    const over = neckNotes(instrument, { tonic: 'F#', scale: 'mixolydian' });
    const marks = marksOf(notes, box!, { labels: 'degrees', over });
    expect(marks.filter((m) => m.look === 'gone').map((m) => [m.string, m.fret])).toEqual([[1, 5], [3, 2], [6, 5]]); // prettier-ignore
    expect(marks.filter((m) => m.look === 'new').map((m) => [m.string, m.fret, m.text])).toEqual([[1, 6, '3'], [3, 3, '3'], [6, 6, '3']]); // prettier-ignore
  });
  it('dim what is not in focus, and build a shape up from its root', () => {
    const roots = marksOf(notes, box!, { labels: 'degrees', focus: ['1'] });
    expect(roots.filter((m) => m.text !== '').map((m) => m.look)).toEqual(['root', 'root', 'root']);
    expect(roots.filter((m) => m.look === 'faint')).toHaveLength(box!.notes.length - 3);
    expect(builtStrings([6, 5, 4, 3, 2, 1], 4, 3)).toEqual([4, 3, 2]);
    expect(builtStrings([6, 5, 4, 3, 2, 1], 4, 5)).toEqual([4, 3, 2, 1, 5]);
    expect(builtStrings([6, 5, 4, 3, 2, 1], 4, null)).toBeNull();
  });
  it('bar chord tones, draw the others smaller, and keep what a look means', () => {
    const chord = [11, 3, 6, 9]; // B7: B D♯ F♯ A
    const [shape] = layOut(instrument, scale, layout, { chord });
    const marks = marksOf(neckNotes(instrument, scale, { chord }), shape!, { labels: 'degrees', chord: new Set(chord), twin: 'b3' });
    const at = (string: number, fret: number) => marks.find((m) => m.string === string && m.fret === fret);
    expect(at(6, 2)).toMatchObject({ look: 'root', bar: true });
    expect(at(6, 4)).toMatchObject({ look: 'outlined', aside: true });
    expect(at(5, 2)).toMatchObject({ look: 'solid', bar: true });
    expect(at(6, 5)).toMatchObject({ look: 'twin-root', bar: true });
  });
});
