import { Archive, Upload } from 'lucide-react';
import { useRef } from 'react';
import { Button } from '../../ui/Button';
import { SentencePart } from '../../ui/SentencePart';
import { useBringIn } from '../bring-in/BringIn';
import type { Entry } from '../../words/notebook-text';
import { Backups } from './Backups';
import { NotebookExport } from './NotebookExport';
import { NOTEBOOK } from '../../words/views/notebook';

interface Props {
  readonly chosen: readonly Entry[];
  readonly onProblem: (message: string | null) => void;
}

const ACCEPT = '.json,.musicxml,.xml,.mxl,.mid,.midi,.txt,.tab,.scl,.kbm';

/** Files in and out of the notebook, the whole of it in one file, and its dated copies. */
export function NotebookFiles({ chosen, onProblem }: Props) {
  const input = useRef<HTMLInputElement>(null);
  const bring = useBringIn();
  return (
    <>
      <Button icon={<Upload size={14} aria-hidden />} onClick={() => input.current?.click()}>
        {NOTEBOOK.bringInFiles}
      </Button>
      <input
        ref={input}
        type="file"
        multiple
        accept={ACCEPT}
        className="sr-only"
        aria-label={NOTEBOOK.filesToBringIn}
        tabIndex={-1}
        onChange={(e) => {
          bring([...(e.target.files ?? [])]);
          e.target.value = '';
        }}
      />
      <NotebookExport chosen={chosen} onProblem={onProblem} />
      <SentencePart
        name="backups"
        look="chip"
        text={
          <>
            <Archive size={14} aria-hidden /> {NOTEBOOK.backups}
          </>
        }
      >
        {() => <Backups onProblem={onProblem} />}
      </SentencePart>
    </>
  );
}
