import { Download } from 'lucide-react';
import { useState } from 'react';
import type { StudyBody } from '../../contract';
import type { LickNote } from '../../core';
import { pageSize, type Paper, type Turn } from '../../formats/sheet/drawing';
import type { LineFormat } from '../../formats/lines';
import { lineOut, tabSheetOf, type ExportLine } from '../files/papers';
import { Button } from '../ui/Button';
import { copyText } from '../ui/clipboard';
import { download, fileName } from '../ui/files';
import { printSvgs, saveSvgs } from '../ui/print';
import { Select } from '../ui/Select';
import { SentencePart } from '../ui/SentencePart';
import { useLineFormats } from './useLineFormats';
import { useSheet } from '../workers/useSheet';
import { missingLetters } from '../../formats/sheet/letters';
import { lossWords, missingWords } from '../words/incoming-text';
import { STUDY } from '../words/views/study';

interface Props {
  /** What the line is called here: "lick" or "route". */
  readonly what: string;
  readonly body: StudyBody;
  readonly line: ExportLine | null;
}

const NONE: LickNote[] = [];

/** A line as a file for other programs, or on paper. */
export function LineFiles(props: Props) {
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
      {() => <Form {...props} />}
    </SentencePart>
  );
}

function Form({ what, body, line }: Props) {
  const [paper, setPaper] = useState<Paper>('a4');
  const [turn, setTurn] = useState<Turn>('portrait');
  const [channels, setChannels] = useState(true);
  const [said, setSaid] = useState<string | null>(null);
  const { pages, problem, make, cancel } = useSheet();
  const formats = useLineFormats();
  const tab = formats.find((f) => f.id === 'tab');
  const { notes = NONE } = line ?? {};
  const none = !line || !notes.length;
  if (none) return <p className="text-soft">{STUDY.thereIsNoToExport(what)}</p>;
  const name = fileName(line.name);
  const size = pageSize(paper, turn);
  const request = tabSheetOf(body, line, paper, turn);
  const out = lineOut(body, line, channels);
  const save = (format: LineFormat): void => {
    download(`${name}.${format.extension}`, format.media, format.write(out));
    setSaid(lossWords(format.name, format.loses(out)));
  };
  const copy = (tab: LineFormat): void =>
    void copyText(tab.write(out) as string).then((copied) => (copied ? setSaid(STUDY.copiedPasteItIntoA) : save(tab)));
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
      <div className="grid grid-cols-2 gap-3">
        <Select<Paper>
          label={STUDY.paper}
          value={paper}
          options={[
            { value: 'a4', label: 'A4' },
            { value: 'letter', label: STUDY.letter },
          ]}
          onChange={setPaper}
        />
        <Select<Turn>
          label={STUDY.turned}
          value={turn}
          options={[
            { value: 'portrait', label: STUDY.upright },
            { value: 'landscape', label: STUDY.sideways },
          ]}
          onChange={setTurn}
        />
      </div>
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
