import { TICKS } from '../../core';
import { guitar } from '../../tests/support/random';
import { playOrder } from '../score/order';
import { barsOf } from './bars';
import { readMusicXml } from './read';
import { writeMusicXml } from './write';
import { children, parseXml } from './xml';

/** A score as other programs write it: one part unless more are given, four divisions a quarter. */
const score = (measures: string[], more = '', parts = ''): string =>
  `<score-partwise version="4.0"><part-list><score-part id="P1"><part-name>Guitar</part-name></score-part></part-list><part id="P1">${measures
    .map((m, k) => `<measure number="${k + 1}">${k ? '' : `<attributes><divisions>4</divisions>${more}</attributes>`}${m}</measure>`)
    .join('')}</part>${parts}</score-partwise>`;
const note = (step: string, more = '', duration = 4, before = ''): string =>
  `<note>${before}<pitch><step>${step}</step><octave>3</octave></pitch><duration>${duration}</duration>${more}</note>`;
const on = (string: number, fret: number, technical = '', more = ''): string =>
  `<notations><technical><string>${string}</string><fret>${fret}</fret>${technical}</technical>${more}</notations>`;
const steps = (text: string): (number | null)[] => readMusicXml(text).notes.map((n) => n.midi);
const said = (text: string): string => readMusicXml(text).remarks.join(' ');

describe('repeats and endings are played out', () => {
  /** Barlines in short: [ begins a repeat, ] ends one, ]3 is played three times, "1." an ending that begins, "1.!" begins and ends. */
  const order = (bars: string[]): string => {
    const xml = bars.map((b) => {
      const ending = /(\d(?:,\d)*)\.(!?)/.exec(b);
      const times = /\](\d)/.exec(b);
      return `<measure>${b.includes('[') ? '<barline location="left"><repeat direction="forward"/></barline>' : ''}${
        ending ? `<barline location="left"><ending number="${ending[1]}" type="start"/></barline>` : ''
      }<barline>${ending?.[2] || b.includes('stop') ? `<ending number="1" type="stop"/>` : ''}${
        b.includes(']') ? `<repeat direction="backward"${times ? ` times="${times[1]}"` : ''}/>` : ''
      }</barline></measure>`;
    });
    return playOrder(barsOf(children(parseXml(`<part>${xml.join('')}</part>`), 'measure'))).join('');
  };
  it.each([
    ['none', ['', '', ''], '012'],
    ['from the begin', ['', ']', ''], '01012'],
    ['from a sign', ['', '[', ']', ''], '012123'],
    ['three times', ['[', ']3', ''], '0101012'],
    ['one bar', ['[]', '[]4', ''], '0011112'],
    ['two after one another', ['[', ']', '[', ']'], '01012323'],
    ['without a second begin', [']', '', ']', ''], '0012123'],
    ['first and second ending', ['[', '1.!]', '2.!', ''], '01023'],
    ['first ending alone', ['[', '1.!]', '', ''], '01023'],
    ['three endings', ['[', '1.!]', '2.!]', '3.!', ''], '0102034'],
    ['an ending for twice', ['[', '1,2.!]', '3.!', ''], '0101023'],
    ['endings of several bars', ['[', '', '1.', 'stop]', '2.', 'stop', ''], '012301456'],
    ['a last ending that is closed by a repeat', ['[', '1.!]', '2.!]', ''], '01023'],
    ['two sections with endings', ['[', '1.!]', '2.!', '[', '1.!]', '2.!'], '01023435'],
  ])('%s', (_, bars, wanted) => {
    expect(order(bars)).toBe(wanted);
  });
  it('the line has the notes as often as they sound, and says so; what is left out is counted once', () => {
    const text = score([note('C', '<notations><articulations><staccato/></articulations></notations>', 16), `${note('D', '', 16)}<barline><repeat direction="backward"/></barline>`]); // prettier-ignore
    expect(steps(text)).toEqual([48, 50, 48, 50]);
    expect(said(text)).toContain('Repeats are played out.');
    expect(said(text)).toContain('1 × staccato.');
  });
  it('jumps are named', () => {
    expect(said(score([note('C'), `${note('D')}<direction><direction-type><words>D.C.</words></direction-type><sound dacapo="yes"/></direction>`]))).toContain('1 jump (da capo, to a sign, to the coda, fine) in bar 2 left out'); // prettier-ignore
  });
});

