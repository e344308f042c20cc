import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { problemsOf, readBundle, studySchema, writeBundle } from '../../contract';
import { DEMO } from '../../demo';
import { readForm } from '../../app/files/read-form';
import { readFiles, type Incoming } from '../../app/files/read-files';
import { writeInstrument } from '../../formats/instrument-json';
import { lineFormat, type LineFormatId, type LineOut } from '../../formats/lines';
import { writeKbm, writeScl } from '../../formats/scala';
import { FormatError } from '../../formats/errors';

/** A reader under test: good files of its kind, and what reading one is. It gives back why it refused, or null; anything thrown is a fault. */
export interface Fuzzed {
  seeds: Uint8Array[];
  read: (bytes: Uint8Array) => string | null;
  /** The reader for itself, where what follows (finding places for a line) takes its own time. */
  alone?: (bytes: Uint8Array) => void;
}

const text = (s: string): Uint8Array => new TextEncoder().encode(s);
const body = DEMO.studies[0]!.body;
const into = { instrument: body.instrument, tempo: 90, school: 'finger-per-fret' as const, hand: { size: 'medium' as const }, room: 200 };
const lines: LineOut[] = DEMO.studies.flatMap(({ body: b }) => b.licks.map((l): LineOut => ({ ...l, instrument: b.instrument, scale: b.scale, school: 'finger-per-fret', channelPerString: true }))); // prettier-ignore
const written = (id: string): Uint8Array[] =>
  lines.map((l) => {
    const out = lineFormat(id).write(l);
    return typeof out === 'string' ? text(out) : out;
  });
const folder = (...path: string[]): Uint8Array[] => {
  const at = join('tests', 'fixtures', ...path);
  return readdirSync(at).map((f) => new Uint8Array(readFileSync(join(at, f))));
};

/** Words that only a fault of ours brings into a refusal: an exception nobody thought of, or a lick that cannot be kept. */
const FAULT = /could not be read \(|cannot be kept: /;
/** A file that is a record itself names the field that it has wrong: that is its own fault. */
const RECORD_FAULT = /could not be read \(/;

/** As a file dropped on the window: read, placed, checked as saving does. */
export const asFile =
  (name: string, more: { name: string; bytes: Uint8Array }[] = [], fault = FAULT) =>
  (bytes: Uint8Array): string | null => {
    const [item] = [
      ...readFiles({ files: [{ name, bytes }, ...more], into, wishes: { 0: { fit: 'inside', register: 40 } } }),
    ] as Incoming[];
    if (item!.kind !== 'refused') return null;
    if (fault.test(item!.why)) throw new Error(item!.why);
    if (item!.why.length > 400) throw new Error(`a message of ${item!.why.length} letters`);
    return item!.why;
  };

/** A reader of lines for itself: whatever the bytes, it gives a line or a FormatError. */
const alone =
  (id: string) =>
  (bytes: Uint8Array): void => {
    try {
      lineFormat(id).read({ bytes, text: new TextDecoder().decode(bytes) }, body.instrument, {});
    } catch (e) {
      if (!(e instanceof FormatError)) throw e;
    }
  };

const FORMS = [
  'Salt Ferry\nKey Bb, 4/4, tempo 104\n[A]\nBbmaj7 | Gm7 C7 | Fmaj7 . D7alt . | % ||',
  '{title: Salt Ferry}\n{key: Bb}\n{start_of_grid}\n| Bb . . . | Gm7 . C7 . |\n{end_of_grid}\n[Bb]words [Gm7]more',
];

/** Readers of other things than lines. */
type Others = 'scala' | 'mapping' | 'instrument' | 'notebook' | 'chords';

/** Every reader of files, by its name on the command line. */
export const FUZZED: Readonly<Record<LineFormatId | Others, () => Fuzzed>> = {
  tab: () => ({ seeds: written('tab'), read: asFile('a.txt'), alone: alone('tab') }),
  musicxml: () => ({
    seeds: [...written('musicxml'), ...folder('foreign', 'musicxml')],
    read: asFile('a.musicxml'),
    alone: alone('musicxml'),
  }),
  mxl: () => ({ seeds: written('mxl'), read: asFile('a.mxl'), alone: alone('mxl') }),
  midi: () => ({ seeds: [...written('midi'), ...folder('foreign', 'midi')], read: asFile('a.mid'), alone: alone('midi') }),
  abc: () => ({ seeds: written('abc'), read: asFile('a.abc'), alone: alone('abc') }),
  scala: () => ({ seeds: DEMO.instruments.map((i) => text(writeScl(i.body))), read: asFile('a.scl') }),
  mapping: () => {
    const scl = { name: 'a.scl', bytes: text(writeScl(body.instrument)) };
    return { seeds: DEMO.instruments.map((i) => text(writeKbm(i.body))), read: asFile('a.kbm', [scl]) };
  },
  instrument: () => ({ seeds: DEMO.instruments.map((i) => text(writeInstrument(i.body))), read: asFile('a.json', [], RECORD_FAULT) }),
  notebook: () => ({
    seeds: [text(writeBundle({ ...DEMO, studies: DEMO.studies.slice(0, 1) })), ...folder('went-wrong').slice(0, 1)],
    read: (bytes) => {
      const read = readBundle(new TextDecoder().decode(bytes));
      if ('problem' in read) return read.problem;
      for (const s of read.bundle.studies) if (problemsOf(studySchema, s.body).length) throw new Error('a study came in that cannot be kept'); // prettier-ignore
      return null;
    },
  }),
  chords: () => ({
    seeds: [...FORMS.map(text), ...folder('foreign', 'musicxml').slice(0, 20)],
    read: (bytes) => {
      const read = readForm('a.txt', bytes);
      return 'why' in read ? read.why : null;
    },
  }),
};
