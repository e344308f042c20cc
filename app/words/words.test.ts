import { DEMO } from '../../demo';
import { ascii, glyphs, intervalWords, jogWords, layOut, movedKey, stretchWords, type Layout } from '../../core';
import { layoutWords, matchLayouts } from './layout-text';
import { askedScale, matchScales, scaleFacts, scaleName, skeletonWords, splitScaleText, tonicsFor } from './scale-text';
import { cutWords, handWords, neckTitle, needsCare, neighbourFacts, shapeFacts, shapeTitle } from './shape-text';
import { instrumentWords, matchTunings, readTuning, retuned } from './tuning-text';

const { body } = DEMO.studies[0]!;
const here = { tonic: 'A', scale: 'aeolian' };
const first = (text: string): string => {
  const [best] = matchScales(text, here);
  return best ? scaleName(best) : '-';
};

describe('scales as typed', () => {
  it.each([
    ['Bb mixo', 'Bb Mixolydian'],
    ['b♭ mixo', 'Bb Mixolydian'],
    ['f# dor', 'F# Dorian'],
    ['F#dorian', 'F# Dorian'],
    ['f sharp dorian', 'F# Dorian'],
    ['b flat blues', 'Bb minor blues'],
    ['dorian', 'A Dorian'],
    ['d dorian', 'D Dorian'],
    ['e', 'E Ionian'],
    ['c# phry dom', 'C# Phrygian dominant'],
    ['minor', 'A Aeolian'],
    ['g harm min', 'G harmonic minor'],
    ['lydian b7', 'A Lydian ♭7'],
    ['1 b3 4 5 b7', 'A minor pentatonic'],
    ['E 1 b2 3', 'E 1 b2 3'],
    ['E 1 b2 b2', '-'],
    ['moonlit', '-'],
  ])('"%s" finds %s', (text, expected) => {
    expect(first(text)).toBe(expected);
  });
  it('the school’s word comes first, a scale of one’s own by its name', () => {
    expect(askedScale({ tonic: 'C', scale: 'ionian' })).toBe('C major (Ionian)');
    expect(askedScale({ tonic: 'A', scale: 'aeolian' })).toBe('A natural minor (Aeolian)');
    expect(askedScale({ tonic: 'A', scale: 'dorian' })).toBe('A Dorian');
    const own = [{ name: 'grit', degrees: ['1', 'b2', '3', '#4'] }];
    expect(askedScale({ tonic: 'G', scale: ['1', 'b2', '3', '#4'] }, own)).toBe('G grit');
    expect(askedScale({ tonic: 'G', scale: ['1', 'b2', '3', '5'] }, own)).toBe('G 1 b2 3 5');
  });
  it('splits tonic and words', () => {
    expect(splitScaleText('Bbb lydian')).toEqual({ tonic: 'Bbb', words: 'lydian' });
    expect(splitScaleText('bebop')).toEqual({ tonic: null, words: 'bebop' });
  });
  it('moves the key in its easiest spelling', () => {
    expect(movedKey({ tonic: 'F#', scale: 'dorian' }, 1).tonic).toBe('G');
    expect(movedKey({ tonic: 'C', scale: 'ionian' }, -2).tonic).toBe('Bb');
    expect(tonicsFor('ionian')).toHaveLength(12);
  });
  it('says what a scale is made of', () => {
    expect(scaleFacts(body.scale)).toEqual(['F# G# A B C# D# E', 'W H W W W H W', 'mode 2 of E Ionian', 'minor pentatonic + 2 and 6']);
    expect(skeletonWords('minor pentatonic')).toBeNull();
    expect(scaleFacts({ tonic: 'C', scale: 'moonlit' })).toEqual([]);
  });
});

