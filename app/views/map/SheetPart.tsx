import { Printer } from 'lucide-react';
import { later } from '../../ui/later';
import { SentencePart } from '../../ui/SentencePart';
import { MAP } from '../../words/views/map';
import type { Props } from './SheetForm';

const SheetForm = later(async () => (await import('./SheetForm')).SheetForm);

/** What is on the neck, on paper or in a file. */
export function SheetPart({ body, shape, shapes }: Props) {
  return (
    <SentencePart
      name="print or export"
      look="chip"
      shortcut="p"
      text={
        <>
          <Printer size={14} aria-hidden /> {MAP.sheet}
        </>
      }
    >
      {() => <SheetForm body={body} shape={shape} shapes={shapes} />}
    </SentencePart>
  );
}
