import { Download } from 'lucide-react';
import { useState } from 'react';
import type { Instrument } from '../../../core';
import { FormatError } from '../../../formats/errors';
import { writeInstrument } from '../../../formats/instrument-json';
import { SCALA_LOSES, writeKbm, writeScl } from '../../../formats/scala';
import type { NamedBytes } from '../../files/read-files';
import { Button } from '../../ui/Button';
import { FileButton } from '../../ui/FileButton';
import { download, fileName } from '../../ui/files';
import { Register } from '../bring-in/Register';
import { INSTRUMENTS } from '../../words/views/instruments';

interface Props {
  readonly instrument: Instrument;
  readonly onRead: (instrument: Instrument) => void;
  readonly onProblem: (message: string) => void;
}

/** Largest file taken, in bytes: these are small texts. */
const LIMIT = 200_000;

async function bytesOf(files: readonly File[]): Promise<NamedBytes[]> {
  const large = files.find((f) => f.size > LIMIT);
  if (large) throw new FormatError(`${large.name} is larger than 200 kB; a tuning is a small text.`);
  return Promise.all(files.map(async (f) => ({ name: f.name, bytes: new Uint8Array(await f.arrayBuffer()) })));
}

/** Tunings to and from files. A file that cannot be read changes nothing. */
export function InstrumentFiles({ instrument, onRead, onProblem }: Props) {
  const name = fileName(instrument.name);
  const [asked, setAsked] = useState<NamedBytes[] | null>(null);
  const read = async (files: NamedBytes[], register?: number): Promise<void> => {
    const { readInstrumentFiles } = await import('../../files/read-files');
    const found = readInstrumentFiles(files, instrument, register);
    setAsked(found.kind === 'asks' ? files : null);
    if (found.kind === 'instrument') onRead(found.instrument);
    if (found.kind === 'refused') onProblem(`${found.file}: ${found.why}`);
  };
  const refused =
    (name: string) =>
    (error: unknown): void =>
      onProblem(error instanceof FormatError ? `${name}: ${error.message}` : INSTRUMENTS.theFileCouldNotBe);
  const onFiles = (files: readonly File[]): void => {
    bytesOf(files)
      .then((all) => read(all))
      .catch(refused(files[0]!.name));
  };
  return (
    <>
      <div className="flex flex-wrap gap-2">
        <Button
          icon={<Download size={14} aria-hidden />}
          onClick={() => download(`${name}.json`, 'application/json', writeInstrument(instrument))}
        >
          {INSTRUMENTS.json}
        </Button>
        <Button icon={<Download size={14} aria-hidden />} onClick={() => download(`${name}.scl`, 'text/plain', writeScl(instrument))}>
          {INSTRUMENTS.scalaScl}
        </Button>
        <Button icon={<Download size={14} aria-hidden />} onClick={() => download(`${name}.kbm`, 'text/plain', writeKbm(instrument))}>
          {INSTRUMENTS.scalaKbm}
        </Button>
        <FileButton label={INSTRUMENTS.bringOneIn} name={INSTRUMENTS.instrumentFiles} accept=".json,.scl,.kbm" multiple onFiles={onFiles} />
      </div>
      <p className="order-last basis-full text-xs text-soft">{INSTRUMENTS.scalaLeavesOut(SCALA_LOSES.join(', '))}</p>
      {asked && (
        <div role="status" className="order-last grid basis-full gap-1">
          <p>{INSTRUMENTS.howHighDoesItSound(asked[0]!.name)}</p>
          <Register value={null} onChange={(midi) => void read(asked, midi).catch(refused(asked[0]!.name))} />
        </div>
      )}
    </>
  );
}
