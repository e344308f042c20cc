import type { DrillForm, StudyBody } from '../../../contract';
import type { Shape } from '../../../core';
import { Segmented } from '../../ui/Segmented';
import { Select } from '../../ui/Select';
import { SentencePart } from '../../ui/SentencePart';
import { Signs } from '../../letters/Signs';
import { isolated } from '../../words/name-text';
import { PRACTISE } from '../../words/views/practise';
import { RungChoice } from '../RungChoice';
import { Check, Chooser } from './Choices';

interface Props {
  readonly body: StudyBody;
  readonly shapes: Shape[];
  readonly current: number;
  readonly form: DrillForm;
  readonly what: string;
  readonly onForm: (fields: Partial<DrillForm>) => void;
}

const OF_ALL = { line: null };
/** A lick or a route is played as it stands. */
const OF_LINE = { line: null, order: 'up' } as const;
const FROM_OF: Record<DrillForm['of'], Partial<DrillForm>> = { shape: OF_ALL, rungs: OF_ALL, route: OF_LINE, lick: OF_LINE };
const MOTIONS: { readonly value: DrillForm['motion']; readonly label: string }[] = [
  { value: 'each', label: PRACTISE.eachUpDown },
  { value: 'alternate', label: PRACTISE.alternate },
];
const namesOf = (lines: readonly { readonly name: string }[]): string =>
  lines.length
    ? lines
        .map((l) => l.name)
        .join(', ')
        .slice(0, 60)
    : PRACTISE.none;

/** What is drilled: a shape, all rungs, a kept route or a lick; on all strings or some. */
export function WhatPart(props: Props) {
  const { form, what } = props;
  const named = form.of === 'route' || form.of === 'lick';
  return (
    <SentencePart name={PRACTISE.what} shortcut="f" wide text={<Signs>{named ? isolated(what) : what}</Signs>}>
      {() => <WhatChoices {...props} />}
    </SentencePart>
  );
}

function WhatChoices({ body, shapes, current, form, onForm }: Omit<Props, 'what'>) {
  const { routes, licks } = body;
  const lines = form.of === 'route' ? routes : form.of === 'lick' ? licks : [];
  return (
    <>
      <Chooser<DrillForm['of']>
        label={PRACTISE.what}
        value={form.of}
        options={[
          { value: 'shape', label: PRACTISE.shapeHere, does: shapes[current]?.label ?? PRACTISE.none },
          { value: 'rungs', label: PRACTISE.allRungs, does: `${shapes.length}` },
          { value: 'route', label: PRACTISE.keptRoute, does: namesOf(routes) },
          { value: 'lick', label: PRACTISE.lick, does: namesOf(licks) },
        ]}
        onChange={(of) => onForm({ of, ...FROM_OF[of] })}
      />
      {form.of === 'shape' && shapes.length > 0 && <RungChoice label={PRACTISE.shapeHere} shapes={shapes} current={current} />}
      {lines.length > 0 && (
        <Select
          label={form.of === 'route' ? PRACTISE.keptRoute : PRACTISE.lick}
          value={lines.find((l) => l.id === form.line)?.id ?? lines[0]!.id}
          options={lines.map((l) => ({ value: l.id, label: l.name }))}
          onChange={(line) => onForm({ line })}
        />
      )}
      {form.of === 'rungs' && (
        <>
          <Segmented label={PRACTISE.motion} value={form.motion} options={MOTIONS} onChange={(motion) => onForm({ motion })} />
          <Check label={PRACTISE.touchRoot} checked={form.touchRoot} onChange={(touchRoot) => onForm({ touchRoot })} />
        </>
      )}
      {form.of !== 'lick' && <StringChoice count={body.instrument.strings.length} form={form} onForm={onForm} />}
    </>
  );
}

interface StringProps {
  readonly count: number;
  readonly form: DrillForm;
  readonly onForm: (fields: Partial<DrillForm>) => void;
}

function StringChoice({ count, form, onForm }: StringProps) {
  const sets = setsOf(count);
  return (
    <fieldset className="flex flex-col gap-1">
      <legend className="text-xs text-soft">{PRACTISE.strings}</legend>
      <Segmented
        label={PRACTISE.strings}
        value={sets.find((s) => s.strings.join() === form.strings.join())?.value ?? 'own'}
        options={sets.map(({ value, label }) => ({ value, label }))}
        onChange={(value) => onForm({ strings: sets.find((s) => s.value === value)?.strings ?? [] })}
      />
      <div className="flex flex-wrap gap-x-3">
        {Array.from({ length: count }, (_, k) => (
          <Check
            key={k}
            label={PRACTISE.stringN(k + 1)}
            checked={!form.strings.length || form.strings.includes(k + 1)}
            onChange={(on) => onForm({ strings: toggled(form.strings, k + 1, on, count) })}
          />
        ))}
      </div>
    </fieldset>
  );
}

interface StringSet {
  readonly value: string;
  readonly label: string;
  readonly strings: number[];
}

/** Sets of strings that players ask for by name; on one or two strings there is nothing to choose. */
function setsOf(count: number): StringSet[] {
  const all = { value: 'all', label: PRACTISE.allStrings, strings: [] };
  if (count < 3) return [all];
  const middle = Math.floor(count / 2);
  const skipped = Array.from({ length: Math.ceil(count / 2) }, (_, k) => 2 * k + 1);
  return [
    all,
    { value: 'top', label: PRACTISE.topTwo, strings: [1, 2] },
    { value: 'middle', label: PRACTISE.middleTwo, strings: [middle, middle + 1] },
    { value: 'skipped', label: PRACTISE.skipped, strings: skipped },
  ];
}

/** Strings with one more or one fewer; all of them is none named, and the last one stays. */
function toggled(strings: readonly number[], string: number, on: boolean, count: number): number[] {
  const before = strings.length ? strings : Array.from({ length: count }, (_, k) => k + 1);
  const after = on ? [...before, string].sort((a, b) => a - b) : before.filter((s) => s !== string);
  return after.length === count || !after.length ? [] : after;
}
