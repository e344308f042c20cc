import type { StudyBody } from '../../../contract';
import { glyphs, QUIZ_KINDS, QUIZ_LEVELS, type QuizKind } from '../../../core';
import { quizPrefs, setQuizPrefs, type QuizPrefs } from '../../store/practice/quiz-prefs';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/NumberField';
import { SentencePart } from '../../ui/SentencePart';
import { Signs } from '../../letters/Signs';
import { QUIZ_GROUPS, QUIZ_WORDS } from '../../words/quiz-text';
import { scaleName } from '../../words/scale-text';
import { QUIZ } from '../../words/views/quiz';
import { Check, Chooser } from '../practise/Choices';

/** What is asked, how hard, in which key, where on the neck: each part is the control. */
export function QuizSentence({ body }: { readonly body: StudyBody }) {
  const { kinds, level, keys, frets } = quizPrefs.use();
  const scale = glyphs(scaleName(body.scale));
  const what =
    kinds.length === QUIZ_KINDS.length ? QUIZ.everything : kinds.length === 1 ? QUIZ_WORDS[kinds[0]!] : QUIZ.kindsOf(kinds.length);
  return (
    <h1 className="text-[1.3125rem] leading-[1.5] font-medium tracking-[-0.01em] sm:text-[1.5625rem]">
      {QUIZ.ask}{' '}
      <SentencePart name={QUIZ.kinds} shortcut="k" wide text={what}>
        {() => <Kinds kinds={kinds} />}
      </SentencePart>{' '}
      {QUIZ.at}{' '}
      <SentencePart name={QUIZ.levelPart} shortcut="l" text={QUIZ.level(level)}>
        {(close) => (
          <Chooser<QuizPrefs['level']>
            label={QUIZ.levelPart}
            value={level}
            options={QUIZ_LEVELS.map((l) => ({ value: l, label: QUIZ.level(l), does: QUIZ.levels[l] }))}
            onChange={(l) => {
              setQuizPrefs({ level: l });
              close();
            }}
          />
        )}
      </SentencePart>{' '}
      {QUIZ.in}{' '}
      <SentencePart name={QUIZ.key} text={<Signs>{keys === 'this' ? scale : QUIZ.anyKey}</Signs>}>
        {(close) => (
          <Chooser<QuizPrefs['keys']>
            label={QUIZ.key}
            value={keys}
            options={[
              { value: 'this', label: scale },
              { value: 'any', label: QUIZ.anyKey },
            ]}
            onChange={(next) => {
              setQuizPrefs({ keys: next });
              close();
            }}
          />
        )}
      </SentencePart>{' '}
      {QUIZ.on}{' '}
      <SentencePart name={QUIZ.region} shortcut="f" text={frets ? QUIZ.fretsFrom(frets[0], frets[1]) : QUIZ.wholeNeck}>
        {() => <Frets frets={frets} last={body.instrument.frets} />}
      </SentencePart>
    </h1>
  );
}

function Kinds({ kinds }: { readonly kinds: readonly QuizKind[] }) {
  const set = (kind: QuizKind, on: boolean): void => {
    const next = QUIZ_KINDS.filter((k) => (k === kind ? on : kinds.includes(k)));
    // One at least: the last one stays.
    if (next.length) setQuizPrefs({ kinds: next });
  };
  return (
    <>
      <Button onClick={() => setQuizPrefs({ kinds: [...QUIZ_KINDS] })}>{QUIZ.all}</Button>
      <div className="grid grid-cols-1 gap-x-4 sm:grid-cols-2">
        {QUIZ_GROUPS.map((g) => (
          <fieldset key={g.title} className="mb-2">
            <legend className="text-xs text-soft">{g.title}</legend>
            {g.kinds.map((k) => (
              <div key={k} className="flex items-center gap-2">
                <div className="grow">
                  <Check label={QUIZ_WORDS[k]} checked={kinds.includes(k)} onChange={(on) => set(k, on)} />
                </div>
                <button
                  type="button"
                  className="tap cursor-pointer text-xs text-feather underline"
                  aria-label={`${QUIZ.none}: ${QUIZ_WORDS[k]}`}
                  onClick={() => setQuizPrefs({ kinds: [k] })}
                >
                  {QUIZ.none}
                </button>
              </div>
            ))}
          </fieldset>
        ))}
      </div>
    </>
  );
}

function Frets({ frets, last }: { readonly frets: QuizPrefs['frets']; readonly last: number }) {
  const [from, to] = frets ?? [0, last];
  return (
    <>
      <div className="grid grid-cols-2 gap-3">
        <NumberField label={QUIZ.from} value={from} min={0} max={to} onChange={(f) => setQuizPrefs({ frets: [f, to] })} />
        <NumberField
          label={QUIZ.to}
          value={Math.min(to, last)}
          min={from}
          max={last}
          onChange={(t) => setQuizPrefs({ frets: [from, t] })}
        />
      </div>
      <Button onClick={() => setQuizPrefs({ frets: null })}>{QUIZ.whole}</Button>
    </>
  );
}
