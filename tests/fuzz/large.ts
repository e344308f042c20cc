/** Files as large as they may be, of every kind that once took a reader minutes or its memory: [what it is, its bytes]. */
const MB = 1024 * 1024;
const SIZE = 20 * MB - 1024;
const text = (s: string): Uint8Array => new TextEncoder().encode(s);
/** A text filled up to the size with a piece, between a begin and an end. */
const filled = (begin: string, piece: string, end = ''): Uint8Array =>
  text(begin + piece.repeat(Math.floor((SIZE - begin.length - end.length) / piece.length)) + end);

const NOTE = '<note><pitch><step>C</step><octave>3</octave></pitch><duration>1</duration></note>';
const PART = '<score-partwise><part-list/><part id="P1">';
const SYSTEM = 'e|-----5---|\nB|---------|\nG|---------|\nD|---------|\nA|-2-3-----|\nE|---------|\n\n';

/** A MIDI file of one track, its events the same four bytes again and again. */
function midi(): Uint8Array {
  const count = Math.floor((SIZE - 30) / 8);
  const out = new Uint8Array(22 + count * 8);
  out.set(text('MThd'));
  out.set([0, 0, 0, 6, 0, 0, 0, 1, 1, 0xe0], 4);
  out.set(text('MTrk'), 14);
  new DataView(out.buffer).setUint32(18, count * 8);
  for (let k = 0; k < count; k++) out.set([60, 0x90, 45 + (k % 30), 90, 60, 0x80, 45 + (k % 30), 0], 22 + k * 8);
  return out;
}

export const LARGE: readonly [what: string, name: string, make: () => Uint8Array][] = [
  ['MusicXML of notes', 'a.musicxml', () => filled(`${PART}<measure><attributes><divisions>1</divisions></attributes>`, NOTE, '</measure></part></score-partwise>')], // prettier-ignore
  ['MusicXML of measures', 'a.musicxml', () => filled(PART, '<measure/>', '</part></score-partwise>')],
  ['MusicXML of one text', 'a.musicxml', () => filled(`${PART}<measure><words>`, 'la', '</words></measure></part></score-partwise>')],
  ['MusicXML without end', 'a.musicxml', () => filled('<score-partwise>', '<part>')],
  ['MusicXML of signs', 'a.musicxml', () => filled('', '<')],
  ['MusicXML of attributes', 'a.musicxml', () => filled('<score-partwise ', 'a="b" ')],
  ['MusicXML of repeats', 'a.musicxml', () => filled(PART, `<measure>${NOTE}<barline><repeat direction="backward" times="16"/></barline></measure>`, '</part></score-partwise>')], // prettier-ignore
  ['tab of rows', 'a.txt', () => filled('', SYSTEM)],
  ['tab in one row', 'a.txt', () => filled('e|', '-5-', '|')],
  ['tab of mutes', 'a.txt', () => filled('', 'PM  ', '!\ne|---5---|\nB|-------|')],
  ['tab of blanks', 'a.txt', () => filled('', ' ', '?')],
  ['tab of empty lines', 'a.txt', () => filled('', '\n')],
  ['MIDI of notes', 'a.mid', midi],
  ['ABC of notes', 'a.abc', () => filled('X:1\nK:C\n', 'C D E F | G A B c |\n')],
  ['ABC of ties', 'a.abc', () => filled('X:1\nK:C\n', `${'C-D>E-'.repeat(40)}\n`)],
  ['ABC of brackets', 'a.abc', () => filled('X:1\nK:C\n', `${'['.repeat(90)}\n`)],
  ['ABC of bars', 'a.abc', () => filled('X:1\nK:C\n', `${'|:'.repeat(40)}\n`)],
  ['ABC of tunes', 'a.abc', () => filled('', 'X:1\nK:C\nC\n\n')],
  ['ABC of voices', 'a.abc', () => filled('X:1\nK:C\n', '[V:1]C[V:2]D\n')],
  ['Scala of pitches', 'a.scl', () => filled('x\n 9999999\n', ' 100.0\n')],
  ['Scala of one ratio', 'a.scl', () => filled('x\n 1\n', '9', '/1\n')],
  ['JSON of nests', 'a.json', () => filled('{"kind":"crow-ladder notebook","version":1,"studies":', '[')],
  ['JSON of ids', 'a.json', () => filled('{"kind":"crow-ladder notebook","version":1,"studies":[', '{"id":"a","body":{}},', '0]}')],
  ['a PDF', 'a.pdf', () => filled('%PDF-1.7\n', 'x')],
  ['nothing but noughts', 'a.bin', () => new Uint8Array(SIZE)],
];
