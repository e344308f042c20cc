import { useMemo, useState } from 'react';
import { useNavigate } from 'react-router';
import type { Incoming, Wish } from '../../files/read-files';
import { store, useAppDispatch, useAppSelector } from '../../store';
import { useAddNotebookMutation, useCreateInstrumentMutation } from '../../store/api';
import { change } from '../../store/change';
import { addLicks } from '../../store/licks';
import { viewPath } from '../../store/paths';
import { Button } from '../../ui/Button';
import { Signs } from '../../letters/Signs';
import { incomingWords } from '../../words/incoming-text';
import { isolated } from '../../words/name-text';
import { refusalWords } from '../../words/save-text';
import { instrumentWords } from '../../words/tuning-text';
import { STUDY } from '../../words/views/study';
import { Register } from './Register';
import { Wishes } from './Wishes';

interface Props {
  readonly incoming: Incoming[];
  /** A file is being read again. */
  readonly reading: boolean;
  readonly onAgain: (at: number, wish: Wish) => void;
  readonly onClose: () => void;
}

/** What each file brings, what of it can be chosen, and the press that writes it. All or nothing: the server is asked first. */
export function Preview({ incoming, reading, onAgain, onClose }: Props) {
  const name = useAppSelector((s) => s.editor.body?.name);
  const { write, problem } = useWriting(incoming, onClose);
  const good = incoming.some((i) => i.kind === 'licks' || i.kind === 'notebook' || i.kind === 'instrument');
  const asks = incoming.some((i) => i.kind === 'asks');
  return (
    <>
      <ul className="grid gap-2" aria-busy={reading}>
        {incoming.map((item) => (
          <Item key={item.at} item={item} onWish={(wish) => onAgain(item.at, wish)} />
        ))}
      </ul>
      {incoming.some((i) => i.kind === 'licks') && (
        <p className="text-soft">
          <Signs>{STUDY.licksGoIntoTheOpen(isolated(name ?? ''))}</Signs>
        </p>
      )}
      {problem && (
        <p role="alert" className="text-clay">
          {problem}
        </p>
      )}
      <div className="flex gap-2">
        <Button look="brass" disabled={!good || asks || reading} onClick={() => void write()}>
          {STUDY.bringIn}
        </Button>
        <Button onClick={onClose}>{good || asks ? STUDY.leaveIt : STUDY.close}</Button>
      </div>
    </>
  );
}

/** One file: what comes of it, what was taken and left, what can be chosen. */
function Item({ item, onWish }: { readonly item: Incoming; readonly onWish: (wish: Wish) => void }) {
  const choices = item.kind === 'licks' || item.kind === 'refused' ? item.choices : null;
  const neck = item.kind === 'licks' ? item.licks[0]!.instrument : null;
  return (
    <li className="grid gap-1 border-b border-line/60 pb-2 last:border-0">
      <p className={item.kind === 'refused' ? 'text-clay' : ''}>
        <b className="font-semibold">{isolated(item.file)}</b>: <Signs>{incomingWords(item)}</Signs>
      </p>
      {choices && <Wishes choices={choices} onWish={onWish} />}
      {(item.kind === 'asks' || (item.kind === 'instrument' && item.register !== null)) && (
        <Register value={item.kind === 'instrument' ? item.register : null} onChange={(register) => onWish({ register })} />
      )}
      {(item.kind === 'licks' || item.kind === 'instrument') && (
        <ul className="text-xs text-soft" aria-live="polite">
          {item.remarks.map((r) => (
            <li key={r}>
              <Signs>{r}</Signs>
            </li>
          ))}
          {neck && (
            <li>
              <Signs>{STUDY.onItCanBeBrought(instrumentWords(neck))}</Signs>
            </li>
          )}
        </ul>
      )}
    </li>
  );
}

/** Writing what was shown; then the view where it is. */
function useWriting(incoming: Incoming[], onDone: () => void): { readonly write: () => Promise<void>; readonly problem: string | null } {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [addNotebook] = useAddNotebookMutation();
  const [addInstrument] = useCreateInstrumentMutation();
  const [problem, setProblem] = useState<string | null>(null);
  const licks = useMemo(() => incoming.flatMap((i) => (i.kind === 'licks' ? i.licks : [])), [incoming]);
  const toServer = (item: Incoming) => {
    if (item.kind === 'notebook') return addNotebook(item.bundle);
    return item.kind === 'instrument' ? addInstrument(item.instrument) : null;
  };
  const write = async (): Promise<void> => {
    for (const item of incoming) {
      const result = await toServer(item);
      if (result && 'error' in result && result.error)
        return setProblem(STUDY.nothingOfItWasWritten(item.file, refusalWords(result.error)));
    }
    if (licks.length) {
      let added = false;
      dispatch(
        change((now) => {
          const edit = addLicks(now.body, licks);
          added = edit !== null;
          return edit;
        }),
      );
      if (!added) return setProblem(STUDY.theStudyHasNoRoom);
    }
    onDone();
    const toNotebook = incoming.some((i) => i.kind === 'notebook');
    void navigate(licks.length ? viewPath(store.getState().editor.id, 'licks') : toNotebook ? '/notebook' : '/instruments');
  };
  return { write, problem };
}
