import { useState } from 'react';
import type { StudyBody } from '../../contract';
import { pageSize, type Paper, type Turn } from '../../formats/sheet/drawing';
import type { LineFormat } from '../../formats/lines';
import { lineOut, tabSheetOf, type ExportLine } from '../files/papers';
import { Button } from '../ui/Button';
import { copyText } from '../ui/clipboard';
import { download, fileName } from '../ui/files';
import { printSvgs, saveSvgs } from '../ui/print';
import { PaperChoice } from './PaperChoice';
import { useLineFormats } from './useLineFormats';
import { useSheet } from '../workers/useSheet';
import { missingLetters } from '../../formats/sheet/letters';
import { lossWords, missingWords } from '../words/incoming-text';
import { STUDY } from '../words/views/study';

export interface LineFilesProps {
  /** What the line is called here: "lick" or "route". */
  readonly what: string;
  readonly body: StudyBody;
  readonly line: ExportLine | null;
}

/** What a line goes out as: each format, and paper. */
export function LineFilesForm({ what, body, line }: LineFilesProps) {
  const [said, setSaid] = useState<string | null>(null);
  if (!line?.notes.length) return <p className="text-soft">{STUDY.thereIsNoToExport(what)}</p>;
  return (
    <>
      <ForPrograms body={body} line={line} onSaid={setSaid} />
      <OnPaper body={body} line={line} said={said} />
    </>
  );
}

interface ForProps {
  readonly body: StudyBody;
  readonly line: ExportLine;
  readonly onSaid: (said: string | null) => void;
}

/** The line in each format, and what the one that was taken has no room for. */
function ForPrograms({ body, line, onSaid }: ForProps) {
  const [channels, setChannels] = useState(true);
  const formats = useLineFormats();
  const tab = formats.find((f) => f.id === 'tab');
  const out = lineOut(body, line, channels);
  const save = (format: LineFormat): void => {
    download(`${fileName(line.name)}.${format.extension}`, format.media, format.write(out));
    onSaid(lossWords(format.name, format.loses(out)));
  };
  const copy = (format: LineFormat): void =>
    void copyText(format.write(out) as string).then((copied) => (copied ? onSaid(STUDY.copiedPasteItIntoA) : save(format)));
  return (
    <>
      <div className="flex flex-wrap gap-2">
        {formats.map((f) => (
          <Button key={f.id} onClick={() => save(f)}>
            {f.name}
          </Button>
        ))}
        {tab && <Button onClick={() => copy(tab)}>{STUDY.copyTheText}</Button>}
      </div>
      <label className="flex items-center gap-2">
        <input type="checkbox" checked={channels} onChange={(e) => setChannels(e.target.checked)} className="accent-brass" />
        {STUDY.midiWithAChannelFor}
      </label>
    </>
  );
}

/** The line as tab on paper: printed, as PDF, or as pictures. */
function OnPaper({ body, line, said }: Omit<ForProps, 'onSaid'> & { readonly said: string | null }) {
  const [paper, setPaper] = useState<Paper>('a4');
  const [turn, setTurn] = useState<Turn>('portrait');
  const { pages, problem, make, cancel } = useSheet();
  const name = fileName(line.name);
  const size = pageSize(paper, turn);
  const request = tabSheetOf(body, line, paper, turn);
  const svgs = async (take: (svgs: string[]) => Promise<void> | void): Promise<void> => {
    const made = await make({ tab: request }, 'svg').catch(() => null);
    if (made && 'svgs' in made) await take(made.svgs);
  };
  const pdf = async (): Promise<void> => {
    const made = await make({ tab: request }, 'pdf').catch(() => null);
    if (made && 'pdf' in made) download(`${name}.pdf`, 'application/pdf', made.pdf);
  };
  return (
    <>
      <PaperChoice paper={paper} turn={turn} onPaper={setPaper} onTurn={setTurn} />
      <div className="flex flex-wrap gap-2">
        <Button look="brass" onClick={() => void svgs((s) => printSvgs(s, size))}>
          {STUDY.print}
        </Button>
        <Button onClick={() => void pdf()}>{STUDY.pdf}</Button>
        <Button onClick={() => void svgs((s) => saveSvgs(name, 'svg', s, size))}>{STUDY.svg}</Button>
        <Button onClick={() => void svgs((s) => saveSvgs(name, 'png', s, size))}>{STUDY.png}</Button>
        {pages !== null && <Button onClick={cancel}>{STUDY.cancel}</Button>}
      </div>
      <p role="status" aria-live="polite" className="min-h-5 text-soft">
        {said ?? missingWords(missingLetters(JSON.stringify(request))) ?? ''}
        {problem && <span className="text-clay">{problem}</span>}
      </p>
    </>
  );
}
