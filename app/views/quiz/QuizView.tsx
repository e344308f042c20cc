import { Play, Square } from 'lucide-react';
import { useCallback, useEffect, useState, useSyncExternalStore } from 'react';
import type { Round, StudyBody } from '../../../contract';
import { nutFret, type Place } from '../../../core';
import { useCommands } from '../../shell/keys';
import { openPart } from '../../shell/open-part';
import { eighths } from '../../sound/heard';
import { toggleListening } from '../../sound/listen/ear-held';
import { useHear } from '../../sound/useHear';
import { roundBox } from '../../store/practice/outbox';
import { useRoundsQuery } from '../../store/practice/log-api';
import type { Asking } from '../../store/practice/quiz';
import { Button } from '../../ui/Button';
import { QUIZ_WORDS, secondsWords } from '../../words/quiz-text';
import { QUIZ } from '../../words/views/quiz';
import { HearProblem } from '../HearTools';
import { EarPart } from '../listen/EarPart';
import { EarProblem } from '../listen/EarStatus';
import { PractiseNav } from '../practise/PractiseNav';
import { StudyFooter } from '../StudyFooter';
import { StudyGate } from '../StudyGate';
import { QUIZ_COMMANDS } from './quiz-commands';
import { QuestionCard } from './QuestionCard';
import { QuizNeck } from './QuizNeck';
import { QuizSentence } from './QuizSentence';
import { QuizStands } from './QuizStands';
import { useQuiz, type Quiz } from './useQuiz';

/** Questions on the real neck, in rounds of twelve; and what is known of it. */
export function QuizView() {
  return <StudyGate view="quiz">{(body) => <Open body={body} />}</StudyGate>;
}

const NONE: Round[] = [];
const HEARD_TEMPO = 116;

/** What is asked by ear is heard when it is asked, and again when the player wants it. */
function useAskedByEar(asking: Asking | null) {
  const hear = useHear();
  const { start, stop } = hear;
  const question = asking?.questions[asking.at];
  const play = useCallback(() => {
    if (question?.heard) start(eighths(question.heard.map((midi) => ({ midi, string: 3 }))), HEARD_TEMPO);
  }, [question, start]);
  useEffect(() => {
    play();
    return stop;
  }, [play, stop]);
  return { hear, play };
}

function Open({ body }: { readonly body: StudyBody }) {
  const { data: rounds = NONE } = useRoundsQuery();
  const quiz = useQuiz(body, rounds);
  const { asking, over, problem } = quiz;
  const { hear, play } = useAskedByEar(asking);
  const { waiting } = useSyncExternalStore(roundBox.subscribe, roundBox.state);
  const [cursor, setCursor] = useQuizCommands(body, quiz, play);
  useEffect(() => setCursor(null), [asking?.at, setCursor]);
  return (
    <div className="view-column">
      <QuizSentence body={body} />
      <div className="no-print after-neck my-3 flex flex-wrap items-center gap-2">
        <PractiseNav page="quiz" />
        <EarPart />
        <span className="grow" />
        <Button
          look="brass"
          className="min-h-9 text-[0.9375rem]"
          icon={asking ? <Square size={14} fill="currentColor" aria-hidden /> : <Play size={14} fill="currentColor" aria-hidden />}
          onClick={asking ? quiz.end : quiz.begin}
        >
          {asking ? QUIZ.stop : over ? QUIZ.again : QUIZ.start}
        </Button>
      </div>
      <HearProblem hear={hear} />
      <EarProblem />
      {problem && (
        <p role="alert" className="mb-2 text-clay">
          {problem}
        </p>
      )}
      {waiting > 0 && (
        <p role="status" className="mb-2 text-soft">
          {QUIZ.waiting(waiting)}
        </p>
      )}
      {asking ? (
        <div className="flex flex-col gap-3">
          <QuestionCard asking={asking} quiz={quiz} onHear={play} />
          <QuizNeck asking={asking} cursor={cursor} onPress={quiz.press} />
        </div>
      ) : (
        <>
          {over ? <Result over={over} /> : <p className="mb-3 max-w-[46rem] text-soft">{QUIZ.about}</p>}
          <QuizStands body={body} rounds={rounds} />
        </>
      )}
      <StudyFooter hint={QUIZ.hint} />
    </div>
  );
}

function Result({ over: { answers, questions } }: { readonly over: Asking }) {
  const right = answers.filter((a) => a.right).length;
  const times = [...answers].map((a) => a.ms).sort((a, b) => a - b);
  const wrong = [
    ...new Set(questions.filter((_, k) => answers.at(k) && k < answers.length && !answers[k]!.right).map((q) => QUIZ_WORDS[q.kind])),
  ];
  return (
    <section className="mb-3 rounded-[10px] border border-line bg-sheet px-4 py-3" role="status" data-result={`${right}/${answers.length}`}>
      <p className="font-display text-[1.3125rem]">{QUIZ.result(right, answers.length, secondsWords(times[times.length >> 1]!))}</p>
      <p className="text-soft">{wrong.length ? `${QUIZ.weakest} ${wrong.join(', ')}.` : QUIZ.nothingWeak}</p>
    </section>
  );
}

/** Runs the quiz's commands; the place where the keyboard stands. */
function useQuizCommands(body: StudyBody, quiz: Quiz, play: () => void): [Place | null, (p: Place | null) => void] {
  const [cursor, setCursor] = useState<Place | null>(null);
  const { instrument } = body;
  const { asking } = quiz;
  const q = asking?.questions[asking.at];
  const step = (string: number, fret: number) => (): void => {
    if (!asking || !q) return;
    const from = cursor ?? q.shown.at(0) ?? { string: instrument.strings.length, fret: Math.max(asking.ground.from, nutFret(instrument)) };
    const along = instrument.handedness === 'left' ? -fret : fret;
    const next = cursor ? { string: from.string + string, fret: from.fret + along } : { string: from.string, fret: from.fret };
    setCursor({
      string: Math.max(1, Math.min(instrument.strings.length, next.string)),
      fret: Math.max(nutFret(instrument), Math.min(instrument.frets, next.fret)),
    });
  };
  useCommands('quiz', QUIZ_COMMANDS, {
    done: quiz.done,
    choose: (key) => quiz.choose(Number(key) - 1),
    up: step(-1, 0),
    down: step(1, 0),
    right: step(0, 1),
    left: step(0, -1),
    mark: () => {
      if (asking?.told) quiz.done();
      else if (cursor) quiz.press(cursor);
    },
    'no-idea': () => quiz.give(null),
    hear: play,
    kinds: () => void openPart(QUIZ.kinds),
    level: () => void openPart(QUIZ.levelPart),
    frets: () => void openPart(QUIZ.region),
    listen: toggleListening,
    stop: quiz.end,
  });
  return [cursor, setCursor];
}
