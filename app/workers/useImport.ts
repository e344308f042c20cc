import { useCallback, useEffect, useRef, useState } from 'react';
import type { ImportJob, Incoming } from '../files/read-files';
import type { ImportAnswer } from './import.worker';

/** Reading files in a worker: how many are done, what they will bring, a way to stop. */
export function useImport(): { reading: boolean; incoming: Incoming[] | null; read: (job: ImportJob) => void; clear: () => void } {
  const worker = useRef<Worker | null>(null);
  const [reading, setReading] = useState(false);
  const [incoming, setIncoming] = useState<Incoming[] | null>(null);
  const end = useCallback(() => {
    worker.current?.terminate();
    worker.current = null;
    setReading(false);
  }, []);
  useEffect(() => end, [end]);
  const read = useCallback(
    (job: ImportJob) => {
      end();
      setIncoming(null);
      setReading(true);
      const mine = new Worker(new URL('./import.worker.ts', import.meta.url), { type: 'module' });
      worker.current = mine;
      const refuse = (why: string): void => setIncoming(job.files.map((f) => ({ file: f.name, kind: 'refused', why })));
      mine.onmessage = ({ data }: MessageEvent<ImportAnswer>) => {
        if ('done' in data) return;
        setIncoming(data.incoming);
        end();
      };
      mine.onerror = () => {
        refuse('this file could not be read.');
        end();
      };
      mine.postMessage(job);
    },
    [end],
  );
  const clear = useCallback(() => {
    end();
    setIncoming(null);
  }, [end]);
  return { reading, incoming, read, clear };
}