describe('what stands on notes', () => {
  it('slurs are hammer-ons and pull-offs where the frets say so', () => {
    const slur = (type: string): string => `<slur type="${type}" number="1"/>`;
    const text = score([
      note('C', on(5, 3, '', slur('start'))) + note('D', on(5, 5)) + note('C', on(5, 3, '', slur('stop'))) + note('E', on(4, 2)),
    ]);
    expect(readMusicXml(text).notes.map((n) => n.join ?? '-')).toEqual(['-', 'hammer', 'pull', '-']);
  });
  it('a slur over two strings is counted, not guessed', () => {
    const text = score([
      note('C', on(5, 3, '', '<slur type="start" number="1"/>')) + note('E', on(4, 2, '', '<slur type="stop" number="1"/>')),
    ]);
    expect(readMusicXml(text).notes.map((n) => n.join)).toEqual([undefined, undefined]);
    expect(said(text)).toContain('1 slur in bar 1 left out: it joins no two frets');
  });
  it('a slur without strings goes by pitch, to where the notes are placed', () => {
    const text = score([
      note('C', '<notations><slur type="start"/></notations>') + note('D', '<notations><slur type="stop"/></notations>'),
    ]);
    expect(readMusicXml(text).notes.map((n) => n.join)).toEqual([undefined, 'hammer']);
  });
  it('strokes, bends that are let go, also on the tied note', () => {
    const bend = (alter: number, more = ''): string => `<bend><bend-alter>${alter}</bend-alter>${more}</bend>`;
    const text = score([
      note('C', on(5, 3, `<down-bow/>${bend(2)}${bend(-2, '<release/>')}`)) +
        note('D', `<tie type="start"/>${on(5, 5, `<up-bow/>${bend(1)}`)}`) +
        note('D', `<tie type="stop"/>${on(5, 5, bend(-1, '<release/>'))}`),
    ]);
    expect(readMusicXml(text).notes.map(({ bend, release, stroke, join }) => ({ bend, release, stroke, join }))).toEqual([
      { bend: 2, release: true, stroke: 'down', join: undefined },
      { bend: 1, release: true, stroke: 'up', join: undefined },
      { bend: undefined, release: undefined, stroke: undefined, join: 'tie' },
    ]);
  });
  it('quarter tones, bends before the note and with the bar are named', () => {
    const bends = ['<bend-alter>0.5</bend-alter>', '<bend-alter>1.5</bend-alter>', '<bend-alter>2</bend-alter><pre-bend/>', '<bend-alter>-2</bend-alter><with-bar/>']; // prettier-ignore
    const text = score([bends.map((b) => note('C', on(5, 3, `<bend>${b}</bend>`))).join('')]);
    expect(readMusicXml(text).notes.map((n) => n.bend ?? 0)).toEqual([1, 2, 2, 0]);
    expect(said(text)).toContain('2 × quarter tone of a bend (read as half steps), 1 × bend before the note (read as a bend), 1 × bend with the bar'); // prettier-ignore
  });
  it('whatever else stands there is counted by its name', () => {
    const text = score([
      `<harmony><root><root-step>C</root-step></root></harmony><direction><direction-type><words>gently</words></direction-type></direction>` +
        note(
          'C',
          '<notations><ornaments><trill-mark/><wavy-line type="start"/></ornaments><articulations><accent/></articulations><fermata/></notations><lyric><text>la</text></lyric>',
        ) + // prettier-ignore
        note('D', '', 4, '<cue/>') +
        note('E', on(4, 2, '<harmonic/>')) +
        '<note><unpitched/><duration>4</duration></note>',
    ]);
    expect(steps(text)).toEqual([48, null, 52, null]);
    for (const words of [
      '1 cue note in bar 1',
      '1 note without a pitch in bar 1',
      '1 × trill',
      '1 × vibrato',
      '1 × accent',
      '1 × hold',
      '1 × syllable of a text',
      '1 × harmonic',
      '1 × chord symbol',
      '1 × words',
    ])
      // prettier-ignore
      expect(said(text)).toContain(words);
  });
});

