import fc from 'fast-check';
import { everyGrip, leastHold, type Neck } from '../../tests/support/grips';
import { parseTuning } from '../instrument';
import type { Instrument, Place } from '../types';
import { CoreError, gripsInShape, gripsOf, gripTravel, holdGrip, layOut, leadVoices, midiOf, moveGrip, nameGrip, parseChord, parseGrip, pitchAt, type Grip } from '../index'; // prettier-ignore

const neckOf = (open: string[], frets: number, scaleLengthMm = 648): Instrument => ({ name: 'test', strings: open.map((o) => ({ open: o })), frets, scaleLengthMm }); // prettier-ignore
const STANDARD = neckOf(['E4', 'B3', 'G3', 'D3', 'A2', 'E2'], 22);
const UKULELE = neckOf(['A4', 'E4', 'C4', 'G4'], 12, 345);
const twinOf = (i: Instrument, spanMm = 120): Neck => ({ open: i.strings.map((s) => midiOf(s.open)), frets: i.frets, lengthMm: i.scaleLengthMm, spanMm }); // prettier-ignore
const written = (i: Instrument, places: readonly Place[]): string => {
  const signs = i.strings.map((_, k) => places.find((p) => p.string === i.strings.length - k)?.fret ?? 'x');
  return signs.join(signs.some((s) => Number(s) > 9) ? '-' : '');
};
const texts = (i: Instrument, grips: readonly Grip[]): string[] => grips.map((g) => written(i, g.places));
const keyed = (i: Instrument, grips: readonly Grip[]): Map<string, number> =>
  new Map(grips.map((g) => [i.strings.map((_, k) => g.places.find((p) => p.string === i.strings.length - k)?.fret ?? -1).join(' '), g.costMm])); // prettier-ignore

