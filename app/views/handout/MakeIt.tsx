import { Download } from 'lucide-react';
import { useState } from 'react';
import type { Handout } from '../../../contract';
import { missingLetters } from '../../../formats/sheet/letters';
import { makeHandout, type MadeHandout } from '../../files/booklet';
import { lineOut } from '../../files/papers';
import { Button } from '../../ui/Button';
import { download, fileName } from '../../ui/files';
import { Panel } from '../../ui/Panels';
import { Signs } from '../../letters/Signs';
import { useSheet } from '../../workers/useSheet';
import { counted } from '../../words/count-text';
import { missingWords } from '../../words/incoming-text';
import { HANDOUT } from '../../words/views/handout';
import { useStudies } from './useStudies';

/** In which formats the lines of a handout go out together. */
const ARCHIVED = ['musicxml', 'midi'] as const;

interface Props {
  readonly handout: Handout;
  readonly partName: (id: string) => string;
}

/** Makes the handout, of the studies as they are kept now; what came of it is said. */
function useMaking(handout: Handout) {
  const read = useStudies();
  const { pages, problem, bind, cancel } = useSheet();
  const [reading, setReading] = useState(false);
  const [made, setMade] = useState<MadeHandout | null>(null);
  const [said, setSaid] = useState<string | null>(null);
  const name = fileName([handout.title, handout.pupil].filter(Boolean).join(' '));
  const prepared = async (): Promise<MadeHandout | null> => {
    setReading(true);
    setSaid(null);
    const studies = await read(handout);
    const now = studies && makeHandout(handout, studies);
    setMade(now);
    setReading(false);
    if (!now) setSaid(HANDOUT.noAnswer);
    return now;
  };
  const asPdf = async (): Promise<void> => {
    const now = await prepared();
    const pdf = now && (await bind(now.request));
    if (!pdf) return;
    download(`${name}.pdf`, 'application/pdf', pdf);
    setSaid(HANDOUT.made(name));
  };
  const asArchive = async (): Promise<void> => {
    const now = await prepared();
    if (!now) return;
    if (!now.lines.length) return setSaid(HANDOUT.noLines);
    const [{ archiveOf }, { lineFormat }] = await Promise.all([import('../../files/archive'), import('../../../formats/lines')]);
    const files = now.lines.flatMap(({ line, body }) =>
      ARCHIVED.map((id) => {
        const format = lineFormat(id);
        return { name: `${fileName(line.name)}.${format.extension}`, bytes: format.write(lineOut(body, line, true)) };
      }),
    );
    download(`${name}.zip`, 'application/zip', archiveOf(files));
    setSaid(HANDOUT.made(name));
  };
  return {
    asPdf: () => void asPdf(),
    asArchive: () => void asArchive().catch(() => setSaid(HANDOUT.noPacker)),
    cancel,
    reading,
    pages,
    problem,
    said,
    lost: made?.lost ?? [],
  };
}

/** The handout as a PDF, and its lines as files; what is left out and which letters no font has. */
export function MakeIt({ handout, partName }: Props) {
  const { asPdf, asArchive, cancel, reading, pages, problem, said, lost } = useMaking(handout);
  const missing = missingWords(missingLetters(JSON.stringify(handout)));
  const busy = reading || pages !== null;
  return (
    <Panel title={HANDOUT.make}>
      <div className="flex flex-wrap gap-2">
        <Button look="brass" disabled={busy} icon={<Download size={14} aria-hidden />} onClick={asPdf}>
          {HANDOUT.pdf}
        </Button>
        <Button disabled={busy} onClick={asArchive}>
          {HANDOUT.archive}
        </Button>
        {pages !== null && <Button onClick={cancel}>{HANDOUT.cancel}</Button>}
      </div>
      {missing && <p className="mt-2 text-clay">{missing}</p>}
      <div role="status" className="mt-2 grid gap-1 text-soft">
        {reading && <p>{HANDOUT.reading}</p>}
        {pages !== null && <p>{HANDOUT.making(counted(pages, 'page'))}</p>}
        {!busy && said && <p>{said}</p>}
        {problem && <p className="text-clay">{problem}</p>}
        {lost.map(({ part, why }) => (
          <p key={part.id} className="text-clay">
            <Signs>{HANDOUT.lost(partName(part.id), why)}</Signs>
          </p>
        ))}
      </div>
    </Panel>
  );
}
