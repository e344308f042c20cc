import { useCallback, useEffect, useRef, useState } from 'react';
import type { BookletRequest } from '../../formats/booklet/booklet';
import type { PaperRequest } from '../../formats/sheet/pages';
import type { SheetAnswer, SheetJob } from './sheet.worker';

type Made = { readonly pdf: Uint8Array<ArrayBuffer> } | { readonly svgs: string[] };

/** Makes a sheet in a worker: how many pages are done, a way to cancel, and why it failed. */
export function useSheet(): {
  readonly pages: number | null;
  readonly problem: string | null;
  readonly make: (request: PaperRequest, as: 'pdf' | 'svg') => Promise<Made>;
  /** A booklet as PDF; null where it was cancelled or could not be made, which `problem` tells. */
  readonly bind: (booklet: BookletRequest) => Promise<Uint8Array<ArrayBuffer> | null>;
  readonly cancel: () => void;
} {
  const worker = useRef<Worker | null>(null);
  const [pages, setPages] = useState<number | null>(null);
  const [problem, setProblem] = useState<string | null>(null);

  const cancel = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
    setPages(null);
  }, []);
  useEffect(() => cancel, [cancel]);

  const work = useCallback(
    (job: SheetJob): Promise<Made> => {
      cancel();
      setProblem(null);
      setPages(0);
      const mine = new Worker(new URL('./sheet.worker.ts', import.meta.url), { type: 'module' });
      worker.current = mine;
      return new Promise((resolve, reject) => {
        const fail = (message: string): void => {
          setProblem(message);
          cancel();
          reject(new Error(message));
        };
        mine.onmessage = ({ data }: MessageEvent<SheetAnswer>) => {
          if ('done' in data) return setPages(data.done);
          if ('problem' in data) return fail(data.problem);
          cancel();
          resolve(data);
        };
        mine.onerror = () => fail('The sheet could not be made.');
        mine.postMessage(job);
      });
    },
    [cancel],
  );
  const make = useCallback((request: PaperRequest, as: 'pdf' | 'svg') => work({ request, as }), [work]);
  const bind = useCallback(
    (booklet: BookletRequest) =>
      work({ booklet }).then(
        (made) => ('pdf' in made ? made.pdf : null),
        () => null,
      ),
    [work],
  );
  return { pages, problem, make, bind, cancel };
}
