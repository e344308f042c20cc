import { useState } from 'react';
import type { StudyBody } from '../../contract';
import { defaultSchool, SPAN_MM, type Hand, type HandReach, type Layout, keysOf } from '../../core';
import { useAppSelector } from '../store';
import { keepMyHand, useMyHand } from '../store/my-hand';
import { Button } from '../ui/Button';
import { NumberField } from '../ui/NumberField';
import { Select } from '../ui/Select';
import { changedFingers, MEASURED_FRETS, reachWords, USUAL_REACHES } from '../words/hand-text';
import { SCHOOL_WORDS } from '../words/school-text';
import { STUDY } from '../words/views/study';

const SIZES: { readonly value: Hand['size'] | 'mine'; readonly label: string }[] = [
  { value: 'small', label: STUDY.smallOpensTo105Mm },
  { value: 'medium', label: STUDY.mediumOpensTo120Mm },
  { value: 'large', label: STUDY.largeOpensTo135Mm },
];
const MINE = { value: 'mine' as const, label: STUDY.mineAsItWasMeasured };

type Fields = Pick<StudyBody, 'school' | 'hand'>;
export type HandChoice = Fields & { readonly layout: Layout; readonly onHand: (fields: Partial<Fields>) => void };

/** The school of fingering, and how far the hand opens. */
export function ChooseHand({ layout, school, hand, onHand }: HandChoice) {
  const mine = useMyHand();
  const options = keysOf(SCHOOL_WORDS).map((value) => ({ value: value, label: SCHOOL_WORDS[value] }));
  const reaches = hand.reaches ?? mine;
  const onSize = (size: Hand['size'] | 'mine'): void => {
    if (size !== 'mine') onHand({ hand: { size } });
    else if (reaches) onHand({ hand: { size: hand.size, reaches } });
  };
  return (
    <>
      <Select
        label={STUDY.fingeringSchool}
        value={school ?? ''}
        options={[{ value: '', label: STUDY.asTheLayoutWants(SCHOOL_WORDS[defaultSchool(layout)]) }, ...options]}
        onChange={(v) => onHand({ school: v || null })}
      />
      <Select label={STUDY.hand} value={hand.reaches ? 'mine' : hand.size} options={reaches ? [...SIZES, MINE] : SIZES} onChange={onSize} />
      <details>
        <summary className="cursor-pointer text-feather underline">{STUDY.measureMyHand}</summary>
        <Measure begin={reaches ?? USUAL_REACHES} onMeasured={(next) => onHand({ hand: { size: hand.size, reaches: next } })} />
      </details>
      <p className="text-xs text-soft">{STUDY.windowsFixTheirFingersBy}</p>
    </>
  );
}

/** Three reaches on the thickest string, at ease and at most; what they would change; kept for this player, used in this study. */
function Measure({ begin, onMeasured }: { readonly begin: HandReach[]; readonly onMeasured: (reaches: HandReach[]) => void }) {
  const [reaches, setReaches] = useState(() => MEASURED_FRETS.map((fret) => begin.find((r) => r.fret === fret) ?? USUAL_REACHES[MEASURED_FRETS.indexOf(fret)]!)); // prettier-ignore
  const body = useAppSelector((s) => s.editor.body);
  const set = (at: number, change: Partial<HandReach>): void => setReaches((now) => now.map((r, k) => (k === at ? soundReach({ ...r, ...change }, change) : r))); // prettier-ignore
  if (!body) return null;
  return (
    <div className="mt-2 grid gap-2">
      <p className="text-[0.78125rem] text-soft">{STUDY.indexOnTheThickestString}</p>
      {reaches.map((r, k) => (
        <fieldset key={r.fret} className="grid grid-cols-2 gap-2">
          <legend className="text-[0.78125rem]">
            <b className="font-semibold">
              {STUDY.indexAtFret} {r.fret}
            </b>
            : {reachWords(body.instrument, r)}
          </legend>
          <NumberField
            label={STUDY.fretsAtEase}
            value={r.comfortable}
            min={1}
            max={9}
            step={0.5}
            onChange={(comfortable) => set(k, { comfortable })}
          />
          <NumberField label={STUDY.fretsAtMost} value={r.most} min={1} max={9} step={0.5} onChange={(most) => set(k, { most })} />
        </fieldset>
      ))}
      <p aria-live="polite" className="text-[0.78125rem]">
        {STUDY.aMediumHandOpensTo} {SPAN_MM.medium} {STUDY.mm} {changedFingers(body, { size: body.hand.size, reaches })}
      </p>
      <Button
        look="link"
        onClick={() => {
          keepMyHand(reaches);
          onMeasured(reaches);
        }}
      >
        {STUDY.thisIsMyHand}
      </Button>
    </div>
  );
}

/** At ease is never more than at most: the one that was changed moves the other. */
const soundReach = (r: HandReach, { most }: Partial<HandReach>): HandReach =>
  most === undefined ? { ...r, most: Math.max(r.most, r.comfortable) } : { ...r, comfortable: Math.min(r.comfortable, r.most) };
