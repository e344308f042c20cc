import fc from 'fast-check';
import { Note } from 'tonal';
import { all, ground, midi, neck, placesOf, rightTexts, SIX } from '../../tests/support/quiz';
import { ladder, layOut, type Layout } from '../index';
import { canBePlayed, chosenByPlaying, factDue, playedAnswer, QUIZ_KINDS, QUIZ_LEVELS, quizRound, readNames, ROUND, ruleOfKind, type FactAnswer } from './index'; // prettier-ignore

describe('answers by playing', () => {
  const g = ground();
  const [found] = all(g, 'find', 1);
  it('places by their pitches, in any order, none too many; a choice by its first note in any octave', () => {
    const pitches = [...new Set(placesOf(found!).map((p) => midi(g, p)))];
    expect(playedAnswer(found!, SIX, pitches.slice(1))).toBeNull();
    expect(playedAnswer(found!, SIX, [...pitches].reverse())).toBe('right');
    expect(playedAnswer(found!, SIX, [pitches[0]!, pitches[0]! + 1])).toBe('wrong');
    const [named] = all(g, 'name', 1);
    const right = Note.chroma(rightTexts(named!)[0]!);
    expect(canBePlayed(named!)).toBe(true);
    expect(playedAnswer(named!, SIX, [48 + right])).toBe('right');
    expect(chosenByPlaying(named!, [])).toBeNull();
    const [shape] = all(g, 'shape', 1);
    expect([canBePlayed(shape!), playedAnswer(shape!, SIX, [60, 61, 62])]).toEqual([false, null]);
  });
  it('an octave by any place of it; names and lines note by note', () => {
    const [octave] = all(g, 'octave', 1);
    expect(playedAnswer(octave!, SIX, [midi(g, placesOf(octave!)[0]!)])).toBe('right');
    const spelled = all(g, 'spell', 1)[0]!;
    const names = (spelled.answer as { names: string[] }).names.map((n) => 60 + Note.chroma(n));
    expect(playedAnswer(spelled, SIX, names.slice(0, 6))).toBeNull();
    expect(playedAnswer(spelled, SIX, names)).toBe('right');
    expect(playedAnswer(spelled, SIX, [names[1]!])).toBe('wrong');
  });
  it('names are read as they are typed, or not at all', () => {
    expect(readNames('f# G♯ A bb, E♭ Cx')).toEqual(['F#', 'G#', 'A', 'Bb', 'Eb', 'C##']);
    expect([readNames('H'), readNames('F#b'), readNames('')]).toEqual([null, null, []]);
  });
});

describe('a round', () => {
  const DAY = 86_400_000;
  const asked = { kinds: QUIZ_KINDS.filter((k) => k !== 'play'), level: 1 as const, history: [], now: 100 * DAY, seed: 3 };
  it('has twelve questions, no fact twice, of many kinds, no kind twice in a row; the same seed gives the same', () => {
    const round = quizRound(ground(), asked);
    expect(round).toHaveLength(ROUND);
    expect(new Set(round.map((q) => q.fact)).size).toBe(ROUND);
    expect(new Set(round.map((q) => q.kind)).size).toBe(ROUND);
    expect(round.every((q, k) => k === 0 || q.kind !== round[k - 1]!.kind)).toBe(true);
    expect(quizRound(ground(), asked)).toEqual(round);
    expect(quizRound(ground(), { ...asked, seed: 4 })).not.toEqual(round);
  });
  it('asks what was wrong last first, then what is due, before anything new', () => {
    const facts = ruleOfKind('name').facts(ground(), 1);
    const at = (fact: string, right: boolean, ago: number): FactAnswer => ({ fact, kind: 'name', at: 100 * DAY - ago, right, ms: 1500 });
    const history = [at(facts[5]!, true, 90 * DAY), at(facts[7]!, true, DAY / 4), at(facts[9]!, false, DAY / 8)];
    const round = quizRound(ground(), { ...asked, kinds: ['name'], history, count: 2 });
    expect(new Set(round.map((q) => q.fact))).toEqual(new Set([facts[9], facts[5]]));
    // What is known and not due comes last of all.
    const whole = quizRound(ground(), { ...asked, kinds: ['name'], history, count: facts.length - 1 });
    expect(whole.map((q) => q.fact)).not.toContain(facts[7]);
  });
  it('a fact comes back the sooner the worse and the slower it was answered', () => {
    const due = (right: boolean, ms: number): number => factDue([{ fact: 'x', kind: 'name', at: 0, right, ms }]);
    const all = [due(false, 1000), due(true, 20_000), due(true, 5000), due(true, 900)];
    expect(all[0]).toBe(0);
    expect([...all].sort((a, b) => a - b)).toEqual(all);
    expect(all[1]! / DAY).toBeGreaterThanOrEqual(1);
    expect(factDue([])).toBe(-Infinity);
  });
  it('says what to do where there is nothing to ask', () => {
    const bare = { ...ground(), shapes: [], seams: [] };
    expect(() => quizRound(bare, { ...asked, kinds: ['shape', 'put'] })).toThrow('There is nothing to ask');
  });
  it('on random necks, scales and layouts every question can be answered', () => {
    const scales = fc.constantFrom('ionian', 'dorian', 'harmonic minor', 'minor pentatonic', 'whole tone');
    const tunings = fc.constantFrom('E2 A2 D3 G3 B3 E4', 'D2 A2 D3 G3 A3 D4', 'B1 E2 A2 D3 G3 B3 E4', 'E1 A1 D2 G2', 'C2 G2 D3 A3 E4');
    const layouts = fc.constantFrom<Layout>(
      { kind: 'window' },
      { kind: 'per-string', notes: 3 },
      { kind: 'per-string', notes: 2 },
      { kind: 'box' },
    );
    fc.assert(
      fc.property(
        scales,
        tunings,
        layouts,
        fc.constantFrom(...QUIZ_LEVELS),
        fc.integer({ min: 1, max: 999 }),
        (scale, low, layout, level, seed) => {
          const instrument = neck(low);
          const ref = { tonic: 'Eb', scale };
          let shapes: ReturnType<typeof layOut> = [];
          try {
            shapes = layOut(instrument, ref, layout);
          } catch {
            shapes = [];
          }
          const seams = shapes.length ? ladder(instrument, ref, layout).seams : [];
          const round = quizRound(
            { instrument, scale: ref, layout, shapes, seams, from: 0, to: 22 },
            { ...asked, kinds: QUIZ_KINDS, level, seed },
          );
          expect(round.length).toBe(ROUND);
          expect(round.every((q) => (q.answer.by === 'choice' ? q.answer.right.length > 0 : true))).toBe(true);
        },
      ),
      { numRuns: 30 },
    );
  });
});