describe('every grip of a chord', () => {
  const CHORDS: [string, number[], number[]][] = [
    ['C', [0, 4, 7], []],
    ['Am7', [9, 0, 4, 7], [4]],
    ['F#dim7', [6, 9, 0, 3], []],
    ['Gsus4', [7, 0, 2], []],
    ['D9', [2, 6, 9, 0, 4], [9]],
  ];
  const NECKS: [string, Instrument][] = [
    ['four strings in fourths', neckOf(['G3', 'D3', 'A2', 'E2'], 7)],
    ['re-entrant, short', { ...UKULELE, frets: 7 }],
    ['five strings, an open tuning', neckOf(['D4', 'B3', 'G3', 'D3', 'G2'], 6)],
    ['major thirds', neckOf(['E4', 'C4', 'Ab3', 'E3'], 8)],
  ];
  for (const [what, i] of NECKS)
    it.each(CHORDS)(`${what}: %s is what the twin finds, each at its cost`, (symbol, chromas, optional) => {
      const twin = everyGrip(twinOf(i), { tones: chromas.map((chroma) => ({ chroma, optional: optional.includes(chroma) })) });
      let ours: Map<string, number>;
      try {
        ours = keyed(i, gripsOf(i, symbol));
      } catch {
        ours = new Map();
      }
      expect([...ours.keys()].sort()).toEqual([...twin.keys()].sort());
      for (const [frets, cost] of twin) expect([frets, Math.abs((ours.get(frets) ?? NaN) - cost) < 0.02]).toEqual([frets, true]);
    });

  it('random tunings too: 40 runs of four strings', () => {
    const open = fc.array(fc.integer({ min: 40, max: 64 }), { minLength: 4, maxLength: 4 });
    fc.assert(
      fc.property(open, (midis) => {
        const i = neckOf(midis.map((m) => `${['C', 'C#', 'D', 'D#', 'E', 'F', 'F#', 'G', 'G#', 'A', 'A#', 'B'][m % 12]}${Math.floor(m / 12) - 1}`), 5); // prettier-ignore
        const twin = everyGrip(twinOf(i), { tones: [0, 4, 7, 11].map((chroma) => ({ chroma, optional: chroma === 7 })) });
        let ours = new Map<string, number>();
        try {
          ours = keyed(i, gripsOf(i, 'Cmaj7'));
        } catch (e) {
          expect((e as CoreError).code).toBe('NO_SHAPE_FITS');
        }
        expect([...ours.keys()].sort()).toEqual([...twin.keys()].sort());
      }),
      { numRuns: 40, seed: 13 },
    );
  });

  it('in rising cost, one entry a set of places, the best few the same as the beginning of all', () => {
    const all = gripsOf(STANDARD, 'G7');
    expect(all.every((g, k) => k === 0 || g.costMm >= all[k - 1]!.costMm)).toBe(true);
    expect(new Set(texts(STANDARD, all)).size).toBe(all.length);
    expect(gripsOf(STANDARD, 'G7', { count: 5 })).toEqual(all.slice(0, 5));
  });

  // What players take first: common practice, no published source.
  it.each([
    ['C', 'x32010'], ['G', '320003'], ['D', 'xx0232'], ['A', 'x02220'], ['E', '022100'], ['Am', 'x02210'], ['Em', '022000'], ['Dm', 'xx0231'],
    ['F', '133211'], ['F', 'xx3211'], ['Bm', 'x24432'], ['F#m', '244222'], ['B7', 'x21202'], ['A7', 'x02020'], ['D7', 'xx0212'], ['G7', '320001'],
    ['E7', '020100'], ['C7', 'x32310'], ['Cmaj7', 'x32000'], ['Am7', 'x02010'], ['Bm7', 'x20202'], ['C9', 'x32333'], ['Bb', 'x13331'],
  ])('%s: %s is among the first twelve', (symbol, grip) => {
    expect(texts(STANDARD, gripsOf(STANDARD, symbol, { count: 12 }))).toContain(grip);
  }); // prettier-ignore

  it('says how it is held: fingers, barre, damped strings, inversion, tones left out', () => {
    const f = gripsOf(STANDARD, 'F').find((g) => written(STANDARD, g.places) === '133211');
    expect(f).toMatchObject({ fingers: [1, 3, 4, 2, 1, 1], barre: { finger: 1, fret: 1, strings: [6, 5, 4, 3, 2, 1] }, muted: [], inversion: 0, omitted: [] }); // prettier-ignore
    const c7 = gripsOf(STANDARD, 'C7').find((g) => written(STANDARD, g.places) === 'x32310');
    expect(c7).toMatchObject({ fingers: [3, 2, 4, 1, 0], muted: [6], inversion: 0, omitted: ['5'] });
    expect(gripsOf(STANDARD, 'C/E')[0]).toMatchObject({ inversion: 1 });
  });

  it('keeps to frets, strings, and what is asked of the voicing', () => {
    const high = gripsOf(STANDARD, 'Dm7', { fromFret: 8, toFret: 13, strings: [1, 2, 3, 4] });
    expect(high.every((g) => g.places.every((p) => p.fret >= 8 && p.fret <= 13 && p.string <= 4))).toBe(true);
    const plain = gripsOf(STANDARD, 'Dm7', { omit: false, double: false, invert: false, open: false, skip: false });
    expect(plain.every((g) => g.places.length === 4 && g.inversion === 0 && !g.omitted.length && g.places.every((p) => p.fret > 0))).toBe(true); // prettier-ignore
    expect(gripsOf(STANDARD, 'Dm7', { near: 10, count: 3 }).every((g) => Math.min(...g.places.map((p) => p.fret)) >= 8)).toBe(true);
    const box = layOut(STANDARD, { tonic: 'D', scale: 'minor pentatonic' }, { kind: 'box' }).find((s) => s.lowFret === 5);
    if (!box) throw new Error('no box at fret 5');
    const own = new Set(box.notes.map((n) => `${n.string}/${n.fret}`));
    expect(gripsInShape(STANDARD, box, 'Dm').every((g) => g.places.every((p) => own.has(`${p.string}/${p.fret}`)))).toBe(true);
  });

  it('a smaller hand holds less, and a capo is a nut', () => {
    const [small, large] = (['small', 'large'] as const).map((size) => gripsOf(STANDARD, 'Cmaj9', { hand: { size } }).length);
    expect(small).toBeLessThan(large!);
    const capo = gripsOf({ ...STANDARD, capo: 2 }, 'D', { count: 1 })[0]!;
    expect(written(STANDARD, capo.places)).toBe('x54232');
    expect(capo.fingers).toEqual([3, 2, 0, 1, 0]);
  });

  it('twelve strings, a bass, one string: found or said why not', () => {
    const twelve = neckOf([...STANDARD.strings, ...STANDARD.strings].map((s) => s.open), 12); // prettier-ignore
    expect(gripsOf(twelve, 'G', { count: 3, toFret: 4 })).toHaveLength(3);
    expect(gripsOf(neckOf(parseTuning('E A D G').reverse(), 20, 864), 'Em7', { count: 1 })).toHaveLength(1);
    expect(() => gripsOf(neckOf(['E2'], 12), 'C')).toThrow('C needs 3 strings; there is 1');
    expect(() => gripsOf(STANDARD, 'Qm7')).toThrow('no note');
    expect(() => gripsOf(STANDARD, 'C', { count: 0 })).toThrow('count');
  });
});

