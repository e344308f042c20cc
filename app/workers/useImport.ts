import { useCallback, useEffect, useRef, useState } from 'react';
import type { ImportJob, Incoming, Wish } from '../files/read-files';
import type { ImportAnswer } from './import.worker';

interface Import {
  readonly reading: boolean;
  /** What the files will bring, in their order. */
  readonly incoming: Incoming[] | null;
  readonly read: (job: ImportJob) => void;
  /** One of the files read again, as the player wishes it. */
  readonly again: (at: number, wish: Wish) => void;
  readonly clear: () => void;
}

/** A file with a choice of the player's shown as made. */
const wished = (item: Incoming, wish: Wish): Incoming =>
  'choices' in item && item.choices ? { ...item, choices: { ...item.choices, asked: { ...item.choices.asked, ...wish } } } : item;

/** Reading files in a worker: what they will bring, wishes for each, a way to stop. The preview is what will be written: nothing is worked out twice. */
export function useImport(): Import {
  const worker = useRef<Worker | null>(null);
  const job = useRef<ImportJob | null>(null);
  const [reading, setReading] = useState(false);
  const [incoming, setIncoming] = useState<Incoming[] | null>(null);
  const end = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
    setReading(false);
  }, []);
  useEffect(() => end, [end]);
  const run = useCallback(
    (wanted: ImportJob, take: (found: Incoming[]) => void) => {
      end();
      setReading(true);
      const mine = new Worker(new URL('./import.worker.ts', import.meta.url), { type: 'module' });
      worker.current = mine;
      mine.onmessage = ({ data }: MessageEvent<ImportAnswer>) => {
        if ('done' in data) return;
        take(data.incoming);
        end();
      };
      mine.onerror = () => {
        take(wanted.files.map((f, at) => ({ file: f.name, at, kind: 'refused', why: 'this file could not be read.', choices: null })));
        end();
      };
      mine.postMessage(wanted);
    },
    [end],
  );
  const read = useCallback(
    (wanted: ImportJob) => {
      job.current = wanted;
      setIncoming(null);
      run(wanted, setIncoming);
    },
    [run],
  );
  const again = useCallback(
    (at: number, wish: Wish) => {
      if (!job.current) return;
      const { wishes = {} } = job.current;
      job.current = { ...job.current, wishes: { ...wishes, [at]: { ...wishes[at], ...wish } }, only: at };
      setIncoming((now) => now?.map((i) => (i.at === at ? wished(i, wish) : i)) ?? null); // the choice shows at once, what comes of it when it is read
      run(job.current, (found) => setIncoming((now) => now?.map((i) => found.find((f) => f.at === i.at) ?? i) ?? found));
    },
    [run],
  );
  const clear = useCallback(() => {
    end();
    job.current = null;
    setIncoming(null);
  }, [end]);
  return { reading, incoming, read, again, clear };
}
