import { useState } from 'react';
import { canBePlayed, glyphs, readNames, type QuizGiven } from '../../../core';
import { canPerform } from '../../sound/listen/ear';
import { useEar } from '../../sound/listen/ear-state';
import type { Asking } from '../../store/practice/quiz';
import { Button } from '../../ui/Button';
import { Signs } from '../../letters/Signs';
import { useKeyed } from '../../ui/useKeyed';
import { questionWords, rightWords } from '../../words/quiz-text';
import { QUIZ } from '../../words/views/quiz';
import { answerByPlaying } from './play-answer';
import type { Quiz } from './useQuiz';

/** The question, its answers, and what became of it. */
export function QuestionCard({ asking, quiz, onHear }: { readonly asking: Asking; readonly quiz: Quiz; readonly onHear: () => void }) {
  const ear = useEar();
  const { questions, at, told, marked } = asking;
  const q = questions[at]!;
  const { answer } = q;
  const playable = ear.state === 'on' && canBePlayed(q);
  return (
    <section className="rounded-[10px] border border-line bg-sheet px-4 py-3" data-question={q.kind} data-fact={q.fact}>
      <Progress asking={asking} />
      <h2 className="mt-1 font-display text-[1.3125rem] leading-snug font-medium" aria-live="polite">
        <Signs>{questionWords(q)}</Signs>
      </h2>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        {answer.by === 'choice' && <Options asking={asking} onChoose={quiz.choose} />}
        {answer.by === 'names' && <Names key={q.fact} open={told === null} onGive={quiz.give} />}
        {answer.by === 'places' && (
          <p className="num text-soft">{QUIZ.marked(marked.length, answer.need === 'any' ? 1 : answer.places.length)}</p>
        )}
        {answer.by === 'line' && <p className="num text-soft">{QUIZ.marked(marked.length, answer.line.length)}</p>}
        {playable && !told && <span className="text-soft">{QUIZ.playIt}</span>}
        <span className="grow" />
        {q.heard && <Button onClick={onHear}>{QUIZ.hearAgain}</Button>}
        {!told && playable && canPerform() && <Button onClick={() => answerByPlaying(q, asking.ground.instrument)}>{QUIZ.letPlay}</Button>}
        {!told && <Button look="quiet" onClick={() => quiz.give(null)}>{QUIZ.noIdea}</Button> /* prettier-ignore */}
        {!told && answer.by === 'places' && answer.need === 'all' && <Button onClick={quiz.done}>{QUIZ.done}</Button>}
        {told && (
          <Button look="brass" onClick={quiz.done}>
            {QUIZ.next}
          </Button>
        )}
      </div>
      <p
        role="status"
        className={`mt-2 min-h-6 text-[1rem] ${told && !told.right ? 'text-clay' : ''}`}
        data-told={told ? (told.right ? 'right' : 'wrong') : ''}
      >
        {told && (
          <>
            <b>{told.right ? `✓ ${QUIZ.right}` : `× ${QUIZ.wrong}`}</b>{' '}
            <Signs>{told.right && answer.by !== 'choice' ? '' : rightWords(q)}</Signs>
          </>
        )}
      </p>
    </section>
  );
}

function Progress({ asking: { questions, at, answers } }: { readonly asking: Asking }) {
  return (
    <div className="flex items-center gap-2">
      <p className="num whitespace-nowrap text-soft">{QUIZ.question(at + 1, questions.length)}</p>
      <ol aria-hidden className="flex min-w-0 flex-wrap gap-1">
        {questions.map((_, k) => {
          const a = answers.at(k) && k < answers.length ? answers[k] : null;
          return (
            <li
              key={k}
              className={`grid size-4 place-items-center rounded-sm border text-[0.6875rem] leading-none ${k === at ? 'border-ink' : 'border-line'} ${a ? (a.right ? 'text-feather' : 'text-clay') : ''}`}
            >
              {a ? (a.right ? '✓' : '×') : ''}
            </li>
          );
        })}
      </ol>
    </div>
  );
}

function Options({ asking: { questions, at, told }, onChoose }: { readonly asking: Asking; readonly onChoose: (k: number) => void }) {
  const { answer } = questions[at]!;
  if (answer.by !== 'choice') return null;
  return (
    <div role="group" aria-label={QUIZ.options} className="flex flex-wrap gap-2">
      {answer.options.map((o, k) => {
        const right = told && answer.right.includes(k);
        const wrong = told && told.option === k && !right;
        return (
          <button
            key={`${at}/${o.text}`}
            type="button"
            disabled={told !== null}
            onClick={() => onChoose(k)}
            className={`min-h-11 cursor-pointer rounded-md border-2 px-3 text-[1rem] disabled:cursor-default ${right ? 'border-feather font-semibold' : wrong ? 'border-clay line-through' : 'border-line hover:border-soft'}`}
          >
            <kbd className="mr-2 rounded border border-line px-1 font-text text-[0.75rem] text-soft">{k + 1}</kbd>
            <Signs>{glyphs(o.text)}</Signs>
          </button>
        );
      })}
    </div>
  );
}

function Names({ open, onGive }: { readonly open: boolean; readonly onGive: (given: QuizGiven) => void }) {
  const [text, setText] = useState('');
  const [bad, setBad] = useKeyed([text], false);
  const give = (): void => {
    const names = readNames(text);
    if (names?.length) onGive({ names });
    else setBad(true);
  };
  return (
    <form
      className="flex flex-wrap items-end gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        give();
      }}
    >
      <label className="flex flex-col gap-1 text-xs text-soft">
        {QUIZ.namesField}
        <input
          autoFocus
          value={text}
          disabled={!open}
          maxLength={80}
          autoComplete="off"
          autoCapitalize="characters"
          onChange={(e) => setText(e.target.value)}
          className="w-72 max-w-full rounded-md border border-line bg-paper px-2 py-1.5 text-[1rem] text-ink"
        />
      </label>
      {open && (
        <button type="submit" className="min-h-9 cursor-pointer rounded-md border border-feather px-3 text-feather">
          {QUIZ.done}
        </button>
      )}
      <span className={`text-xs ${bad ? 'text-clay' : 'text-soft'}`}>{bad ? QUIZ.notNames : QUIZ.namesHint}</span>
    </form>
  );
}
