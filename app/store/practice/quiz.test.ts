import { answersOf, roundProblem, type AnswerKept } from '../../../contract';
import { QUIZ_KINDS, samePlace, type Place, type QuizKind, type QuizLevel } from '../../../core';
import { DEMO } from '../../../demo';
import { answered, beginRound, groundOf, isOver, isWhole, kindStands, mark, nextQuestion, quizDays, roundOf, settled, spotStands, type Asking } from './quiz'; // prettier-ignore
import { quizPrefs, type QuizPrefs } from './quiz-prefs';

const BODY = DEMO.studies[0]!.body;
const prefs = (kinds: QuizKind[], more: Partial<QuizPrefs> = {}): QuizPrefs => ({ kinds, level: 1, keys: 'this', frets: null, ...more });
const begun = (kinds: QuizKind[], more: Partial<QuizPrefs> = {}): Asking => {
  const a = beginRound(BODY, prefs(kinds, more), [], 0, 5);
  if ('problem' in a) throw new Error(a.problem);
  return a;
};
const placesOf = (a: Asking): Place[] => {
  const { answer } = a.questions[a.at]!;
  return answer.by === 'places' ? answer.places : [];
};

describe('a round that is answered', () => {
  it('a place pressed is marked, pressed again let go; as many as are asked are an answer', () => {
    let a = begun(['unison']);
    const [first] = placesOf(a);
    a = mark(a, first!);
    expect(a.marked).toEqual([first]);
    expect(mark(a, first!).marked).toEqual([]);
    for (const p of placesOf(a).slice(1)) a = mark(a, p);
    expect(isWhole(a)).toBe(true);
    expect(isWhole(mark(a, first!))).toBe(placesOf(a).length === 0);
  });
  it('of an octave the last place pressed counts; a choice takes no places', () => {
    const octave = begun(['octave']);
    const moved = mark(mark(octave, { string: 1, fret: 1 }), { string: 2, fret: 2 });
    expect(moved.marked).toEqual([{ string: 2, fret: 2 }]);
    const name = begun(['name']);
    expect(mark(name, { string: 1, fret: 1 })).toBe(name);
  });
  it('of a line every press counts, in its order', () => {
    const line = begun(['play']);
    const p = { string: 6, fret: 2 };
    expect(mark(mark(line, p), p).marked).toEqual([p, p]);
  });
  it('an answer is settled once; then comes the next question, and none after the last', () => {
    let a = begun(['relative']);
    const { answer } = a.questions[0]!;
    const right = answer.by === 'choice' ? answer.right[0] : -1;
    a = answered(a, { option: right! }, 1234.6);
    expect(a.told).toEqual({ right: true, option: right });
    expect(a.answers).toEqual([{ fact: a.questions[0]!.fact, kind: 'relative', right: true, ms: 1235, spot: null }]);
    expect(answered(a, null, 9)).toBe(a);
    expect(mark(a, { string: 1, fret: 1 })).toBe(a);
    while (!isOver(a)) a = settled(nextQuestion(a), false, 10);
    expect(a.answers).toHaveLength(a.questions.length);
    expect(nextQuestion(a)).toBe(a);
  });
  it('“I do not know” is wrong; a clock that stood still or ran away is kept within bounds', () => {
    const a = begun(['name']);
    expect(answered(a, null, 5).told).toEqual({ right: false, option: null });
    expect(settled(a, true, -40).answers[0]!.ms).toBe(0);
    expect(settled(a, true, 1e9).answers[0]!.ms).toBe(3_600_000);
  });
  it('goes to the log as far as it was answered, whole by its schema; one without answers does not', () => {
    const a = settled(begun(['name']), true, 800);
    expect(roundOf(begun(['name']), { id: 'x', name: 'x' }, 1, 1_764_000_000_000)).toBeNull();
    const round = roundOf(a, { id: 'loose', name: '  ' }, 2, 1_764_000_000_000);
    expect(roundProblem(round)).toBeNull();
    expect(round).toMatchObject({ studyName: 'Loose leaf', level: 2, seconds: 0.8 });
    expect(round?.answers[0]!.spot).toMatch(/^[A-G][#b]?\d\+\d+$/);
  });
});

describe('what is asked about', () => {
  it('the study’s key, or one by chance, the same for a seed; the frets that were chosen, within the neck', () => {
    expect(groundOf(BODY, prefs([]), 1).scale).toEqual(BODY.scale);
    const tonics = new Set(Array.from({ length: 60 }, (_, seed) => groundOf(BODY, prefs([], { keys: 'any' }), seed).scale.tonic));
    expect(tonics.size).toBe(12);
    expect(groundOf(BODY, prefs([], { frets: [5, 36] }), 1)).toMatchObject({ from: 5, to: BODY.instrument.frets });
  });
  it('places of chosen frets only', () => {
    for (const level of [1, 2, 3] as QuizLevel[]) {
      const a = begun(['name'], { level, frets: [5, 9] });
      expect(a.questions.every((q) => (q.at?.fret ?? 0) >= 5 && (q.at?.fret ?? 99) <= 9)).toBe(true);
    }
  });
  it('a scale that does not lie on the neck still asks what needs no shape', () => {
    const odd = { ...BODY, scale: { tonic: 'C', scale: 'whole tone' } }; // no boxes
    expect(groundOf(odd, prefs([]), 1).shapes).toEqual([]);
    const a = beginRound(odd, prefs([...QUIZ_KINDS]), [], 0, 1);
    expect('problem' in a).toBe(false);
    expect(beginRound(odd, prefs(['shape']), [], 0, 1)).toEqual({ problem: expect.stringContaining('There is nothing to ask') as string });
  });
});

describe('what is known', () => {
  const answer = (spot: string | null, right: boolean, ms: number, kind: QuizKind = 'name'): AnswerKept => ({ fact: `name/${spot}`, kind, right, ms, spot }); // prettier-ignore
  it('by place: on the string that sounds so, none that the neck has not', () => {
    const stands = spotStands(BODY.instrument, [answer('E2+3', true, 1000), answer('E2+3', false, 9000), answer('E2+3', true, 3000), answer('B1+2', true, 1), answer('E2+99', true, 1), answer(null, true, 1)]); // prettier-ignore
    expect(stands).toEqual([{ string: 6, fret: 3, asked: 3, right: 2, ms: 3000 }]);
    expect(samePlace(stands[0]!, { string: 6, fret: 3 })).toBe(true);
  });
  it('by day and by kind, the weakest kind first', () => {
    const round = (day: string, answers: AnswerKept[]) => ({ id: day, at: Date.parse(day), day, study: null, studyName: 'x', level: 1 as const, seconds: 1, answers }); // prettier-ignore
    const rounds = [
      round('2026-11-03', [answer(null, true, 500)]),
      round('2026-11-02', [answer(null, true, 100), answer(null, false, 300, 'ear')]),
    ];
    expect(quizDays(rounds)).toEqual([
      { day: '2026-11-02', asked: 2, share: 0.5, ms: 300 },
      { day: '2026-11-03', asked: 1, share: 1, ms: 500 },
    ]);
    expect(kindStands(rounds.flatMap((r) => r.answers)).map((k) => [k.kind, k.asked, k.right])).toEqual([['ear', 1, 0], ['name', 2, 2]]); // prettier-ignore
    expect(answersOf(rounds).map((a) => a.ms)).toEqual([100, 300, 500]);
  });
  it('choices of the browser that are none are the usual ones', () => {
    expect(quizPrefs.get()).toEqual({ kinds: [...QUIZ_KINDS], level: 1, keys: 'this', frets: null });
  });
});