describe('a hand on a grip', () => {
  it('costs what the twin says, on random places', () => {
    const fret = fc.integer({ min: -1, max: 7 });
    const twin = twinOf(STANDARD);
    fc.assert(
      fc.property(fc.array(fret, { minLength: 5, maxLength: 5 }), (some) => {
        const frets = [...some, -1];
        const places = frets.flatMap((f, k) => (f < 0 ? [] : [{ string: k + 1, fret: f }])).reverse();
        const held = holdGrip(STANDARD, places);
        const least = leastHold(twin, frets);
        if (least === null) expect(held).toHaveProperty('why');
        else expect('costMm' in held && Math.abs(held.costMm - least) < 1e-9).toBe(true);
      }),
      { numRuns: 400, seed: 5 },
    );
  });
  it('a finger a fret is had on any neck, a bass near the nut too', () => {
    const bass = neckOf(['G2', 'D2', 'A1', 'E1'], 20, 864);
    expect(holdGrip(bass, parseGrip('1234', bass))).toMatchObject({ fingers: [1, 2, 3, 4] });
    expect(holdGrip(bass, parseGrip('1xx5', bass))).toHaveProperty('why');
  });
  it('says why no hand holds it', () => {
    expect(holdGrip(STANDARD, parseGrip('012345', STANDARD))).toEqual({ why: 'it needs 5 fingers; a hand has four' });
    expect(holdGrip(STANDARD, parseGrip('1xxxx7', STANDARD))).toHaveProperty('why', expect.stringContaining('from fret 1 to fret 7 it is 179 mm wide')); // prettier-ignore
    expect(() => holdGrip(STANDARD, [{ string: 1, fret: 40 }])).toThrow(CoreError);
  });
});

describe('the name of a grip', () => {
  const home = { tonic: 'D', scale: 'dorian' };
  it.each([
    ['x57765', 'Dm'], ['x57565', 'Dm7'], ['x32010', 'C'], ['032010', 'C/E'], ['xx0232', 'D'], ['x02210', 'Am'], ['320001', 'G7'], ['x32000', 'Cmaj7'],
    ['x0222x', 'A'], ['xx2323', 'Edim7'], ['x32333', 'C9'], ['x7675x', 'E7'], ['133211', 'F'], ['x22100', 'E/B'], ['5x555x', 'Am7'],
  ])('%s is %s', (text, symbol) => {
    const [first] = nameGrip(STANDARD, parseGrip(text, STANDARD), { home });
    expect(first!.symbol).toBe(symbol);
  }); // prettier-ignore
  it('gives the degree of each string and what is left out, and spells by the key', () => {
    expect(nameGrip(STANDARD, parseGrip('x7675x', STANDARD), { home })[0]).toEqual({ symbol: 'E7', bass: 'E', omitted: ['5'], degrees: ['1', '3', 'b7', '1'] }); // prettier-ignore
    const sharp = nameGrip(STANDARD, parseGrip('x46664', STANDARD), { home: { tonic: 'F#', scale: 'ionian' } })[0]!;
    const flat = nameGrip(STANDARD, parseGrip('x46664', STANDARD), { home: { tonic: 'Ab', scale: 'ionian' } })[0]!;
    expect([sharp.symbol, flat.symbol]).toEqual(['C#', 'Db']);
  });
  it('what fits no kind is named by its degrees; a single note too; and every name can be read', () => {
    expect(nameGrip(STANDARD, parseGrip('xx5454', STANDARD), { home })[0]!.symbol).toBe('G(1,b2,3,6)');
    expect(nameGrip(STANDARD, parseGrip('x3xxxx', STANDARD), { home })[0]!.symbol).toBe('C(1)');
    expect(() => nameGrip(STANDARD, [])).toThrow('No string sounds');
  });
  it('by brute force: every reading that leaves nothing out but its fifth or root holds exactly those notes', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: -1, max: 12 }), { minLength: 6, maxLength: 6 }), (frets) => {
        const places = frets.flatMap((f, k) => (f < 0 ? [] : [{ string: k + 1, fret: f }]));
        if (!places.length) return;
        const sounds = new Set(places.map((p) => pitchAt(STANDARD, p).midi % 12));
        for (const r of nameGrip(STANDARD, places)) {
          const named = new Set(gripSounds(r.symbol, r.omitted));
          expect([...named].sort()).toEqual([...sounds].sort());
        }
      }),
      { numRuns: 150, seed: 9 },
    );
  });
});

