import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useLatest } from '../../ui/useLatest';
import { answersOf, type Round, type StudyBody } from '../../../contract';
import { canBePlayed, chosenByPlaying, pitchAt, playedAnswer, type Place, type QuizGiven } from '../../../core';
import { setEarRange } from '../../sound/listen/ear';
import { onNote, useEar } from '../../sound/listen/ear-state';
import { rangeOf } from '../../sound/listen/meant';
import { useAppSelector } from '../../store';
import { now as clockNow } from '../../store/practice/clock';
import { roundBox } from '../../store/practice/outbox';
import { answered, isOver, isWhole, mark, nextQuestion, roundOf, settled, type Asking } from '../../store/practice/quiz';
import { quizPrefs } from '../../store/practice/quiz-prefs';
import type { RoundMade, RoundOrder } from '../../workers/quiz.worker';

export interface Quiz {
  readonly asking: Asking | null;
  /** The round that was just ended, to be shown. */
  readonly over: Asking | null;
  readonly problem: string | null;
  readonly begin: () => void;
  readonly end: () => void;
  readonly press: (place: Place) => void;
  readonly choose: (option: number) => void;
  readonly give: (given: QuizGiven | null) => void;
  /** What is marked is the answer; after it, the next question. */
  readonly done: () => void;
}

interface Begun {
  readonly body: StudyBody;
  readonly rounds: readonly Round[];
}

/** Has rounds made in a worker; one that is no longer waited for comes no more. */
function useRoundMaker(onMade: (made: RoundMade['made']) => void) {
  const maker = useRef<Worker | null>(null);
  const orders = useRef(0);
  const madeRef = useLatest(onMade);
  useEffect(() => {
    const worker = new Worker(new URL('../../workers/quiz.worker.ts', import.meta.url), { type: 'module' });
    worker.onmessage = ({ data: { id, made } }: MessageEvent<RoundMade>) => {
      if (id === orders.current) madeRef.current(made);
    };
    maker.current = worker;
    return () => worker.terminate();
  }, [madeRef]);
  const order = useCallback(({ body, rounds }: Begun) => {
    const { instrument, scale, layout, school, hand } = body;
    maker.current?.postMessage({
      id: ++orders.current,
      study: { instrument, scale, layout, school, hand },
      prefs: quizPrefs.get(),
      history: answersOf(rounds),
      now: clockNow(),
      seed: crypto.getRandomValues(new Uint32Array(1))[0]! >>> 1,
    } satisfies RoundOrder);
  }, []);
  const forget = useCallback(() => void orders.current++, []);
  return { order, forget };
}

/** The way of a round into the log: each is kept once, at its end or when the page closes. */
function useKeeping(asking: Asking | null) {
  const askingRef = useLatest(asking);
  /** The round that was closed last: the newest one may not be drawn yet. */
  const closed = useRef<Asking | null>(null);
  /** The study that the round was begun on. */
  const study = useRef<{ readonly id: string | null; readonly name: string }>({ id: null, name: '' });
  /** Closes what is asked, where it is still open; tells it, and what of it there is to keep. */
  const close = useCallback(() => {
    const a = askingRef.current;
    if (!a || a === closed.current) return null;
    closed.current = a;
    return { asking: a, round: roundOf(a, study.current, quizPrefs.get().level, clockNow()) };
  }, [askingRef]);
  // A page that closes has no time for more than to put it away.
  useEffect(() => {
    const leave = (): void => {
      const left = close();
      if (left?.round) roundBox.leave([left.round]);
    };
    addEventListener('pagehide', leave);
    return () => removeEventListener('pagehide', leave);
  }, [close]);
  const begunOn = useCallback((id: string | null, name: string) => void (study.current = { id, name }), []);
  return { close, begunOn };
}

