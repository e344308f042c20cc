import fc from 'fast-check';
import { anyScale } from '../../tests/support/random';
import {
  alterDegree,
  bestTonic,
  brightnessOrder,
  checkDegrees,
  compareScales,
  degreesOf,
  easierTonic,
  findScale,
  isScale,
  listScales,
  nameScale,
  nearestScale,
  parentOf,
  relatedModes,
  scaleNotes,
  scaleSteps,
  scaleTitle,
  semitonesOf,
  skeletonOf,
  toggleSound,
} from './index';

const names = (tonic: string, scale: string): string => scaleNotes({ tonic, scale }).map((n) => n.name).join(' '); // prettier-ignore

describe('spelling', () => {
  it.each([
    ['F#', 'dorian', 'F# G# A B C# D# E'],
    ['Bb', 'mixolydian', 'Bb C D Eb F G Ab'],
    ['C#', 'phrygian dominant', 'C# D E# F# G# A B'],
    ['Eb', 'lydian', 'Eb F G A Bb C D'],
    ['G#', 'ionian', 'G# A# B# C# D# E# F##'],
    ['Cb', 'locrian', 'Cb Dbb Ebb Fb Gbb Abb Bbb'],
    ['A', 'minor blues', 'A C D Eb E G'],
    ['B#', 'lydian', 'B# C## D## E## F## G## A##'],
  ])('writes %s %s as %s', (tonic, scale, expected) => {
    expect(names(tonic, scale)).toBe(expected);
  });

  it('uses each letter once for every seven-note scale of one note a letter', () => {
    const tonics = ['C', 'G', 'D', 'A', 'E', 'B', 'F#', 'C#', 'G#', 'F', 'Bb', 'Eb', 'Ab', 'Db', 'Gb', 'Cb'];
    for (const s of listScales().filter((x) => x.degrees.length === 7))
      for (const tonic of tonics) expect(new Set(scaleNotes({ tonic, scale: s.id }).map((n) => n.name[0])).size).toBe(7);
  });

  it('offers the tonic that writes the same notes with fewer accidentals', () => {
    expect(easierTonic({ tonic: 'G#', scale: 'ionian' })).toBe('Ab');
    expect(easierTonic({ tonic: 'F#', scale: 'dorian' })).toBeNull();
    expect(bestTonic(1, 'phrygian dominant')).toBe('C#');
  });

  it.each(['H', 'c', 'F###', '', 'Fx', 'C4', null])('refuses the tonic %p and says what a tonic is', (tonic) => {
    expect(() => scaleNotes({ tonic: tonic as string, scale: 'dorian' })).toThrow(
      expect.objectContaining({ code: 'BAD_NOTE', field: 'tonic' }) as Error,
    );
  });
});

describe('catalogue', () => {
  it('steps sum to twelve frets in every scale', () => {
    const frets = (step: string): number => [...step].reduce((sum, c) => sum + (c === 'W' ? 2 : 1), 0);
    for (const s of listScales()) expect(s.steps.reduce((sum, step) => sum + frets(step), 0)).toBe(12);
  });

  it('writes the major scale W W H W W W H and the harmonic minor with one WH', () => {
    expect(scaleSteps('major').join(' ')).toBe('W W H W W W H');
    expect(scaleSteps('harmonic minor').join(' ')).toBe('W H W W H WH H');
  });

  it('holds no two scales that sound the same and no name twice', () => {
    const all = listScales();
    expect(new Set(all.map((s) => s.degrees.map(semitonesOf).join())).size).toBe(all.length);
    expect(new Set(all.map((s) => s.id)).size).toBe(all.length);
  });

  it('gives the caller a copy', () => {
    listScales()[0]!.degrees.push('b9');
    expect(listScales()[0]!.degrees).toHaveLength(7);
  });

  it.each([
    ['major', 'ionian'],
    ['Natural Minor', 'aeolian'],
    ['minor-pentatonic', 'minor pentatonic'],
    ['Lydian b7', 'lydian dominant'],
    ['Lydian ♭7', 'lydian dominant'],
  ])('finds %s', (name, id) => {
    expect(findScale(name)?.id).toBe(id);
  });
});

