import { Download } from 'lucide-react';
import { later } from '../ui/later';
import { SentencePart } from '../ui/SentencePart';
import type { LineFilesProps } from './LineFilesForm';
import { STUDY } from '../words/views/study';

const LineFilesForm = later(async () => (await import('./LineFilesForm')).LineFilesForm);

/** A line as a file for other programs, or on paper. */
export function LineFiles(props: LineFilesProps) {
  return (
    <SentencePart
      name={`export the ${props.what}`}
      look="chip"
      text={
        <>
          <Download size={14} aria-hidden /> {STUDY.export}
        </>
      }
    >
      {() => <LineFilesForm {...props} />}
    </SentencePart>
  );
}
