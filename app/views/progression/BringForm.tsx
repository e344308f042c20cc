import { useState } from 'react';
import { FORM_ENDINGS } from '../../../formats/form/endings';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { addWritten, formOf } from '../../store/progressions';
import { FileButton } from '../../ui/FileButton';
import { isolated } from '../../words/name-text';
import { PROGRESSION } from '../../words/views/progression';

const ACCEPT = Object.values(FORM_ENDINGS).flat().join();

/** Brings in the chords of a file as a progression of the study, or says why not. */
export function BringForm({ onDone }: { readonly onDone?: () => void }) {
  const dispatch = useAppDispatch();
  const [said, setSaid] = useState<{ readonly words: string; readonly bad: boolean } | null>(null);
  const bring = async (file: File): Promise<void> => {
    const { readForm } = await import('../../files/read-form');
    const read = readForm(file.name, new Uint8Array(await file.arrayBuffer()));
    if ('why' in read) return setSaid({ words: `${isolated(file.name)}: ${read.why}`, bad: true });
    const { written, remarks } = read;
    dispatch(change((n) => addWritten(n.body, written)));
    const { bars } = formOf({ text: written.text, meter: written.meter ?? [4, 4] });
    setSaid({ words: [PROGRESSION.read(isolated(written.name), bars.length), ...remarks].join(' '), bad: false });
    onDone?.();
  };
  return (
    <>
      <FileButton label={PROGRESSION.in_} accept={ACCEPT} onFiles={([file]) => void bring(file!)} />
      {said && (
        <p role="status" className={`basis-full ${said.bad ? 'text-clay' : 'text-soft'}`}>
          {said.words}
        </p>
      )}
    </>
  );
}