describe('tunings as typed', () => {
  it('finds the named one first, and makes one that has no name', () => {
    expect(matchTunings('D A D G B E', body.instrument)[0]!.name).toBe('drop D');
    expect(matchTunings('D A D G B C', body.instrument)[0]).toEqual({ name: 'as typed', open: ['C4', 'B3', 'G3', 'D3', 'A2', 'D2'] });
    expect(matchTunings('open g', body.instrument).map((t) => t.name)).toEqual(['open G', 'open G minor']);
    expect(matchTunings('E A D G', body.instrument).map((t) => t.name)).toContain('bass, four strings');
    expect(matchTunings('nonsense', body.instrument)).toEqual([]);
    expect(matchTunings('H H H', body.instrument)).toEqual([]);
    expect(matchTunings('', body.instrument)[0]!.open).toHaveLength(6);
    expect(readTuning('E A H')).toMatchObject({ why: expect.stringContaining('"H"') as string });
  });
  it('letters alone mean the usual register of that many strings, whatever was there before', () => {
    const bass = retuned(body.instrument, matchTunings('bass, four', body.instrument)[0]!);
    expect(matchTunings('E A D G B E', bass)[0]).toMatchObject({ name: 'standard', open: ['E4', 'B3', 'G3', 'D3', 'A2', 'E2'] });
    expect(matchTunings('E A D G', body.instrument)[0]).toMatchObject({ open: ['G2', 'D2', 'A1', 'E1'] });
    const low = { ...body.instrument, strings: ['E3', 'B2', 'G2', 'D2', 'A1', 'E1'].map((open) => ({ open })) };
    expect(instrumentWords(low)).toBe('six strings, E1 A1 D2 G2 B2 E3, lower than usual');
    const ukulele = retuned(body.instrument, matchTunings('re-entrant', body.instrument)[0]!);
    expect(instrumentWords(ukulele)).toBe('four strings, G4 C4 E4 A4, higher than usual');
  });
  it('one letter is a name sooner than an instrument of one string', () => {
    expect(matchTunings('A', body.instrument).map((t) => t.name)).toEqual(['open A', 'baritone in A', 'seven strings, drop A', 'as typed']);
  });
  it('keeps gauges where the count of strings stays', () => {
    const [drop] = matchTunings('drop D', body.instrument);
    expect(retuned(body.instrument, drop!).strings[5]).toEqual({ open: 'D2', gaugeMm: 1.168, wound: true });
    const [seven] = matchTunings('seven strings', body.instrument);
    expect(retuned(body.instrument, seven!)).toMatchObject({
      name: 'seven strings',
      strings: [{ open: 'E4' }, {}, {}, {}, {}, {}, { open: 'B1' }],
    });
    expect(instrumentWords({ ...body.instrument, capo: 2 })).toBe('six strings, E A D G B E, capo at 2');
  });
});

describe('layouts in words', () => {
  const start = { instrument: body.instrument, scale: body.scale, root: { string: 6, fret: 2 } };
  it.each<[Layout, string]>([
    [{ kind: 'box' }, 'five boxes'],
    [{ kind: 'per-string', notes: 1 }, 'one note a string'],
    [{ kind: 'one-string', string: 3 }, 'string 3 alone'],
    [{ kind: 'string-set', strings: [5, 3], counts: [3, 3], start: { string: 5, fret: 2 } }, 'strings 5 3, 3 3 notes'],
    [{ kind: 'diagonal', root: { string: 6, fret: 2 } }, 'a diagonal from string 6, fret 2'],
    [{ kind: 'split' }, 'split runs, three notes a string'],
    [{ kind: 'region', fromFret: 0, toFret: 7 }, 'a region, frets 0 to 7'],
    [{ kind: 'anchor', root: { string: 4, fret: 4 }, notes: 3 }, 'three notes a string, grown from string 4, fret 4'],
  ])('%j is %s', (layout, words) => {
    expect(layoutWords(layout)).toBe(words);
  });
  it('finds what is asked for by its name before what only has its words', () => {
    const found = (text: string): string[] => matchLayouts(text, start).map((c) => c.title);
    expect(found('one string')[0]).toBe('one string: string 6');
    expect(found('one string')).toContain('one note a string');
    expect(found('one string 3')[0]).toBe('one string: string 3');
    expect(found('one note')[0]).toBe('one note a string');
    expect(found('string 3 root to root')[0]).toBe('one string, root to root: string 3');
  });
  it('starts what hangs on a root from the place typed after it, where that is a root', () => {
    const roots = [{ string: 2, fret: 10 }, { string: 6, fret: 5 }]; // prettier-ignore
    const first = (text: string): Layout | undefined => matchLayouts(text, start, roots)[0]?.layout;
    expect(first('grown 2 10')).toEqual({ kind: 'anchor', root: { string: 2, fret: 10 }, notes: 3 });
    expect(first('diagonal 6/5')).toEqual({ kind: 'diagonal', root: { string: 6, fret: 5 } });
    expect(first('octaves 6 5')).toEqual({ kind: 'octaves', root: { string: 6, fret: 5 } });
    expect(first('grown 2 11')).toBeUndefined();
  });
  it('finds layouts by part of a word and by number', () => {
    expect(matchLayouts('3 notes', start)[0]!.layout).toEqual({ kind: 'per-string', notes: 3 });
    expect(matchLayouts('major', start)[0]!.layout).toEqual({ kind: 'box', numbering: 'major-root' });
    expect(matchLayouts('diag', start)[0]!.layout).toEqual({ kind: 'diagonal', root: start.root });
    expect(matchLayouts('skip', start)[0]!.layout).toMatchObject({ strings: [6, 4, 2], start: start.root });
    expect(matchLayouts('grown', start)[0]!.layout).toMatchObject({ kind: 'anchor', root: start.root });
    expect(matchLayouts('zigzag', start)).toEqual([]);
  });
});