describe('time', () => {
  it('parts of a tuplet of any ratio add up', () => {
    const seven = Array.from({ length: 7 }, () => note('C', '', 4)).join('');
    const text = score([`<attributes><divisions>7</divisions></attributes>${seven}${note('D', '', 7)}`]);
    const { notes } = readMusicXml(text);
    expect(notes.map((n) => n.ticks).slice(0, 7).reduce((a, b) => a + b)).toBe(4 * TICKS); // prettier-ignore
    expect(new Set(notes.slice(0, 7).map((n) => n.ticks))).toEqual(new Set([274, 275]));
  });
  it('a tempo mark without a sounding tempo, dotted, and one of parts of a beat a minute', () => {
    const mark = (unit: string, dots: string, perMinute: string): string =>
      `<direction><direction-type><metronome><beat-unit>${unit}</beat-unit>${dots}<per-minute>${perMinute}</per-minute></metronome></direction-type></direction>`;
    expect(readMusicXml(score([mark('quarter', '', '92.5') + note('C')])).tempo).toBe(92.5);
    expect(readMusicXml(score([mark('quarter', '<beat-unit-dot/>', 'c. 80') + note('C')])).tempo).toBe(120);
    expect(readMusicXml(score([mark('half', '', '60') + note('C')])).tempo).toBe(120);
    expect(readMusicXml(score([`<sound tempo="66.67"/>${note('C')}`])).tempo).toBe(66.67);
    expect(readMusicXml(score([`<sound tempo="4000"/>${note('C')}`])).tempo).toBeNull();
  });
  it('tempo and meter changes have their places', () => {
    const time = (beats: number): string => `<attributes><time><beats>${beats}</beats><beat-type>4</beat-type></time></attributes>`;
    const text = score([
      `<sound tempo="100"/>${note('C', '', 16)}`,
      `${time(3)}${note('D', '', 12)}`,
      `<sound tempo="80"/>${note('E', '', 12)}`,
    ]);
    expect(readMusicXml(text)).toMatchObject({
      tempo: 100,
      meter: [4, 4],
      changes: [
        { at: 1920, tempo: 100, meter: [3, 4] },
        { at: 3360, tempo: 80, meter: [3, 4] },
      ],
    });
  });
  it.each([
    ['none', '<beats>-4</beats><beat-type>4</beat-type>'],
    ['of five thirds', '<beats>5</beats><beat-type>3</beat-type>'],
  ])('a meter that is %s is not taken over', (_, time) => {
    expect(readMusicXml(score([note('C')], `<time>${time}</time>`)).meter).toEqual([4, 4]);
  });
});

describe('the lines of a score', () => {
  const two = `<part id="P2"><measure><attributes><divisions>1</divisions></attributes>${note('G', '<voice>1</voice><staff>1</staff>', 1)}<backup><duration>1</duration></backup>${note('A', '<voice>2</voice><staff>2</staff>', 1)}</measure></part>`; // prettier-ignore
  const text = score([note('C', '<staff>1</staff>') + note('D', '<staff>1</staff>')], '', two);
  it('are told by part, staff and voice, each with its notes; any can be had', () => {
    const read = readMusicXml(text);
    expect(read.voices).toEqual([
      { id: 'P1/1/1', name: 'Guitar', midis: [48, 50] },
      { id: 'P2/1/1', name: 'part P2, staff 1', midis: [55] },
      { id: 'P2/2/2', name: 'part P2, staff 2', midis: [57] },
    ]);
    expect(read.voice).toBe('P1/1/1');
    expect(read.remarks).toContain('Other lines, with their notes, not taken: part P2, staff 1 (1); part P2, staff 2 (1).');
    expect(readMusicXml(text, { voice: 'P2/2/2' })).toMatchObject({ voice: 'P2/2/2', notes: [{ midi: 57, ticks: TICKS }] });
    expect(readMusicXml(text, { voice: 'gone' }).voice).toBe('P1/1/1');
  });
  it('a staff with the same notes is no loss', () => {
    const twice = note('C', '<voice>1</voice><staff>1</staff>') + '<backup><duration>4</duration></backup>' + note('C', `<voice>5</voice><staff>2</staff>${on(5, 3)}`); // prettier-ignore
    const read = readMusicXml(score([twice]));
    expect(read.voice).toBe('P1/2/5');
    expect(read.remarks.join(' ')).toContain('The same notes stand in: Guitar, staff 1.');
    expect(read.remarks.join(' ')).not.toContain('not taken');
  });
});

it('fingers and strokes that were worked out come back as none, settled ones as settled', () => {
  const write = writeMusicXml({
    name: 'Settled',
    instrument: guitar(),
    scale: { tonic: 'C', scale: 'ionian' },
    notes: [
      { place: { string: 5, fret: 3 }, ticks: 240, finger: 2, stroke: 'up' },
      { place: { string: 5, fret: 5 }, ticks: 240 },
    ],
    tempo: 92.5,
    meter: [4, 4],
    school: 'finger-per-fret',
    strokes: ['down', 'up'],
  });
  expect(write.match(/<fingering/g)).toHaveLength(2);
  expect(readMusicXml(write)).toMatchObject({ tempo: 92.5 });
  expect(readMusicXml(write).notes.map(({ finger, stroke }) => [finger, stroke])).toEqual([[2, 'up'], [undefined, undefined]]); // prettier-ignore
});