/** A round of questions: what is asked, how it is answered, and its way into the log. */
export function useQuiz(body: StudyBody, rounds: readonly Round[]): Quiz {
  const id = useAppSelector((s) => s.editor.id);
  const [asking, setAsking] = useState<Asking | null>(null);
  const [over, setOver] = useState<Asking | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const latestRef = useLatest({ asking, body, id, rounds });
  const { close, begunOn } = useKeeping(asking);
  const { order, forget } = useRoundMaker((made) => {
    setProblem('problem' in made ? made.problem : null);
    setAsking('problem' in made ? null : made);
  });

  /** Keeps what was answered and closes the round; one that is still being made comes no more. */
  const end = useCallback(() => {
    forget();
    const left = close();
    if (!left) return;
    if (left.round) void roundBox.keep(left.round);
    setAsking(null);
    setOver(left.round ? left.asking : null);
  }, [close, forget]);
  const begin = useCallback(() => {
    end();
    const now = latestRef.current;
    begunOn(now.id, now.body.name);
    setOver(null);
    setProblem(null);
    order(now);
  }, [end, begunOn, order, latestRef]);
  // Another study, or the view left: what was answered is kept.
  useEffect(() => end, [end, id]);

  const { change, ...answers } = useAnswers(asking, setAsking);
  const done = useCallback(() => {
    const a = latestRef.current.asking;
    if (!a) return begin();
    if (!a.told) return change((b, ms) => (b.marked.length ? answered(b, givenOf(b), ms) : b));
    if (isOver(a)) return end();
    setAsking((b) => b && nextQuestion(b));
  }, [begin, change, end, latestRef]);
  useHeardAnswer(asking, body, change);
  const { press, choose, give } = answers;
  return useMemo(() => ({ asking, over, problem, begin, end, press, choose, give, done }), [asking, over, problem, begin, end, press, choose, give, done]); // prettier-ignore
}

type Change = (make: (a: Asking, ms: number) => Asking) => void;

/** Answers to what is asked, with the time that each took. */
function useAnswers(asking: Asking | null, setAsking: (next: (a: Asking | null) => Asking | null) => void) {
  const since = useRef(0);
  // A question's time begins when it is shown.
  const shown = asking?.at ?? -1;
  useEffect(() => {
    since.current = performance.now();
  }, [shown]);
  const change = useCallback<Change>(
    (make) => {
      const ms = performance.now() - since.current;
      setAsking((a) => a && make(a, ms));
    },
    [setAsking],
  );
  const give = useCallback((given: QuizGiven | null) => change((a, ms) => answered(a, given, ms)), [change]);
  const choose = useCallback((option: number) => change((a, ms) => {
      const { answer } = a.questions[a.at]!;
      return answer.by === 'choice' && option < answer.options.length ? answered(a, { option }, ms) : a;
    }), [change]); // prettier-ignore
  const press = useCallback((place: Place) => change((a, ms) => {
      const next = mark(a, place);
      return next !== a && isWhole(next) ? answered(next, givenOf(next), ms) : next;
    }), [change]); // prettier-ignore
  return { change, give, choose, press };
}

/** What is marked, as an answer. */
const givenOf = ({ questions, at, marked, ground }: Asking): QuizGiven =>
  questions[at]!.answer.by === 'line' ? { midis: marked.map((p) => pitchAt(ground.instrument, p).midi) } : { places: marked };

/** The open question answered by playing, while something is listened to. */
function useHeardAnswer(asking: Asking | null, body: StudyBody, change: Change): void {
  const ear = useEar();
  const on = ear.state === 'on' && asking !== null;
  const at = asking?.at;
  const open = asking !== null && asking.told === null;
  const latestRef = useLatest(asking);
  useEffect(() => {
    if (!on || !open) return undefined;
    setEarRange(...rangeOf(body.instrument));
    const midis: number[] = [];
    return onNote((n) => {
      const a = latestRef.current;
      if (!a || a.told) return;
      const q = a.questions[a.at]!;
      if (!canBePlayed(q)) return;
      midis.push(n.midi);
      const told = playedAnswer(q, a.ground.instrument, midis);
      if (told) change((b, ms) => settled(b, told === 'right', ms, chosenByPlaying(q, midis)));
    });
  }, [on, open, at, body.instrument, change, latestRef]);
}
