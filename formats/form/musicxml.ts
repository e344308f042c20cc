import { accidentals, chordParts, scaleNotes, SILENT, TICKS } from '../../core';
import { refuseFile } from '../errors';
import { child, children, el, numberIn, parseXml, xml, type XmlElement, type XmlNode } from '../musicxml/xml';
import { barsFrom, FORM_LIMIT, formText, type FormFile, type FormOut, type Placed } from './form';
import { kindOfSuffix, symbolOfHarmony } from './kinds';

const MODES = ['ionian', 'dorian', 'phrygian', 'lydian', 'mixolydian', 'aeolian', 'locrian'];
/** Fifths from the tonic of a mode to that of the major scale with its notes. */
const FIFTHS: Readonly<Record<string, number>> = {
  ionian: 0,
  lydian: 1,
  mixolydian: -1,
  dorian: -2,
  aeolian: -3,
  phrygian: -4,
  locrian: -5,
};
const LINE = 'FCGDAEB';

/** The signature of a scale where it has one: as many signs of one kind as its notes have. */
function fifthsOf(home: FormOut['home']): number {
  const names = scaleNotes(home as Parameters<typeof scaleNotes>[0]).map((n) => n.name);
  const flats = names.reduce((sum, n) => sum + (n.includes('b') ? accidentals(n) : 0), 0);
  const sharps = names.reduce((sum, n) => sum + (n.includes('#') ? accidentals(n) : 0), 0);
  return names.length === 7 && !(flats && sharps) ? sharps - flats : 0;
}

const alterOf = (note: string): number => (note.includes('b') ? -1 : 1) * accidentals(note);
const pitch = (name: 'root' | 'bass', note: string): XmlNode =>
  el(name, [el(`${name}-step`, note[0]), ...(alterOf(note) ? [el(`${name}-alter`, alterOf(note))] : [])]);

function harmony(symbol: string, offset: number): XmlNode {
  const at = offset ? [el('offset', offset)] : [];
  const parts = symbol === SILENT ? null : chordParts(symbol);
  if (!parts) return el('harmony', [el('root', [el('root-step', 'C')]), el('kind', 'none', { text: 'N.C.' }), ...at]);
  const { root, suffix, bass } = parts;
  const { kind, degrees } = kindOfSuffix(suffix);
  return el('harmony', [
    pitch('root', root),
    el('kind', kind, { text: suffix }),
    ...(bass ? [pitch('bass', bass)] : []),
    ...degrees.map((d) => el('degree', [el('degree-value', d.value), el('degree-alter', d.alter), el('degree-type', d.type)])),
    ...at,
  ]);
}

/**
 * A form as MusicXML 4.0 (only elements that 3.0 has too): one part of resting bars with harmony elements where chords begin, rehearsal
 * marks for sections, key, meter and tempo. After the W3C MusicXML 4.0 specification.
 */
export function writeFormXml({ name, bars, meter, tempo, home }: FormOut): string {
  const perBeat = (TICKS * 4) / meter[1];
  const mode = typeof home.scale === 'string' && MODES.includes(home.scale) ? home.scale : null;
  const fifths = fifthsOf(home);
  const measures = bars.map((b, k) => {
    let at = 0;
    const chords = b.chords.map((c) => harmony(c.symbol, Math.round((at += c.beats * perBeat) - c.beats * perBeat)));
    const head = [
      el('attributes', [
        el('divisions', TICKS),
        el('key', [el('fifths', Math.max(-7, Math.min(7, fifths))), ...(mode ? [el('mode', mode)] : [])]),
        el('time', [el('beats', meter[0]), el('beat-type', meter[1])]),
        el('clef', [el('sign', 'G'), el('line', 2)]),
      ]),
      el('direction', [el('direction-type', [el('metronome', [el('beat-unit', 'quarter'), el('per-minute', tempo)])]), el('sound', [], { tempo })], { placement: 'above' }), // prettier-ignore
    ];
    const section = b.section === undefined ? [] : [el('direction', [el('direction-type', [el('rehearsal', b.section)])], { placement: 'above' })]; // prettier-ignore
    const rest = el('note', [el('rest', [], { measure: 'yes' }), el('duration', Math.round(meter[0] * perBeat)), el('voice', 1)]);
    return el('measure', [...(k === 0 ? head : []), ...section, ...chords, rest], { number: k + 1 });
  });
  return xml([
    el('score-partwise', [
      el('work', [el('work-title', name)]),
      el('identification', [el('encoding', [el('software', 'Crow Ladder')])]),
      el('part-list', [el('score-part', [el('part-name', 'Chords')], { id: 'P1' })]),
      el('part', measures, { id: 'P1' }),
    ], { version: '4.0' }),
  ]); // prettier-ignore
}