describe('scales of one’s own', () => {
  it('are ordered, and named where the sounds have a name', () => {
    expect(checkDegrees(['5', '1', 'b3'])).toEqual(['1', 'b3', '5']);
    expect(degreesOf('1 b3 4 5 b7')).toEqual(['1', 'b3', '4', '5', 'b7']);
    expect(nameScale(['1', '2', '3', '#4', '5', '6', 'b7'])).toEqual({
      id: 'lydian dominant',
      name: 'Lydian ♭7',
      parent: 'melodic minor',
      mode: 4,
    });
    expect(nameScale(['1', 'b2', '3'])).toBeNull();
    expect(scaleTitle(['1', 'b2', '3'])).toBe('1 b2 3');
    expect(scaleTitle('from elsewhere')).toBe('from elsewhere');
    expect(isScale('from elsewhere')).toBe(false);
  });

  it.each([
    [['1'], 'BAD_SCALE', 'a scale has 2 to 12 degrees; this one has 1'],
    [['1', 'b3', '#2'], 'BAD_SCALE', 'are the same fret'],
    [['2', '3'], 'BAD_SCALE', 'needs its root'],
    [['1', '9'], 'BAD_DEGREE', '"9" is not a degree'],
    ['klingon', 'UNKNOWN_SCALE', 'there is no scale called "klingon"'],
    [7, 'UNKNOWN_SCALE', 'name a scale'],
  ])('refuse %p', (scale, code, words) => {
    expect(() => degreesOf(scale as string[])).toThrow(
      expect.objectContaining({ code, message: expect.stringContaining(words) as string }) as Error,
    );
  });
});

