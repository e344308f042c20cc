import { Copy, Plus, Trash2 } from 'lucide-react';
import { MOST_PROGRESSIONS, type KeptProgression, type StudyBody } from '../../../contract';
import { FORM_NAMES, formIn } from '../../../core';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { edited } from '../../store/editor';
import { overSet } from '../../store/over';
import { addForm, addWritten, dropProgression, duplicate, withProgression } from '../../store/progressions';
import { Button } from '../../ui/Button';
import { Chooser, type Choice } from '../../ui/Chooser';
import { SentencePart } from '../../ui/SentencePart';
import { Signs } from '../../letters/Signs';
import { isolated } from '../../words/name-text';
import { PROGRESSION } from '../../words/views/progression';

type Taken = { readonly kept: string } | { readonly form: (typeof FORM_NAMES)[number] };

const oneLine = (text: string): string =>
  text
    .replace(/\|\s*\n\s*\|/g, '|')
    .replace(/\s+/g, ' ')
    .trim();
const titleOf = (form: string): string => form[0]!.toUpperCase() + form.slice(1);

/** Kept progressions and starting points whose name has what was typed. */
function choicesFor(body: StudyBody, text: string): Choice<Taken>[] {
  const wanted = text.trim().toLowerCase();
  const kept = body.progressions.map((k): Choice<Taken> => ({
    key: k.id,
    value: { kept: k.id },
    title: isolated(k.name),
    detail: oneLine(k.text).slice(0, 40),
  }));
  const forms = FORM_NAMES.map((form): Choice<Taken> => ({
    key: form,
    value: { form },
    title: titleOf(form),
    detail: oneLine(formIn(form, body.scale.tonic).text).slice(0, 40),
  }));
  return [...kept, ...forms].filter((c) => c.title.toLowerCase().includes(wanted));
}

/** Opens a kept progression, or begins another at a starting point. */
export function ProgressionChooser({
  body,
  current,
  close,
}: {
  readonly body: StudyBody;
  readonly current?: string;
  readonly close: () => void;
}) {
  const dispatch = useAppDispatch();
  const take = (taken: Taken): void => {
    if ('kept' in taken) dispatch(edited({ progression: taken.kept }));
    else dispatch(change((n) => addForm(n.body, taken.form, titleOf(taken.form))));
    dispatch(overSet({ at: 0, way: 0, target: null }));
    close();
  };
  return (
    <Chooser<Taken>
      label={`${PROGRESSION.kept}; ${PROGRESSION.startFrom.toLowerCase()} ${PROGRESSION.startOn(body.scale.tonic)}`}
      placeholder={PROGRESSION.placeholder}
      find={(text) => choicesFor(body, text)}
      onChoose={take}
      {...(current ? { current } : {})}
      empty={PROGRESSION.noneOfThatName}
      render={(text) => <Signs>{text}</Signs>}
    />
  );
}

/** Which progression of the study: choose, begin, name, copy and delete. */
export function ProgressionPart({ body, p }: { readonly body: StudyBody; readonly p: KeptProgression }) {
  const dispatch = useAppDispatch();
  const full = body.progressions.length >= MOST_PROGRESSIONS;
  return (
    <SentencePart name={PROGRESSION.part.progression} shortcut="p" text={<Signs>{isolated(p.name)}</Signs>} wide>
      {(close) => (
        <>
          <ProgressionChooser body={body} current={p.id} close={close} />
          <label className="flex flex-col gap-1 text-xs text-soft">
            {PROGRESSION.rename}
            <input
              defaultValue={p.name}
              maxLength={120}
              onBlur={(e) => {
                const name = e.target.value.trim();
                if (name && name !== p.name) dispatch(change((n) => withProgression(n.body, () => ({ name }))));
              }}
              className="rounded-md border border-line bg-paper px-2 py-1.5 text-[0.84375rem] text-ink"
            />
          </label>
          <div className="flex flex-wrap gap-2">
            <Button
              disabled={full}
              icon={<Plus size={14} aria-hidden />}
              onClick={() => {
                dispatch(change((n) => addWritten(n.body, { name: PROGRESSION.fresh, text: '' })));
                dispatch(overSet({ writing: true, at: 0 }));
                close();
              }}
            >
              {PROGRESSION.writeOwn}
            </Button>
            <Button
              disabled={full}
              icon={<Copy size={14} aria-hidden />}
              onClick={() => {
                dispatch(change((n) => duplicate(n.body)));
                close();
              }}
            >
              {PROGRESSION.again}
            </Button>
            <Button
              icon={<Trash2 size={14} aria-hidden />}
              onClick={() => {
                dispatch(change((n) => dropProgression(n.body)));
                close();
              }}
            >
              {PROGRESSION.drop}
            </Button>
          </div>
          {full && <p className="text-clay">{PROGRESSION.full(MOST_PROGRESSIONS)}</p>}
        </>
      )}
    </SentencePart>
  );
}