describe('shapes in words', () => {
  const shapes = layOut(body.instrument, body.scale, body.layout);
  it('a position is named by its root and the finger on it, any other shape as it is', () => {
    const windows = layOut(body.instrument, { tonic: 'A', scale: 'ionian' }, { kind: 'window' });
    const fourth = windows.find((s) => s.number === 4) as (typeof windows)[number];
    expect(shapeTitle(fourth, 'window')).toBe('position 4, root on string 6 under the 2nd finger');
    expect(shapeTitle(windows[0]!, 'window')).toBe('open position, root on string 5, open');
    expect(shapeTitle(shapes[0]!, 'box')).toBe(shapes[0]!.label);
  });
  it('says where a shape is cut, and how many notes it lacks', () => {
    const blues = layOut(body.instrument, { tonic: 'A', scale: 'minor blues' }, { kind: 'box' });
    const cut = blues.filter((s) => s.missing);
    expect(cut.map((s) => cutWords(s, body.instrument))).toContain('at fret 22: two notes missing');
    expect(cutWords(blues.find((s) => !s.missing) as (typeof blues)[number], body.instrument)).toBeNull();
    expect(cutWords({ ...shapes[0]!, missing: 1 }, body.instrument)).toBe('at the nut: one note missing');
    expect(cutWords({ ...shapes[0]!, missing: 1, lowFret: 3 }, { ...body.instrument, capo: 3 })).toBe('at the capo: one note missing');
  });
  it('states frets, hand, roots, reaches and jogs', () => {
    const facts = Object.fromEntries(shapeFacts(shapes[0]!, body.instrument, 'window').map((f) => [f.name, f.words]));
    expect(facts).toEqual({
      Frets: '1 to 5, 126 mm wide',
      Hand: 'first finger at fret 2; at 1 for strings 4, 3',
      Roots: '6/2 ①, 4/4 ④, 1/2 ①',
      Reaches: 'none',
      Jog: 'one fret up from string 2 on: strings 3 and 2 are a major third apart',
    });
  });
  it('states reaches by finger', () => {
    const [, window] = layOut(body.instrument, body.scale, { kind: 'window' });
    expect(stretchWords(window!.stretches)).toBe('little finger to fret 5 on strings 6, 2');
    expect(handWords(layOut(body.instrument, body.scale, { kind: 'window' })[4]!)).toBe('first finger at fret 4');
  });
  it('cautions where a hand must reach, not where a shape is merely long', () => {
    const care = (layout: Layout): boolean[] => layOut(body.instrument, body.scale, layout).map((s) => needsCare(body.instrument, s));
    expect(care({ kind: 'per-string', notes: 3 }).slice(0, 3)).toEqual([false, true, true]);
    expect(care({ kind: 'one-string', string: 6 })).toEqual([false]);
    expect(care({ kind: 'window' }).slice(1, 5)).toEqual([false, true, true, false]);
    expect(care({ kind: 'box' })).toEqual([false, false, false, false, false, false, false, false]);
  });
  it('states the neighbours', () => {
    const seams = [{ shared: [], shiftFrets: 2, shiftMm: 61.6 }];
    expect(neighbourFacts(shapes.slice(0, 2), seams, 0).map((f) => f.words)).toEqual([
      'box 2, frets 4 to 7; no shared places, shift 2 frets (62 mm)',
      'nothing: this is the lowest rung',
      'no copy twelve frets away fits on this neck',
    ]);
  });
  it('counts intervals and jogs either way', () => {
    expect(jogWords({ below: 2, above: 1, semitones: 7, frets: -2 })).toBe(
      'two frets down from string 1 on: strings 2 and 1 are a fifth apart',
    );
    expect(intervalWords(15)).toBe('15 half steps');
    expect(neckTitle(body.instrument, 'F# Dorian', null)).toContain('no shape laid out');
  });
});

describe('signs', () => {
  it.each([
    ['Bb Mixolydian, b7 of F##', 'B♭ Mixolydian, ♭7 of F𝄪'],
    ['#4 and bb7', '♯4 and 𝄫7'],
    ['Dbb', 'D𝄫'],
    ['box 1, about', 'box 1, about'],
    ['C#m7b5', 'C♯m7♭5'],
    ['bIIImaj7: C E G B', '♭IIImaj7: C E G B'],
    ['#iv° and bVII+', '♯iv° and ♭VII+'],
    ['bib, bid, bivalve', 'bib, bid, bivalve'],
  ])('%s reads %s', (text, shown) => {
    expect(glyphs(text)).toBe(shown);
    expect(ascii(shown)).toBe(text);
  });
});
