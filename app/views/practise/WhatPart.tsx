import type { DrillForm, StudyBody } from '../../../contract';
import type { Shape } from '../../../core';
import { Segmented } from '../../ui/Segmented';
import { Select } from '../../ui/Select';
import { SentencePart } from '../../ui/SentencePart';
import { Signs } from '../../ui/Signs';
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

/** What is drilled: a shape, all rungs, a kept route or a lick; on all strings or some. */
export function WhatPart({ body, shapes, current, form, what, onForm }: Props) {
  const { routes, licks, instrument } = body;
  const count = instrument.strings.length;
  const lines = form.of === 'route' ? routes : form.of === 'lick' ? licks : [];
  const sets = setsOf(count);
  const chosen = sets.find((s) => s.strings.join() === form.strings.join())?.value ?? 'own';
  return (
    <SentencePart
      name={PRACTISE.what}
      shortcut="f"
      wide
      text={<Signs>{form.of === 'route' || form.of === 'lick' ? isolated(what) : what}</Signs>}
    >
      {() => (
        <>
          <Chooser<DrillForm['of']>
            label={PRACTISE.what}
            value={form.of}
            options={[
              { value: 'shape', label: PRACTISE.shapeHere, does: shapes[current]?.label ?? PRACTISE.none },
              { value: 'rungs', label: PRACTISE.allRungs, does: `${shapes.length}` },
              {
                value: 'route',
                label: PRACTISE.keptRoute,
                does: routes.length
                  ? routes
                      .map((r) => r.name)
                      .join(', ')
                      .slice(0, 60)
                  : PRACTISE.none,
              },
              {
                value: 'lick',
                label: PRACTISE.lick,
                does: licks.length
                  ? licks
                      .map((l) => l.name)
                      .join(', ')
                      .slice(0, 60)
                  : PRACTISE.none,
              },
            ]}
            onChange={(of) => onForm({ of, line: null, ...(of === 'lick' || of === 'route' ? { order: 'up' } : {}) })}
          />
          {form.of === 'shape' && shapes.length > 0 && <RungChoice label={PRACTISE.shapeHere} shapes={shapes} current={current} />}
          {lines.length > 0 && (
            <Select
              label={form.of === 'route' ? PRACTISE.keptRoute : PRACTISE.lick}
              value={lines.find((l) => l.id === form.line)?.id ?? lines[0].id}
              options={lines.map((l) => ({ value: l.id, label: l.name }))}
              onChange={(line) => onForm({ line })}
            />
          )}
          {form.of === 'rungs' && (
            <>
              <Segmented<DrillForm['motion']>
                label={PRACTISE.motion}
                value={form.motion}
                options={[
                  { value: 'each', label: PRACTISE.eachUpDown },
                  { value: 'alternate', label: PRACTISE.alternate },
                ]}
                onChange={(motion) => onForm({ motion })}
              />
              <Check label={PRACTISE.touchRoot} checked={form.touchRoot} onChange={(touchRoot) => onForm({ touchRoot })} />
            </>
          )}
          {form.of !== 'lick' && (
            <fieldset className="flex flex-col gap-1">
              <legend className="text-xs text-soft">{PRACTISE.strings}</legend>
              <Segmented
                label={PRACTISE.strings}
                value={chosen}
                options={sets.map(({ value, label }) => ({ value, label }))}
                onChange={(value) => onForm({ strings: sets.find((s) => s.value === value)?.strings ?? [] })}
              />
              <div className="flex flex-wrap gap-x-3">
                {instrument.strings.map((_, k) => (
                  <Check
                    key={k}
                    label={PRACTISE.stringN(k + 1)}
                    checked={!form.strings.length || form.strings.includes(k + 1)}
                    onChange={(on) => onForm({ strings: toggled(form.strings, k + 1, on, count) })}
                  />
                ))}
              </div>
            </fieldset>
          )}
        </>
      )}
    </SentencePart>
  );
}

interface StringSet {
  readonly value: string;
  readonly label: string;
  readonly strings: number[];
}

/** Sets of strings that players ask for by name; on one or two strings there is nothing to choose. */
function setsOf(count: number): StringSet[] {
  const all = { value: 'all', label: PRACTISE.allStrings, strings: [] as number[] };
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
