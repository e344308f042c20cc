import { refuseFile } from '../errors';
import { FILE_LIMIT, type FileLine, type ReadOptions } from '../line';
import { chosenVoice, scoreLine, type ScoreVoice } from '../score/line';
import { readPart, type Part } from './part';
import { child, children, parseXml, type XmlElement } from './xml';

/**
 * Reads partwise MusicXML (2.0 to 4.0) as one line: the voice that is asked for, else the first with strings and frets, else the first with notes; of a chord
 * the highest note. Repeats and endings are played out. Throws FormatError with the line of broken XML, for entities and outside references, and where there
 * are no notes.
 */
export function readMusicXml(text: string, o: ReadOptions = {}): FileLine {
  if (text.length > FILE_LIMIT) refuseFile('this file is larger than 20 MB.');
  const root = parseXml(text);
  if (root.name === 'score-timewise') refuseFile('this is timewise MusicXML; save it as partwise (the usual kind) and try again.');
  if (root.name !== 'score-partwise') refuseFile(`this is XML, but no MusicXML: it begins with <${root.name}>.`);
  const names = partNames(root);
  const parts = children(root, 'part').map(readPart);
  const voices = named(parts.flatMap((p) => voicesOf(p, names)));
  const taken = chosenVoice(voices, o.voice);
  const { part, staff } = voices.find((v) => v.id === taken.id)!;
  const silent = parts.filter((p) => p !== part && p.extras.length && !voices.some((v) => v.part === p));
  const title = child(root, 'work') && child(child(root, 'work')!, 'work-title')?.text;
  const line = scoreLine(taken, voices, {
    name: (title || child(root, 'movement-title')?.text || '').trim().slice(0, 120),
    open: part.tunings.get(staff) ?? [...part.tunings.values()][0] ?? null,
    capo: part.capo,
  });
  const left = silent.map((p) => `${(names.get(p.id) ?? '').slice(0, 60) || `part ${p.id}`} (${p.extras.length})`);
  return left.length ? { ...line, remarks: [...line.remarks, `Parts without a pitch, not taken: ${left.join('; ')}.`] } : line;
}

/** Voices whose names are the same are told apart by their parts. */
const named = (voices: PartVoice[]): PartVoice[] =>
  voices.map((v) => (voices.some((x) => x !== v && x.name === v.name) ? { ...v, name: `${v.name} (${v.part.id})` } : v));

interface PartVoice extends ScoreVoice {
  readonly part: Part;
  readonly staff: number;
  readonly voice: string;
}

function partNames(root: XmlElement): ReadonlyMap<string, string> {
  const list = child(root, 'part-list');
  return new Map((list ? children(list, 'score-part') : []).map((p) => [p.attributes.id ?? '', child(p, 'part-name')?.text.trim() ?? '']));
}

/** The voices of a part that have notes, in the order in which they begin; staff and voice are named where there are several. */
function voicesOf(part: Part, names: ReadonlyMap<string, string>): PartVoice[] {
  const voices = new Map<string, PartVoice>();
  for (const n of part.notes) {
    const { staff, voice } = n;
    const id = `${part.id}/${staff}/${voice}`;
    const fresh = (): PartVoice => ({
      id, name: '', part, staff, voice, notes: [], marks: part.marks, left: part.left,
      extras: part.extras.filter((x) => x.staff === staff && x.voice === voice),
    }); // prettier-ignore
    const known = voices.get(id) ?? fresh();
    known.notes.push(n);
    voices.set(id, known);
  }
  const mine = [...voices.values()].filter((v) => v.notes.some((n) => n.midi !== null));
  // What stands in no voice that sounds is said with the first that does.
  const [first] = mine;
  if (first) first.extras = [...first.extras, ...part.extras.filter((x) => !mine.some((v) => v.staff === x.staff && v.voice === x.voice))];
  const staves = new Set(mine.map((v) => v.staff)).size;
  const name = (names.get(part.id) || `part ${part.id}`).slice(0, 60);
  return mine.map((v) => {
    const several = mine.filter((x) => x.staff === v.staff).length > 1;
    const more = [...(staves > 1 ? [`staff ${v.staff}`] : []), ...(several ? [`voice ${v.voice.slice(0, 12)}`] : [])];
    return { ...v, name: [name, ...more].join(', ') };
  });
}