interface Reading {
  readonly placed: Placed[];
  readonly sections: Map<number, string>;
  meter: [number, number] | null;
  tempo: number | null;
  key: FormFile['key'];
  bars: number;
}

/** Reads the chords of partwise MusicXML: of the part that has the most. Throws FormatError where there are none. */
export function readFormXml(text: string): FormFile {
  if (text.length > FORM_LIMIT) refuseFile('this file is larger than 2 MB.');
  const root = parseXml(text);
  if (root.name !== 'score-partwise') refuseFile(`this is no partwise MusicXML: it begins with <${root.name}>.`);
  const parts = children(root, 'part').map(readPart);
  const best = [...parts].sort((a, b) => b.placed.length - a.placed.length)[0];
  if (!best?.placed.length) return refuseFile('this file has no chords in it (no harmony elements).');
  const meter = best.meter ?? [4, 4];
  const title = child(root, 'work') && child(child(root, 'work')!, 'work-title')?.text;
  return {
    name: (title || child(root, 'movement-title')?.text || '').trim().slice(0, 120),
    text: formText(barsFrom(best.placed, meter[0], best.bars, best.sections)),
    meter,
    tempo: best.tempo === null ? null : Math.round(best.tempo),
    key: best.key,
    remarks: parts.length > 1 ? [`Chords of one of ${parts.length} parts.`] : [],
  };
}

function readPart(e: XmlElement): Reading {
  const r: Reading = { placed: [], sections: new Map(), meter: null, tempo: null, key: null, bars: 0 };
  let divisions = 1;
  for (const measure of children(e, 'measure')) {
    let at = 0;
    const [beats, unit] = r.meter ?? [4, 4];
    for (const item of measure.children) {
      if (item.name === 'attributes') {
        divisions = numberIn(item, 'divisions') ?? divisions;
        readAttributes(item, r);
      } else if (item.name === 'backup') at -= numberIn(item, 'duration') ?? 0;
      else if (item.name === 'forward') at += numberIn(item, 'duration') ?? 0;
      else if (item.name === 'note') at += child(item, 'chord') || child(item, 'grace') ? 0 : (numberIn(item, 'duration') ?? 0);
      else if (item.name === 'harmony') {
        const quarters = (at + (numberIn(item, 'offset') ?? 0)) / divisions;
        const [b, u] = r.meter ?? [beats, unit];
        r.placed.push({ symbol: symbolOfHarmony(item) ?? SILENT, at: r.bars * b + (quarters * u) / 4 });
      } else readDirection(item, r);
    }
    r.bars++;
  }
  return r;
}

function readAttributes(item: XmlElement, r: Reading): void {
  const time = child(item, 'time');
  const [beats, unit] = [numberIn(time, 'beats'), numberIn(time, 'beat-type')];
  if (beats && unit) r.meter ??= [beats, unit];
  const key = child(item, 'key');
  const fifths = numberIn(key, 'fifths');
  if (key && fifths !== null) r.key ??= keyOf(fifths, child(key, 'mode')?.text.trim() ?? 'major');
}

/** The tonic that a signature and a mode mean. Example: -3 and mixolydian is B♭. */
function keyOf(fifths: number, mode: string): FormFile['key'] {
  const scale = { major: 'ionian', minor: 'aeolian' }[mode] ?? (Object.hasOwn(FIFTHS, mode) ? mode : 'ionian');
  const at = 1 + fifths - (FIFTHS[scale] ?? 0); // C is second in the line of fifths
  const signs = Math.floor(at / 7);
  const tonic = `${LINE[((at % 7) + 7) % 7]}${(signs < 0 ? 'b' : '#').repeat(Math.abs(signs))}`;
  return Math.abs(signs) > 1 ? null : { tonic, scale };
}

function readDirection(item: XmlElement, r: Reading): void {
  const sound = item.name === 'sound' ? item : child(item, 'sound');
  const tempo = Number(sound?.attributes.tempo);
  if (tempo > 0) r.tempo ??= tempo;
  const type = child(item, 'direction-type');
  const mark = type && child(type, 'rehearsal')?.text.trim();
  if (mark) r.sections.set(r.bars, mark);
}
