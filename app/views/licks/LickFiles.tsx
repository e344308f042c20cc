import { Download } from 'lucide-react';
import { useState } from 'react';
import type { Lick, StudyBody } from '../../../contract';
import { defaultSchool, fingerLick, pickStrokes, type Instrument, type Stroke } from '../../../core';
import { pageSize, type Paper, type Turn } from '../../../formats/sheet/drawing';
import type { TabSheetRequest } from '../../../formats/sheet/tab';
import { Button } from '../../ui/Button';
import { download, fileName } from '../../ui/files';
import { printSvgs, saveSvgs } from '../../ui/print';
import { Select } from '../../ui/Select';
import { SentencePart } from '../../ui/SentencePart';
import { useSheet } from '../../workers/useSheet';

interface Props {
  body: StudyBody;
  lick: Lick;
  neck: Instrument;
}

/** Pick strokes of each note, down and up by turns; rests and ties have none. */
function strokesOf({ body, lick, neck }: Props): (Stroke | null)[] {
  const steps = fingerLick(neck, lick.notes, { school: body.school ?? defaultSchool(body.layout), hand: { size: body.hand } });
  const struck = steps.filter((s) => s !== null);
  const strokes = pickStrokes(neck, struck, body.connection?.picking ?? 'alternate');
  let k = 0;
  return steps.map((s, at) => {
    if (!s) return null;
    const stroke = strokes[k++];
    return lick.notes[at].join ? null : stroke;
  });
}

/** The writers load when a file is first wanted. */
const writers = () =>
  Promise.all([import('../../../formats/tab/write'), import('../../../formats/midi/write'), import('../../../formats/musicxml/write'), import('../../../formats/musicxml/mxl')]); // prettier-ignore

/** The lick as a file for other programs, or on paper. */
export function LickFiles(props: Props) {
  return (
    <SentencePart
      name="export the lick"
      look="chip"
      text={
        <>
          <Download size={14} aria-hidden /> Export
        </>
      }
    >
      {() => <Form {...props} />}
    </SentencePart>
  );
}

function Form({ body, lick, neck }: Props) {
  const [paper, setPaper] = useState<Paper>('a4');
  const [turn, setTurn] = useState<Turn>('portrait');
  const [channels, setChannels] = useState(true);
  const [said, setSaid] = useState<string | null>(null);
  const { pages, problem, make, cancel } = useSheet();
  const name = fileName(lick.name);
  const { notes, tempo, meter } = lick;
  const school = body.school ?? defaultSchool(body.layout);
  const size = pageSize(paper, turn);
  const request: TabSheetRequest = {
    name: lick.name,
    instrument: neck,
    scale: body.scale,
    notes,
    tempo,
    meter,
    school,
    hand: body.hand,
    paper,
    turn,
  };
  const score = async (): Promise<string> => {
    const [, , { writeMusicXml }] = await writers();
    return writeMusicXml({
      name: lick.name,
      instrument: neck,
      scale: body.scale,
      notes,
      tempo,
      meter,
      school,
      strokes: strokesOf({ body, lick, neck }),
    });
  };
  const text = async (): Promise<string> => {
    const [{ writeTab }] = await writers();
    return writeTab({ name: lick.name, instrument: neck, notes, tempo, meter });
  };
  const midi = async (): Promise<void> => {
    const [, { writeMidiFile }] = await writers();
    const bytes = writeMidiFile({ name: lick.name, instrument: neck, notes, tempo, meter, channelPerString: channels });
    download(`${name}.mid`, 'audio/midi', bytes as Uint8Array<ArrayBuffer>);
  };
  const packed = async (): Promise<void> => {
    const [, , , { packMxl }] = await writers();
    download(`${name}.mxl`, 'application/vnd.recordare.musicxml', packMxl(await score()) as Uint8Array<ArrayBuffer>);
  };
  const copy = async (): Promise<void> => {
    const tab = await text();
    await navigator.clipboard.writeText(tab).then(
      () => setSaid('Copied: paste it into a message.'),
      () => download(`${name}.txt`, 'text/plain', tab),
    );
  };
  const svgs = async (take: (svgs: string[]) => Promise<void> | void): Promise<void> => {
    const made = await make({ tab: request }, 'svg').catch(() => null);
    if (made && 'svgs' in made) await take(made.svgs);
  };
  const pdf = async (): Promise<void> => {
    const made = await make({ tab: request }, 'pdf').catch(() => null);
    if (made && 'pdf' in made) download(`${name}.pdf`, 'application/pdf', made.pdf);
  };
  const none = !notes.length;
  return (
    <>
      <div className="flex flex-wrap gap-2">
        <Button disabled={none} onClick={() => void text().then((t) => download(`${name}.txt`, 'text/plain', t))}>
          Tab as text
        </Button>
        <Button disabled={none} onClick={() => void copy()}>
          Copy the text
        </Button>
        <Button
          disabled={none}
          onClick={() => void score().then((t) => download(`${name}.musicxml`, 'application/vnd.recordare.musicxml+xml', t))}
        >
          MusicXML
        </Button>
        <Button disabled={none} onClick={() => void packed()}>
          MusicXML, packed
        </Button>
        <Button disabled={none} onClick={() => void midi()}>
          MIDI
        </Button>
      </div>
      <label className="flex items-center gap-2">
        <input type="checkbox" checked={channels} onChange={(e) => setChannels(e.target.checked)} className="accent-brass" />
        MIDI with a channel for each string
      </label>
      <div className="grid grid-cols-2 gap-3">
        <Select<Paper>
          label="Paper"
          value={paper}
          options={[
            { value: 'a4', label: 'A4' },
            { value: 'letter', label: 'Letter' },
          ]}
          onChange={setPaper}
        />
        <Select<Turn>
          label="Turned"
          value={turn}
          options={[
            { value: 'portrait', label: 'upright' },
            { value: 'landscape', label: 'sideways' },
          ]}
          onChange={setTurn}
        />
      </div>
      <div className="flex flex-wrap gap-2">
        <Button look="brass" disabled={none} onClick={() => void svgs((s) => printSvgs(s, size))}>
          Print
        </Button>
        <Button disabled={none} onClick={() => void pdf()}>
          PDF
        </Button>
        <Button disabled={none} onClick={() => void svgs((s) => saveSvgs(name, 'svg', s, size))}>
          SVG
        </Button>
        <Button disabled={none} onClick={() => void svgs((s) => saveSvgs(name, 'png', s, size))}>
          PNG
        </Button>
        {pages !== null && <Button onClick={cancel}>Cancel</Button>}
      </div>
      <p role="status" aria-live="polite" className="min-h-5 text-soft">
        {none ? 'The lick is empty.' : (said ?? '')}
        {problem && <span className="text-clay">{problem}</span>}
      </p>
    </>
  );
}
