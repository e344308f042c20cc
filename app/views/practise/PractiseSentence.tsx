import { memo } from 'react';
import { type DrillForm, type StudyBody } from '../../../contract';
import { DRILL_RHYTHMS, glyphs, type DrillRhythm, type Shape } from '../../../core';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { withForm } from '../../store/practice/edit';
import { Button } from '../../ui/Button';
import { Chooser } from './Choices';
import { SentencePart } from '../../ui/SentencePart';
import { Signs } from '../../letters/Signs';
import { orderWords, RHYTHM_WORDS } from '../../words/drill-text';
import { PRACTISE } from '../../words/views/practise';
import { TempoFields } from '../ChooseTempo';
import { OrderPart } from './OrderPart';
import { useTap } from './useTap';
import { WhatPart } from './WhatPart';

interface Props {
  readonly body: StudyBody;
  readonly shapes: Shape[];
  readonly current: number;
  readonly form: DrillForm;
  readonly what: string;
  readonly tempo: number;
  readonly onTempo: (tempo: number) => void;
}

const RHYTHMS = DRILL_RHYTHMS.map((value) => ({ value, label: RHYTHM_WORDS[value] }));

/** What is played, in which order, how fast: each part is the control. */
export const PractiseSentence = memo(function PractiseSentence({ body, shapes, current, form, what, tempo, onTempo }: Props) {
  const dispatch = useAppDispatch();
  const on = (fields: Partial<DrillForm>): void => void dispatch(change((now) => withForm(now.body, () => fields)));
  const tap = useTap(onTempo);
  return (
    <header>
      <h1 className="text-[1.3125rem] leading-[1.5] font-medium tracking-[-0.01em] sm:text-[1.5625rem]">
        {PRACTISE.play} <WhatPart body={body} shapes={shapes} current={current} form={form} what={what} onForm={on} />{' '}
        <OrderPart body={body} shape={shapes[current] ?? null} form={form} onForm={on} text={<Signs>{orderWords(form)}</Signs>} />{' '}
        {PRACTISE.in}{' '}
        <SentencePart name={PRACTISE.rhythm} shortcut="r" text={RHYTHM_WORDS[form.rhythm]}>
          {(close) => (
            <Chooser<DrillRhythm>
              label={PRACTISE.rhythm}
              value={form.rhythm}
              options={RHYTHMS}
              onChange={(rhythm) => {
                on({ rhythm });
                close();
              }}
            />
          )}
        </SentencePart>{' '}
        {PRACTISE.at}{' '}
        <SentencePart name="tempo" shortcut="t" text={<span className="num">{tempo}</span>}>
          {() => (
            <>
              <TempoFields tempo={tempo} onTempo={onTempo} />
              <div className="flex items-center gap-3">
                <Button onClick={tap}>{PRACTISE.tap}</Button>
                <span className="text-xs text-soft">{glyphs(PRACTISE.tapHint)}</span>
              </div>
            </>
          )}
        </SentencePart>
      </h1>
    </header>
  );
});