describe('relations', () => {
  it('chains the modes up from any of them', () => {
    const chain = relatedModes({ tonic: 'F#', scale: 'dorian' });
    expect(chain.slice(0, 3)).toEqual([
      { tonic: 'F#', scale: 'dorian', degreeOfParent: 2 },
      { tonic: 'G#', scale: 'phrygian', degreeOfParent: 3 },
      { tonic: 'A', scale: 'lydian', degreeOfParent: 4 },
    ]);
    expect(chain[6]).toEqual({ tonic: 'E', scale: 'ionian', degreeOfParent: 1 });
  });

  it('keeps the same notes in every related mode, for any scale', () => {
    fc.assert(
      fc.property(anyScale, (ref) => {
        const sounds = (r: { tonic: string; scale: string | string[] }): string => [...new Set(scaleNotes(r).map((n) => (n.semitones + tonicSound(r.tonic)) % 12))].sort((a, b) => a - b).join(); // prettier-ignore
        for (const m of relatedModes(ref)) expect(sounds(m)).toBe(sounds(ref));
      }),
      { numRuns: 60 },
    );
  });

  it('knows the parent', () => {
    expect(parentOf({ tonic: 'F#', scale: 'dorian' })).toEqual({ ref: { tonic: 'E', scale: 'ionian' }, mode: 2 });
    expect(parentOf({ tonic: 'C#', scale: 'phrygian dominant' })).toEqual({ ref: { tonic: 'F#', scale: 'harmonic minor' }, mode: 5 });
    expect(parentOf({ tonic: 'C', scale: 'whole tone' })).toBeNull();
  });

  it('orders the modes by brightness, neighbours one note apart', () => {
    const order = brightnessOrder('D');
    expect(order.map((r) => r.scale)).toEqual(['lydian', 'ionian', 'mixolydian', 'dorian', 'aeolian', 'phrygian', 'locrian']);
    for (let k = 1; k < 7; k++) expect(compareScales(order[k - 1]!, order[k]!)).toMatchObject({ changed: [{}], added: [], dropped: [] });
  });

  it('says what changes between two scales on one tonic', () => {
    // Common practice, no published source: modes on one tonic differ letter by letter.
    expect(compareScales({ tonic: 'C', scale: 'lydian' }, { tonic: 'C', scale: 'locrian' })).toMatchObject({
      changed: [
        { from: '2', to: 'b2' },
        { from: '3', to: 'b3' },
        { from: '#4', to: '4' },
        { from: '5', to: 'b5' },
        { from: '6', to: 'b6' },
        { from: '7', to: 'b7' },
      ],
      added: [],
      dropped: [],
    });
    const c = compareScales({ tonic: 'A', scale: 'dorian' }, { tonic: 'A', scale: 'mixolydian' });
    expect(c).toEqual({ kept: ['A', 'B', 'D', 'E', 'F#', 'G'], changed: [{ from: 'b3', to: '3' }], added: [], dropped: [] });
    expect(compareScales({ tonic: 'A', scale: 'minor pentatonic' }, { tonic: 'A', scale: 'aeolian' })).toMatchObject({
      changed: [],
      added: ['2', 'b6'],
      dropped: [],
    });
    expect(compareScales({ tonic: 'C', scale: 'ionian' }, { tonic: 'A', scale: 'aeolian' }).kept).toHaveLength(7);
  });

  it('alters one degree and names the result', () => {
    expect(alterDegree({ tonic: 'A', scale: 'dorian' }, 'b3', 1)).toEqual({ tonic: 'A', scale: 'mixolydian', named: 'Mixolydian' });
    expect(alterDegree({ tonic: 'A', scale: 'mixolydian' }, '4', 1)).toEqual({ tonic: 'A', scale: 'lydian dominant', named: 'Lydian ♭7' });
    expect(alterDegree({ tonic: 'A', scale: 'minor pentatonic' }, '4', 1)).toEqual({
      tonic: 'A',
      scale: ['1', 'b3', '#4', '5', 'b7'],
      named: null,
    });
  });

  it.each([
    ['1', 1, 'the root stays'],
    ['7', 1, 'this scale has no 7'],
    ['2', 1, 'b3 stands on that fret already'],
    ['b7', 2, 'moves by 1 or -1'],
  ])('refuses to move %s by %d', (degree, by, words) => {
    expect(() => alterDegree({ tonic: 'A', scale: 'dorian' }, degree, by as 1)).toThrow(words);
  });

  it('adds and drops a sound, and comes back', () => {
    const added = toggleSound({ tonic: 'A', scale: 'minor pentatonic' }, 6);
    expect(added).toEqual({ tonic: 'A', scale: 'minor blues', named: 'minor blues' });
    expect(toggleSound(added, 6).scale).toBe('minor pentatonic');
    expect(() => toggleSound({ tonic: 'A', scale: ['1', '5'] }, 7)).toThrow('2 to 12');
  });

  it('describes a scale without a name by its nearest', () => {
    expect(nearestScale(['1', '2', 'b3', '4', '5', 'b6', 'bb7'])).toMatchObject({ id: 'aeolian', changed: [{ from: 'b7', to: 'bb7' }] });
  });
});

describe('skeletons', () => {
  it.each([
    ['dorian', '1 b3 4 5 b7'],
    ['mixolydian', '1 2 3 5 6'],
    ['lydian', '1 2 3 5 6'],
    ['locrian', '1 b3 4 b5 b7'],
    ['harmonic minor', '1 b3 4 5 7'],
    ['lydian #2', '1 #2 3 5 6'],
    ['minor blues', '1 b3 4 5 b7'],
    ['major blues', '1 2 3 5 6'],
    ['hirajoshi', '1 2 b3 5 b6'],
  ])('of %s is %s', (scale, expected) => {
    expect(skeletonOf(scale)?.join(' ')).toBe(expected);
  });
});

const TONIC_SOUNDS: Record<string, number> = { C: 0, D: 2, E: 4, F: 5, G: 7, A: 9, B: 11 };
const tonicSound = (name: string): number =>
  TONIC_SOUNDS[name[0]!]! + (name.match(/#/g)?.length ?? 0) - (name.slice(1).match(/b/g)?.length ?? 0) + 12;
