import { Archive } from 'lucide-react';
import { FileButton } from '../../ui/FileButton';
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
  const bring = useBringIn();
  return (
    <>
      <FileButton label={NOTEBOOK.bringInFiles} name={NOTEBOOK.filesToBringIn} accept={ACCEPT} multiple onFiles={bring} />
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
