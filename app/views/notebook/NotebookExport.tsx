import { Download } from 'lucide-react';
import { later } from '../../ui/later';
import { SentencePart } from '../../ui/SentencePart';
import { countWords } from '../../words/notebook-text';
import { NOTEBOOK } from '../../words/views/notebook';
import type { NotebookExportProps } from './NotebookExportForm';

const NotebookExportForm = later(async () => (await import('./NotebookExportForm')).NotebookExportForm);

/** Studies that are ticked, and licks, as files. */
export function NotebookExport({ chosen, onProblem }: NotebookExportProps) {
  const words = chosen.length ? countWords(chosen) : 'chosen';
  return (
    <SentencePart
      name="export"
      look="chip"
      text={
        <>
          <Download size={14} aria-hidden /> {NOTEBOOK.export(words)}
        </>
      }
    >
      {(close) => <NotebookExportForm chosen={chosen} onProblem={onProblem} close={close} />}
    </SentencePart>
  );
}
