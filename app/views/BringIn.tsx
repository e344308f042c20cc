import { Dialog } from 'radix-ui';
import { createContext, useCallback, useContext, useEffect, useMemo, useState, type ReactNode } from 'react';
import { useNavigate } from 'react-router';
import type { Incoming } from '../files/read-files';
import { store, useAppDispatch, useAppSelector } from '../store';
import { viewPath } from '../store/paths';
import { useAddNotebookMutation, useCreateInstrumentMutation } from '../store/api';
import { change } from '../store/change';
import { intoStudy } from '../store/into';
import { addLicks } from '../store/licks';
import { selectBody } from '../store/study';
import { Button } from '../ui/Button';
import { Signs } from '../ui/Signs';
import { counted } from '../words/count-text';
import { instrumentWords } from '../words/tuning-text';
import { refusalWords } from '../words/save-text';
import { useImport } from '../workers/useImport';
import { useSomethingOpen } from './useOpenStudy';
import { NEW_INSTRUMENT } from '../store/loose';
import { isolated } from '../words/name-text';
import { STUDY } from '../words/views/study';

/** Asks for files to be read and shown before anything is written. */
const Bring = createContext<(files: readonly File[]) => void>(() => undefined);
export const useBringIn = () => useContext(Bring);

const words = (item: Incoming): string => {
  switch (item.kind) {
    case 'licks':
      return item.licks.length === 1 ? `a lick, “${isolated(item.licks[0].name)}”` : `${item.licks.length} licks`;
    case 'notebook':
      return `${counted(item.bundle.studies.length, 'study', 'studies')} and ${counted(item.bundle.instruments.length, 'instrument')}, beside what is here`;
    case 'instrument':
      return `an instrument, “${isolated(item.instrument.name)}”: ${instrumentWords(item.instrument)}`;
    case 'refused':
      return `nothing: ${item.why}`;
  }
};

/** Files dropped anywhere on the window, or chosen, are read, shown, and brought in only when the player says so. */
export function BringInProvider({ children }: { children: ReactNode }) {
  useSomethingOpen();
  const body = useAppSelector(selectBody);
  const { reading, incoming, read, clear } = useImport();
  const [over, setOver] = useState(false);
  const bring = useCallback(
    (files: readonly File[]) => {
      const into = body
        ? intoStudy(body)
        : { instrument: NEW_INSTRUMENT, tempo: 90, school: 'finger-per-fret' as const, hand: { size: 'medium' as const }, room: 0 };
      void Promise.all(files.map(async (f) => ({ name: f.name, bytes: new Uint8Array(await f.arrayBuffer()) }))).then(
        (all) => all.length && read({ files: all, into }),
      );
    },
    [body, read],
  );
  useDrop(bring, setOver);
  return (
    <Bring.Provider value={bring}>
      {children}
      {over && (
        <div
          aria-hidden
          className="pointer-events-none fixed inset-0 z-40 grid place-items-center bg-night/60 text-xl font-semibold text-white"
        >
          {STUDY.dropItHereTabMusicxml}
        </div>
      )}
      <Dialog.Root modal={false} open={reading || incoming !== null} onOpenChange={(open) => !open && clear()}>
        <Dialog.Portal>
          <Dialog.Content
            aria-describedby={undefined}
            className="fixed top-1/2 left-1/2 z-30 grid max-h-[90vh] w-[min(38rem,94vw)] -translate-x-1/2 -translate-y-1/2 gap-3 overflow-auto rounded-lg border border-line bg-sheet p-5 shadow-2xl"
          >
            <Dialog.Title className="text-lg font-semibold">{STUDY.whatWillComeIn}</Dialog.Title>
            {reading && (
              <p role="status">
                {STUDY.reading} <Button onClick={clear}>{STUDY.cancel}</Button>
              </p>
            )}
            {incoming && <Preview incoming={incoming} onClose={clear} />}
          </Dialog.Content>
        </Dialog.Portal>
      </Dialog.Root>
    </Bring.Provider>
  );
}

function useDrop(bring: (files: readonly File[]) => void, setOver: (over: boolean) => void): void {
  useEffect(() => {
    const hasFiles = (e: DragEvent): boolean => !!e.dataTransfer?.types.includes('Files');
    const over = (e: DragEvent): void => {
      if (!hasFiles(e)) return;
      e.preventDefault();
      setOver(true);
    };
    const leave = (e: DragEvent): void => {
      if (e.relatedTarget === null) setOver(false);
    };
    const drop = (e: DragEvent): void => {
      if (!hasFiles(e)) return;
      e.preventDefault();
      setOver(false);
      bring([...(e.dataTransfer?.files ?? [])]);
    };
    addEventListener('dragover', over);
    addEventListener('dragleave', leave);
    addEventListener('drop', drop);
    return () => {
      removeEventListener('dragover', over);
      removeEventListener('dragleave', leave);
      removeEventListener('drop', drop);
    };
  }, [bring, setOver]);
}

/** What each file brings, and the press that writes it. All or nothing: the server is asked first. */
function Preview({ incoming, onClose }: { incoming: Incoming[]; onClose: () => void }) {
  const dispatch = useAppDispatch();
  const navigate = useNavigate();
  const [addNotebook] = useAddNotebookMutation();
  const [addInstrument] = useCreateInstrumentMutation();
  const [problem, setProblem] = useState<string | null>(null);
  const name = useAppSelector((s) => s.editor.body?.name);
  const licks = useMemo(() => incoming.flatMap((i) => (i.kind === 'licks' ? i.licks : [])), [incoming]);
  const good = incoming.some((i) => i.kind !== 'refused');
  const write = async (): Promise<void> => {
    for (const item of incoming) {
      const result =
        item.kind === 'notebook'
          ? await addNotebook(item.bundle)
          : item.kind === 'instrument'
            ? await addInstrument(item.instrument)
            : null;
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
    onClose();
    void navigate(
      licks.length
        ? viewPath(store.getState().editor.id, 'licks')
        : incoming.some((i) => i.kind === 'notebook')
          ? '/notebook'
          : '/instruments',
    );
  };
  return (
    <>
      <ul className="grid gap-2">
        {incoming.map((item) => (
          <li key={item.file} className="border-b border-line/60 pb-2 last:border-0">
            <p className={item.kind === 'refused' ? 'text-clay' : ''}>
              <b className="font-semibold">{isolated(item.file)}</b>: <Signs>{words(item)}</Signs>
            </p>
            {item.kind === 'licks' && (
              <ul className="text-xs text-soft">
                {item.remarks.map((r) => (
                  <li key={r}>{r}</li>
                ))}
                {item.licks[0].instrument && (
                  <li>
                    <Signs>{STUDY.onItCanBeBrought(instrumentWords(item.licks[0].instrument))}</Signs>
                  </li>
                )}
              </ul>
            )}
          </li>
        ))}
      </ul>
      {licks.length > 0 && (
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
        <Button look="brass" disabled={!good} onClick={() => void write()}>
          {STUDY.bringIn}
        </Button>
        <Button onClick={onClose}>{good ? STUDY.leaveIt : STUDY.close}</Button>
      </div>
    </>
  );
}
