import { createContext, useCallback, useContext, useEffect, useState, type ReactNode } from 'react';
import { useAppSelector } from '../../store';
import { intoStudy } from '../../store/into';
import { NEW_INSTRUMENT } from '../../store/loose';
import { selectBody } from '../../store/study';
import { later } from '../../ui/later';
import { STUDY } from '../../words/views/study';
import { useImport } from '../../workers/useImport';
import { useSomethingOpen } from '../useOpenStudy';

/** What came in, to be looked at; it is a file of its own, for it is seldom asked for. */
const IncomingFiles = later(async () => (await import('./IncomingFiles')).IncomingFiles, { spare: true });

/** Asks for files to be read and shown before anything is written. */
const Bring = createContext<(files: readonly File[]) => void>(() => undefined);
export const useBringIn = () => useContext(Bring);

/** Files dropped anywhere on the window, or chosen, are read, shown, and brought in only when the player says so. */
export function BringInProvider({ children }: { readonly children: ReactNode }) {
  useSomethingOpen();
  const body = useAppSelector(selectBody);
  const { reading, incoming, read, again, clear } = useImport();
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
      {(reading || incoming !== null) && <IncomingFiles incoming={incoming} reading={reading} onAgain={again} onClose={clear} />}
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
