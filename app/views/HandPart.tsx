import { useState } from 'react';
import type { StudyBody } from '../../contract';
import { defaultSchool, SPAN_MM, type FingeringSchool, type Hand, type HandReach, type Layout } from '../../core';
import { useAppSelector } from '../store';
import { keepMyHand, useMyHand } from '../store/my-hand';
import { Button } from '../ui/Button';
import { NumberField } from '../ui/NumberField';
import { Select } from '../ui/Select';
import { SentencePart } from '../ui/SentencePart';
import { changedFingers, MEASURED_FRETS, reachWords, USUAL_REACHES } from '../words/hand-text';
import { SCHOOL_WORDS } from '../words/school-text';

const SIZES: { value: Hand['size'] | 'mine'; label: string }[] = [
  { value: 'small', label: 'small: opens to 105 mm' },
  { value: 'medium', label: 'medium: opens to 120 mm' },
  { value: 'large', label: 'large: opens to 135 mm' },
];
const MINE = { value: 'mine' as const, label: 'mine: as it was measured' };

type Fields = Pick<StudyBody, 'school' | 'hand'>;

/** Whose hand it is: the school of fingering and how far it opens. */
export function HandPart({ layout, school, hand, onHand }: Fields & { layout: Layout; onHand: (fields: Partial<Fields>) => void }) {
  const mine = useMyHand();
  const options = (Object.keys(SCHOOL_WORDS) as FingeringSchool[]).map((value) => ({ value: value, label: SCHOOL_WORDS[value] }));
  const reaches = hand.reaches ?? mine;
  const onSize = (size: Hand['size'] | 'mine'): void => {
    if (size !== 'mine') onHand({ hand: { size } });
    else if (reaches) onHand({ hand: { size: hand.size, reaches } });
  };
  return (
    <SentencePart
      name="fingering"
      look="chip"
      text={
        <span title={SCHOOL_WORDS[school ?? defaultSchool(layout)]}>
          Hand<span className="sr-only">{`: ${SCHOOL_WORDS[school ?? defaultSchool(layout)]}`}</span>
        </span>
      }
    >
      {() => (
        <>
          <Select
            label="Fingering school"
            value={school ?? ''}
            options={[{ value: '', label: `as the layout wants: ${SCHOOL_WORDS[defaultSchool(layout)]}` }, ...options]}
            onChange={(v) => onHand({ school: v || null })}
          />
          <Select label="Hand" value={hand.reaches ? 'mine' : hand.size} options={reaches ? [...SIZES, MINE] : SIZES} onChange={onSize} />
          <details>
            <summary className="cursor-pointer text-feather underline">Measure my hand</summary>
            <Measure begin={reaches ?? USUAL_REACHES} onMeasured={(next) => onHand({ hand: { size: hand.size, reaches: next } })} />
          </details>
          <p className="text-xs text-soft">
            Windows fix their fingers by the fret of the first one. Stop a stretch that hurts; this is no medical advice.
          </p>
        </>
      )}
    </SentencePart>
  );
}

/** Three reaches on the thickest string, at ease and at most; what they would change; kept for this player, used in this study. */
function Measure({ begin, onMeasured }: { begin: HandReach[]; onMeasured: (reaches: HandReach[]) => void }) {
  const [reaches, setReaches] = useState(() => MEASURED_FRETS.map((fret) => begin.find((r) => r.fret === fret) ?? USUAL_REACHES[MEASURED_FRETS.indexOf(fret)])); // prettier-ignore
  const body = useAppSelector((s) => s.editor.body);
  const set = (at: number, change: Partial<HandReach>): void => setReaches((now) => now.map((r, k) => (k === at ? soundReach({ ...r, ...change }, change) : r))); // prettier-ignore
  if (!body) return null;
  return (
    <div className="mt-2 grid gap-2">
      <p className="text-[0.78125rem] text-soft">
        Index on the thickest string: how many frets further does the little finger get, at ease and at most? Warm up first, and do not
        force it; see a clinician about pain that lasts.
      </p>
      {reaches.map((r, k) => (
        <fieldset key={r.fret} className="grid grid-cols-2 gap-2">
          <legend className="text-[0.78125rem]">
            <b className="font-semibold">Index at fret {r.fret}</b>: {reachWords(body.instrument, r)}
          </legend>
          <NumberField
            label="frets at ease"
            value={r.comfortable}
            min={1}
            max={9}
            step={0.5}
            onChange={(comfortable) => set(k, { comfortable })}
          />
          <NumberField label="frets at most" value={r.most} min={1} max={9} step={0.5} onChange={(most) => set(k, { most })} />
        </fieldset>
      ))}
      <p aria-live="polite" className="text-[0.78125rem]">
        A medium hand opens to {SPAN_MM.medium} mm. {changedFingers(body, { size: body.hand.size, reaches })}
      </p>
      <Button
        look="link"
        onClick={() => {
          keepMyHand(reaches);
          onMeasured(reaches);
        }}
      >
        This is my hand
      </Button>
    </div>
  );
}

/** At ease is never more than at most: the one that was changed moves the other. */
const soundReach = (r: HandReach, { most }: Partial<HandReach>): HandReach =>
  most === undefined ? { ...r, most: Math.max(r.most, r.comfortable) } : { ...r, comfortable: Math.min(r.comfortable, r.most) };
