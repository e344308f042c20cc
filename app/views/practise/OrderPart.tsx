import type { ReactNode } from 'react';
import { DRILL_UNDER, type DrillForm, type StudyBody } from '../../../contract';
import { ARTICULATIONS, DRILL_ACCENTS, DRILL_ORDERS, ORDERS, type DrillOptions, type DrillOrder, type Shape } from '../../../core';
import { homesOf } from '../../store/practice/drilled';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/NumberField';
import { Segmented } from '../../ui/Segmented';
import { Select } from '../../ui/Select';
import { SentencePart } from '../../ui/SentencePart';
import { ACCENT_WORDS, ARTICULATION_WORDS, ORDER_WORDS, UNDER_WORDS } from '../../words/drill-text';
import { scaleName } from '../../words/scale-text';
import { PRACTISE } from '../../words/views/practise';
import { Check } from './Choices';

interface Props {
  readonly body: StudyBody;
  readonly shape: Shape | null;
  readonly form: DrillForm;
  readonly text: ReactNode;
  readonly onForm: (fields: Partial<DrillForm>) => void;
}

const ORDER_OPTIONS = DRILL_ORDERS.map((value) => ({ value, label: `${ORDER_WORDS[value].title}: ${ORDER_WORDS[value].plays}` }));

/** In which order, with the options that this order listens to; accents, slurs, and what lies under it. */
export function OrderPart({ body, shape, form, text, onForm }: Props) {
  return (
    <SentencePart name={PRACTISE.order} shortcut="o" wide text={text}>
      {() => (
        <>
          <Select<DrillOrder> label={PRACTISE.order} value={form.order} options={ORDER_OPTIONS} onChange={(order) => onForm({ order })} />
          <Options body={body} shape={shape} form={form} onForm={onForm} />
          <Check label={PRACTISE.endOnRoot} checked={form.endOnRoot} onChange={(endOnRoot) => onForm({ endOnRoot })} />
          <div className="grid grid-cols-1 gap-3 sm:grid-cols-3">
            <Select<DrillForm['accent']>
              label={PRACTISE.accents}
              value={form.accent}
              options={DRILL_ACCENTS.map((value) => ({ value, label: ACCENT_WORDS[value] }))}
              onChange={(accent) => onForm({ accent })}
            />
            <Select<DrillForm['articulation']>
              label={PRACTISE.articulation}
              value={form.articulation}
              options={ARTICULATIONS.map((value) => ({ value, label: ARTICULATION_WORDS[value] }))}
              onChange={(articulation) => onForm({ articulation })}
            />
            <Select<DrillForm['under']>
              label={PRACTISE.under}
              value={form.under}
              options={DRILL_UNDER.map((value) => ({ value, label: UNDER_WORDS[value] }))}
              onChange={(under) => onForm({ under })}
            />
          </div>
        </>
      )}
    </SentencePart>
  );
}

const TURNS: { readonly value: DrillForm['turn']; readonly label: string }[] = [
  { value: 'once', label: `${PRACTISE.turn}: ${PRACTISE.once}` },
  { value: 'twice', label: PRACTISE.twice },
];
const ROOTS: { readonly value: DrillForm['root']; readonly label: string }[] = [
  { value: 'own', label: `${PRACTISE.root}: ${PRACTISE.own}` },
  { value: 'relative', label: PRACTISE.relative },
];
const SIZES = [
  { value: 3, label: PRACTISE.triads },
  { value: 4, label: PRACTISE.sevenths },
] as const;

type OptionProps = Omit<Props, 'text'>;
const listens = (form: DrillForm, o: keyof DrillOptions): boolean => ORDERS[form.order].options.includes(o);

/** What this order listens to, and no more. */
function Options(props: OptionProps) {
  const { body, shape, form, onForm } = props;
  const has = (o: keyof DrillOptions): boolean => listens(form, o);
  return (
    <div className="flex flex-wrap items-end gap-3">
      {has('turn') && <Segmented label={PRACTISE.turn} value={form.turn} options={TURNS} onChange={(turn) => onForm({ turn })} />}
      {has('root') && <Segmented label={PRACTISE.root} value={form.root} options={ROOTS} onChange={(root) => onForm({ root, home: 0 })} />}
      {has('start') && <Home shape={shape} form={form} onForm={onForm} />}
      {has('everyRoot') && <Check label={PRACTISE.everyRoot} checked={form.everyRoot} onChange={(everyRoot) => onForm({ everyRoot })} />}
      <Numbers form={form} onForm={onForm} />
      {has('back') && <Check label={PRACTISE.back} checked={form.back} onChange={(back) => onForm({ back })} />}
      {has('scaleFirst') && (
        <Check label={PRACTISE.scaleFirst} checked={form.scaleFirst} onChange={(scaleFirst) => onForm({ scaleFirst })} />
      )}
      {has('down') && body.over && form.of === 'shape' && (
        <Check label={PRACTISE.downOver(scaleName(body.over))} checked={form.downOver} onChange={(downOver) => onForm({ downOver })} />
      )}
      {has('count') && (
        <NumberField label={PRACTISE.count} value={form.count} min={1} max={10_000} onChange={(count) => onForm({ count })} />
      )}
      {has('lean') && shape && <Lean shape={shape} lean={form.lean} onLean={(lean) => onForm({ lean })} />}
      {has('seed') && <Button onClick={() => onForm({ seed: (form.seed * 48271 + 1) % 2147483647 })}>{PRACTISE.seed}</Button>}
    </div>
  );
}

/** Which of the shape's roots it begins on. */
function Home({ shape, form, onForm }: Omit<OptionProps, 'body'>) {
  const homes = shape ? homesOf(shape, form) : [];
  if (homes.length < 2 || form.everyRoot || form.of !== 'shape') return null;
  return (
    <Select
      label={PRACTISE.home}
      value={String(Math.min(form.home, homes.length - 1))}
      options={homes.map((_, k) => ({ value: String(k), label: PRACTISE.nthRoot(k + 1) }))}
      onChange={(k) => onForm({ home: Number(k) })}
    />
  );
}

/** Notes in a group, the width of an interval, notes of an arpeggio. */
function Numbers({ form, onForm }: Pick<OptionProps, 'form' | 'onForm'>) {
  return (
    <>
      {listens(form, 'group') && (
        <Select
          label={PRACTISE.group}
          value={form.group}
          options={([3, 4, 5, 6] as const).map((n) => ({ value: n, label: String(n) }))}
          onChange={(group) => onForm({ group })}
        />
      )}
      {listens(form, 'interval') && (
        <Select
          label={PRACTISE.interval}
          value={form.interval}
          options={([3, 4, 5, 6, 7, 8] as const).map((n) => ({ value: n, label: PRACTISE.intervals[n - 3]! }))}
          onChange={(interval) => onForm({ interval })}
        />
      )}
      {listens(form, 'size') && <Select label={PRACTISE.size} value={form.size} options={SIZES} onChange={(size) => onForm({ size })} />}
    </>
  );
}

function Lean({ shape, lean, onLean }: { readonly shape: Shape; readonly lean: string[]; readonly onLean: (lean: string[]) => void }) {
  const degrees = [...new Set(shape.notes.map((n) => n.degree))];
  return (
    <fieldset className="w-full">
      <legend className="text-xs text-soft">{PRACTISE.lean}</legend>
      <div className="flex flex-wrap gap-x-3">
        {degrees.map((d) => (
          <Check key={d} label={d} checked={lean.includes(d)} onChange={(on) => onLean(on ? [...lean, d] : lean.filter((x) => x !== d))} />
        ))}
      </div>
    </fieldset>
  );
}
