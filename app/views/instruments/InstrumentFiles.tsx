import { Download, Upload } from 'lucide-react';
import { useRef, type ChangeEvent } from 'react';
import { openMidis, type Instrument } from '../../../core';
import { FormatError } from '../../../formats/errors';
import { readInstrument, writeInstrument } from '../../../formats/instrument-json';
import { openFromScala, readKbm, readScl, writeKbm, writeScl } from '../../../formats/scala';
import { Button } from '../../ui/Button';
import { download, fileName } from '../../ui/files';
import { INSTRUMENTS } from '../../words/views/instruments';

interface Props {
  instrument: Instrument;
  onRead: (instrument: Instrument) => void;
  onProblem: (message: string) => void;
}

/** Largest file taken, in bytes: these are small texts. */
const LIMIT = 200_000;

/** An instrument out of the chosen files: one .json, or an .scl with or without its .kbm. */
async function readFiles(files: File[], near: Instrument): Promise<Instrument> {
  const large = files.find((f) => f.size > LIMIT);
  if (large) throw new FormatError(`${large.name} is larger than 200 kB; a tuning is a small text.`);
  const text = async (ending: string): Promise<string | null> =>
    (await files.find((f) => f.name.toLowerCase().endsWith(ending))?.text()) ?? null;
  const [json, scl, kbm] = [await text('.json'), await text('.scl'), await text('.kbm')];
  if (json !== null) return readInstrument(json);
  if (scl === null) throw new FormatError('choose a .json of an instrument, or an .scl with or without its .kbm.');
  const { description, semitones } = readScl(scl);
  const lowest = kbm === null ? Math.min(...openMidis(near)) : readKbm(kbm).middle;
  const strings = openFromScala(semitones, lowest).map((open) => ({ open }));
  return {
    name: description.slice(0, 80) || 'From a Scala file',
    strings,
    frets: near.frets,
    scaleLengthMm: near.scaleLengthMm,
    capo: 0,
    handedness: near.handedness ?? 'right',
  };
}

/** Tunings to and from files. A file that cannot be read changes nothing. */
export function InstrumentFiles({ instrument, onRead, onProblem }: Props) {
  const input = useRef<HTMLInputElement>(null);
  const name = fileName(instrument.name);
  const onFiles = (e: ChangeEvent<HTMLInputElement>): void => {
    const files = [...(e.target.files ?? [])];
    e.target.value = '';
    if (!files.length) return;
    readFiles(files, instrument)
      .then(onRead)
      .catch((error: unknown) =>
        onProblem(error instanceof FormatError ? `${files[0].name}: ${error.message}` : INSTRUMENTS.theFileCouldNotBe),
      );
  };
  return (
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
      <Button icon={<Upload size={14} aria-hidden />} onClick={() => input.current?.click()}>
        {INSTRUMENTS.bringOneIn}
      </Button>
      <input
        ref={input}
        type="file"
        multiple
        accept=".json,.scl,.kbm"
        className="sr-only"
        aria-label={INSTRUMENTS.instrumentFiles}
        tabIndex={-1}
        onChange={onFiles}
      />
    </div>
  );
}
