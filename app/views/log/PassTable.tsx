import { useState } from 'react';
import { VERDICTS, type KeptPass, type Verdict } from '../../../contract';
import { glyphs } from '../../../core';
import { useCorrectPassMutation, useDeletePassMutation, useRestorePassMutation } from '../../store/practice/log-api';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/NumberField';
import { Select } from '../../ui/Select';
import { Signs } from '../../letters/Signs';
import { UndoBar } from '../../ui/UndoBar';
import { ORDER_WORDS, RHYTHM_WORDS, timeWords, VERDICT_WORDS } from '../../words/drill-text';
import { LOG } from '../../words/views/log';

interface Undo {
  readonly words: string;
  readonly undo: () => Promise<unknown>;
}

/** What of a pass can be set right. */
interface Corrected {
  readonly verdict: Verdict;
  readonly tempo: number;
}

const CELL = 'py-2 pr-3 align-top';

/** Corrects and deletes passes, and undoes the last of it. */
function useCorrections() {
  const [correct] = useCorrectPassMutation();
  const [remove] = useDeletePassMutation();
  const [restore] = useRestorePassMutation();
  const [undo, setUndo] = useState<Undo | null>(null);
  const [failed, setFailed] = useState(false);
  const tried = async (work: Promise<unknown>, then: () => void): Promise<void> => {
    setFailed(false);
    await work.then(then, () => setFailed(true));
  };
  const onRemove = (p: KeptPass): void =>
    void tried(remove(p.id).unwrap(), () => setUndo({ words: LOG.removed(p.what), undo: () => restore(p.id).unwrap() }));
  const onCorrect = (p: KeptPass, fields: Corrected, done: () => void): void => {
    const held = p.reached && fields.verdict === 'clean' && p.goal !== null && fields.tempo >= p.goal;
    void tried(correct({ id: p.id, ...fields, reached: held }).unwrap(), () => {
      done();
      const { id, verdict, tempo, reached } = p;
      setUndo({ words: LOG.corrected(p.what), undo: () => correct({ id, verdict, tempo, reached }).unwrap() });
    });
  };
  const forget = (): void => setUndo(null);
  return { undo, onUndo: (last: Undo) => void tried(last.undo(), forget), forget, failed, onRemove, onCorrect };
}

const HEADS = [LOG.date, LOG.what, LOG.tempo, LOG.verdict, LOG.seconds];

/** The passes of the log. Each can be corrected or deleted, and that undone. */
export function PassTable({ passes }: { readonly passes: KeptPass[] }) {
  const { undo, onUndo, forget, failed, onRemove, onCorrect } = useCorrections();
  const [editing, setEditing] = useState<string | null>(null);
  const close = (): void => setEditing(null);
  return (
    <section className="relative min-w-0 overflow-x-auto rounded-[10px] border border-line bg-sheet p-4">
      {failed && (
        <p role="alert" className="mb-2 text-clay">
          {LOG.notDone}
        </p>
      )}
      {undo && <UndoBar words={glyphs(undo.words)} undo={LOG.undo} onUndo={() => onUndo(undo)} onClose={forget} />}
      <table className="w-full border-collapse text-left text-[0.84375rem]">
        <caption className="mb-1 text-left text-[0.875rem] font-semibold">{LOG.table}</caption>
        <thead>
          <tr className="text-xs text-soft">
            {HEADS.map((h) => (
              <th key={h} scope="col" className="py-1 pr-3 font-normal">
                {h}
              </th>
            ))}
            <th scope="col" className="no-print">
              <span className="sr-only">{LOG.correct}</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {passes.map((p) => (
            <tr key={p.id} className="border-t border-line">
              <What pass={p} />
              {editing === p.id ? (
                <td colSpan={4} className={CELL}>
                  <Correcting pass={p} onSave={(fields) => onCorrect(p, fields, close)} onCancel={close} />
                </td>
              ) : (
                <How pass={p} onEdit={() => setEditing(p.id)} onRemove={() => onRemove(p)} />
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

function What({ pass: p }: { readonly pass: KeptPass }) {
  return (
    <>
      <td className={`num whitespace-nowrap ${CELL}`}>{p.day}</td>
      <td className={`min-w-40 ${CELL}`}>
        <Signs>{glyphs(p.what)}</Signs>
        <span className="block text-xs text-soft">
          <Signs>{`${ORDER_WORDS[p.order].title.toLowerCase()}, ${RHYTHM_WORDS[p.rhythm]} · ${glyphs(p.studyName)}`}</Signs>
        </span>
      </td>
    </>
  );
}

interface HowProps {
  readonly pass: KeptPass;
  readonly onEdit: () => void;
  readonly onRemove: () => void;
}

function How({ pass: p, onEdit, onRemove }: HowProps) {
  return (
    <>
      <td className={`num ${CELL}`}>{p.tempo}</td>
      <td className={CELL}>
        {VERDICT_WORDS[p.verdict]}
        {p.reached ? `, ${LOG.held}` : ''}
      </td>
      <td className={`num whitespace-nowrap ${CELL}`}>{timeWords(p.seconds)}</td>
      <td className="no-print flex gap-1 py-1">
        <Button look="quiet" onClick={onEdit}>
          {LOG.correct}
        </Button>
        <Button look="quiet" onClick={onRemove}>
          {LOG.remove}
        </Button>
      </td>
    </>
  );
}

const OPTIONS = VERDICTS.map((value) => ({ value, label: VERDICT_WORDS[value] }));

interface CorrectingProps {
  readonly pass: KeptPass;
  readonly onSave: (f: Corrected) => void;
  readonly onCancel: () => void;
}

function Correcting({ pass, onSave, onCancel }: CorrectingProps) {
  const [verdict, setVerdict] = useState(pass.verdict);
  const [tempo, setTempo] = useState(pass.tempo);
  return (
    <div className="flex flex-wrap items-end gap-2">
      <div className="w-24">
        <NumberField label={LOG.tempo} value={tempo} min={10} max={400} onChange={setTempo} />
      </div>
      <div className="w-32">
        <Select label={LOG.verdict} value={verdict} options={OPTIONS} onChange={setVerdict} />
      </div>
      <Button look="brass" onClick={() => onSave({ verdict, tempo })}>
        {LOG.save}
      </Button>
      <Button onClick={onCancel}>{LOG.cancel}</Button>
    </div>
  );
}