describe('moving', () => {
  it('D minor at fret 5: to the upper region, to other strings, to its inversions', () => {
    const moves = moveGrip(STANDARD, 'Dm', parseGrip('x57765', STANDARD));
    expect(texts(STANDARD, moves.region)[0]).toBe('x-17-19-19-18-17');
    expect(moves.region.every((g) => Math.max(...g.places.map((p) => p.fret)) > 7)).toBe(true);
    expect(texts(STANDARD, moves.strings)).toContain('10-12-12-10-10-x');
    expect(texts(STANDARD, moves.inversions)).toEqual(['x-8-12-10-10-10', 'x03231']);
    const close = moveGrip(STANDARD, 'Dm', parseGrip('xxx765', STANDARD));
    expect(texts(STANDARD, close.inversions)).toEqual(['x-x-x-10-10-10', 'x-x-x-14-15-13']);
    expect(texts(STANDARD, close.strings)).toEqual(expect.arrayContaining(['x-x-12-10-10-x', '10-8-7-x-x-x']));
  });

  it('voice leading is the least of all successions, common tones and fingers counted', () => {
    const i = neckOf(['E4', 'B3', 'G3', 'D3'], 7);
    const symbols = ['Dm7', 'G7', 'Cmaj7'];
    const layers = symbols.map((s) => gripsOf(i, s, { fromFret: 2 }).filter((g) => g.places.length === 4));
    const legs = (a: Grip, b: Grip): number => gripTravel(i, a.places, b.places);
    const all: number[] = [];
    for (const a of layers[0]!) for (const b of layers[1]!) for (const c of layers[2]!) all.push(legs(a, b) + legs(b, c));
    all.sort((x, y) => x - y);
    const ways = leadVoices(i, symbols, { fromFret: 2, strings: [1, 2, 3, 4], count: 5, among: 5000 });
    expect(ways.map((w) => w.travelMm)).toEqual(all.slice(0, 5).map((x) => Math.round(x * 100) / 100));
    for (const w of ways)
      expect(Math.round((legs(w.grips[0]!, w.grips[1]!) + legs(w.grips[1]!, w.grips[2]!)) * 100) / 100).toBe(w.travelMm);
  });
  it('what stays costs nothing; a finger that goes two frets pays its millimetres; a tone let go pays ten', () => {
    const grip = parseGrip('x32010', STANDARD);
    expect(gripTravel(STANDARD, grip, grip)).toBe(0);
    const up = gripTravel(STANDARD, parseGrip('xxx5xx', STANDARD), parseGrip('xxx7xx', STANDARD));
    expect(up).toBeCloseTo(648 * (2 ** (-5 / 12) - 2 ** (-7 / 12)), 9);
    expect(gripTravel(STANDARD, parseGrip('xxx5xx', STANDARD), parseGrip('xxxx1x', STANDARD))).toBeCloseTo(648 * (2 ** (-1 / 12) - 2 ** (-5 / 12)) + 9 + 10, 9); // prettier-ignore
  });
  it('begins from a grip, keeps its number of strings, and says where it cannot', () => {
    const [way] = leadVoices(STANDARD, ['Dm7', 'G7'], { from: parseGrip('x57565', STANDARD), fromFret: 3, toFret: 8 });
    expect(way!.grips.every((g) => g.places.length === 5)).toBe(true);
    expect(written(STANDARD, way!.grips[0]!.places)).toBe('x57565');
    expect(() => leadVoices(STANDARD, ['C'], { strings: [1, 2] })).toThrow('needs 3 strings');
    expect(() => leadVoices(STANDARD, [])).toThrow('at least one chord');
  });
});

/** Pitch classes of a symbol but for the degrees left out. */
function gripSounds(symbol: string, omitted: readonly string[]): number[] {
  const { root, tones } = parseChord(symbol);
  return tones.filter((t) => !omitted.includes(t.degree)).map((t) => (t.semitones + midiOf(`${root}4`)) % 12);
}
