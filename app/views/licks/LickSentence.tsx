import type { Lick, StudyBody } from '../../../contract';
import { struckNotes, type Instrument } from '../../../core';
import { useAppDispatch } from '../../store';
import { edited } from '../../store/editor';
import { changeLick } from '../../store/lick-notes';
import { Chooser } from '../../ui/Chooser';
import { Select } from '../../ui/Select';
import { SentencePart } from '../../ui/SentencePart';
import { Signs } from '../../letters/Signs';
import { counted } from '../../words/count-text';
import { lickLength } from '../../words/lick-text';
import { scaleName } from '../../words/scale-text';
import { instrumentWords } from '../../words/tuning-text';
import { isolated } from '../../words/name-text';
import { LICKS } from '../../words/views/licks';

const METERS = ['4/4', '3/4', '2/4', '6/8', '12/8', '5/4', '7/8', '2/2'].map((value) => ({ value, label: value }));

/** Which lick is open, and in what meter. */
export function LickSentence({ body, lick, neck }: { readonly body: StudyBody; readonly lick: Lick; readonly neck: Instrument }) {
  const dispatch = useAppDispatch();
  const meter = lick.meter.join('/');
  const meters = METERS.some((m) => m.value === meter) ? METERS : [{ value: meter, label: meter }, ...METERS];
  return (
    <header>
      <h1 className="text-[1.3125rem] leading-[1.5] font-medium tracking-[-0.01em] sm:text-[1.5625rem]">
        {LICKS.theLick}{' '}
        <SentencePart name="lick" text={<Signs>{isolated(lick.name)}</Signs>} shortcut="l">
          {(close) => (
            <Chooser<Lick>
              label={LICKS.openAnotherLickOfThis}
              placeholder={LICKS.partOfANameOr}
              find={(text) =>
                body.licks
                  .filter((l) => `${l.name} ${l.tags.join(' ')}`.toLowerCase().includes(text.trim().toLowerCase()))
                  .map((l) => ({
                    key: l.id,
                    value: l,
                    title: isolated(l.name),
                    detail: `${counted(struckNotes(l.notes).length, 'note')}${l.tags.length ? `, ${l.tags.join(', ')}` : ''}`,
                  }))
              }
              onChoose={(l) => { dispatch(edited({ lick: l.id })); close(); }} // prettier-ignore
              current={lick.id}
              empty={LICKS.noLickOfThatName}
              render={(t) => <Signs>{t}</Signs>}
            />
          )}
        </SentencePart>{' '}
        {LICKS.inWord}{' '}
        <SentencePart name="meter" text={meter}>
          {() => (
            <Select
              label={LICKS.meter}
              value={meter}
              options={meters}
              onChange={(v) => dispatch(edited(changeLick(body, lick.id, { meter: v.split('/').map(Number) as [number, number] })))}
            />
          )}
        </SentencePart>
      </h1>
      <p className="num mt-0.5 text-[0.8125rem] text-soft">
        <Signs>{[scaleName(body.scale), instrumentWords(neck), lickLength(lick.notes, lick.meter, lick.tempo)].join(' · ')}</Signs>
      </p>
    </header>
  );
}
