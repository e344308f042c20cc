import { readFileSync } from 'node:fs';
import { strToU8, zipSync } from 'fflate';
import { guitar } from '../tests/support/random';
import { LONGEST_NOTE, lickTicks, placeNotes, TICKS } from '../core';
import { readAbc } from './abc/read';
import { FormatError } from './errors';
import { readMidiFile } from './midi/read';
import { packMxl, unpackMxl } from './musicxml/mxl';
import { readMusicXml } from './musicxml/read';
import { readTab } from './tab/read';

// What never ends here runs into the test's own limit of five seconds; how fast each reader is stands in bench/.
const given = (name: string): string => readFileSync(`tests/fixtures/went-wrong/${name}`, 'utf8');
const why = (read: () => unknown): string => {
  try {
    read();
    return '';
  } catch (e) {
    if (e instanceof FormatError) return e.message;
    throw e;
  }
};
const score = (inner: string, attributes = ''): string =>
  `<?xml version="1.0"?><score-partwise version="4.0"><part-list><score-part id="P1"><part-name>x</part-name></score-part></part-list><part id="P1"><measure number="1">${attributes}${inner}</measure></part></score-partwise>`;
const NOTE = '<note><pitch><step>A</step><octave>3</octave></pitch><duration>1</duration></note>';
const tab = (top: string): string => `${top}\ne|---5---|\nB|-------|\nG|-------|\nD|-------|\nA|-------|\nE|-------|`;

describe('files that would not end', () => {
  it('a duration of a hundred million quarters, and one of a billion billion', () => {
    expect(why(() => readMusicXml(given('duration-1e8.musicxml')))).toBe('this file lasts longer than ten thousand bars.');
    expect(why(() => readMusicXml(score(NOTE.replace('>1<', '>1000000000000<'))))).toContain('longer than ten thousand bars');
    expect(why(() => readMusicXml(score(`<forward><duration>99999999</duration></forward>${NOTE}`)))).toContain(
      'longer than ten thousand bars',
    );
  });
  it('rows that look like palm mutes or lengths and are none', () => {
    expect(why(() => readTab(given('tab-PM-redos.txt'), guitar()))).toContain(''); // read or refused, at once
    expect(readTab(tab(`${'PM  '.repeat(4000)}!`), guitar()).notes).toHaveLength(1);
    expect(readTab(tab(`${'E '.repeat(4000)}!`), guitar()).notes).toHaveLength(1);
    expect(readTab(tab(`${'W+'.repeat(4000)}!`), guitar()).notes).toHaveLength(1);
  });
  it('forty thousand spaces and a sign, before a bar, behind it, between signs', () => {
    const spaces = ' '.repeat(40_000);
    for (const line of [`${spaces}?`, `E${spaces}?`, `E|${spaces}?`, `|${spaces}x2${spaces}?`, `-${spaces}-?`])
      expect(readTab(tab(line), guitar()).notes).toHaveLength(1);
  });
  it('a hundred thousand bars are more than a line holds; a line of ten megabytes is none', () => {
    expect(why(() => readTab(`E|${'-5-|'.repeat(100_000)}`, guitar()))).toMatch(/letters; a text has at most 100000|signs; at most 20000/);
    expect(why(() => readTab('-'.repeat(10_000_000), guitar()))).toContain('this line has 10000000 letters');
    const rows = Array.from({ length: 4000 }, () => 'E|-5-|-7-|-5-|-7-|\n').join('\n');
    expect(readTab(rows, { ...guitar(), strings: guitar().strings.slice(0, 1) }).notes).toHaveLength(16_000);
  });
  it('ten megabytes in one text of XML; a million elements; a hundred thousand inside one another', () => {
    expect(why(() => readMusicXml(score(`<x>${'a'.repeat(10_000_000)}</x>`)))).toMatch(/a text of 10000000 letters stands in/);
    expect(why(() => readMusicXml(score('<x/>'.repeat(1_000_001))))).toContain('more than 1000000 elements');
    expect(why(() => readMusicXml(score('<x>'.repeat(100_000))))).toContain('nested more than 100 levels deep');
  });
  it('a bar of forty thousand ties and broken rhythms, and one note broken again and again', () => {
    const bar = 'C-D>E-F<G-\n'.repeat(4000);
    expect(why(() => readAbc(`X:1\nK:C\n${bar}`))).toBe('');
    expect(why(() => readAbc(`X:1\nK:C\n${bar.repeat(10)}`))).toContain('this tune has more than 60000 notes');
    expect(readAbc(`X:1\nL:1/4\nK:C\nC${'>'.repeat(30_000)}D`).notes.map((n) => n.ticks)).toEqual([1.875 * TICKS, 0.125 * TICKS]);
  });
  it('a length in MIDI that leads back into what was read, and an event beyond its track', () => {
    const track = (...events: number[]): Uint8Array => new Uint8Array([...Buffer.from('MThd'), 0, 0, 0, 6, 0, 0, 0, 1, 1, 0xe0, ...Buffer.from('MTrk'), 0, 0, 0, events.length, ...events]); // prettier-ignore
    const NOTE_ON = [0, 0x90, 60, 90];
    // A text of 0xFFFFFFF0 bytes: where numbers have 32 bits and a sign, sixteen bytes backwards.
    expect(why(() => readMidiFile(track(...NOTE_ON, 0, 0xff, 1, 0x8f, 0xff, 0xff, 0xff, 0x70)))).toContain('a number of more than 4 bytes');
    expect(why(() => readMidiFile(track(...NOTE_ON, 0, 0xff, 1, 40, 65)))).toContain('an event ends beyond its track');
    expect(why(() => readMidiFile(track(...NOTE_ON, 0x81, 0x70, 0x80, 60)))).toContain('an event ends beyond its track');
    expect(readMidiFile(track(...NOTE_ON, 0x83, 0x60, 60, 0, 0, 0xff, 0x2f, 0)).notes.map((n) => n.midi)).toEqual([60]); // running status
  });
  it('a message is short however long what it is about', () => {
    for (const text of ['<'.repeat(1_000_000), score(`<${'x'.repeat(100_000)}`), `<${'y'.repeat(100_000)}/>`])
      expect(why(() => readMusicXml(text)).length).toBeLessThanOrEqual(300);
  });
});

describe('lengths above two whole notes are tied, in every reader', () => {
  it('tab: three wholes, and as ticks', () => {
    const read = readTab(given('tab-three-wholes.txt'), guitar());
    expect(read.notes.every((n) => n.ticks <= LONGEST_NOTE)).toBe(true);
    const long = readTab(tab('     =99999'), guitar());
    expect(long.notes.every((n) => n.ticks <= LONGEST_NOTE)).toBe(true);
    expect(lickTicks(long.notes)).toBe(99_999);
    expect(long.notes.slice(1).every((n) => n.join === 'tie')).toBe(true);
    expect(placeNotes(guitar(), long.notes, { school: 'finger-per-fret' })).toHaveLength(long.notes.length);
  });
  it('MusicXML: the same, and a rest as rests', () => {
    const long = readMusicXml(score(`${NOTE.replace('>1<', '>20<')}<note><rest/><duration>20</duration></note>${NOTE}`));
    expect(long.notes.map((n) => [n.midi, n.ticks / TICKS, n.join])).toEqual([[57, 8, undefined], [57, 8, 'tie'], [57, 4, 'tie'], [null, 8, undefined], [null, 8, undefined], [null, 4, undefined], [57, 1, undefined]]); // prettier-ignore
  });
});

describe('read rightly, or refused by name', () => {
  it('a capo that no neck has', () => {
    expect(why(() => readMusicXml(given('capo-neg.musicxml')))).toMatch(/its capo is “-3”; a fret from 0 to 24/);
    expect(why(() => readMusicXml(given('capo-neg.musicxml').replace('-3', '1.5')))).toContain('its capo is “1.5”');
  });
  it('declarations with single quotes, with SYSTEM alone, with signs in numbers', () => {
    for (const doctype of [
      `<!DOCTYPE score-partwise PUBLIC '-//x' 'y.dtd'>`,
      '<!DOCTYPE score-partwise SYSTEM "y.dtd">',
      '<!DOCTYPE score-partwise>',
    ])
      expect(readMusicXml(score(NOTE).replace('?>', `?>${doctype}`)).notes).toHaveLength(1);
    const titled = score(NOTE).replace('<part-list>', '<work><work-title>Caf&#233; &#x266F;1 &amp; 2</work-title></work><part-list>');
    expect(readMusicXml(titled).name).toBe('Café ♯1 & 2');
    expect(why(() => readMusicXml(score(NOTE).replace('?>', '?><!DOCTYPE score-partwise [<!ENTITY a "b">]>')))).toContain(
      'declares entities',
    );
    expect(why(() => readMusicXml(score(NOTE).replace('?>', '?><!DOCTYPE html SYSTEM "x">')))).toContain('outside itself');
    expect(why(() => readMusicXml(score('&what;')))).toContain('not whole XML');
  });
  it('a root file that is named like a thing of the language; UTF-16 inside an archive', () => {
    const container = (path: string): string => `<container><rootfiles><rootfile full-path="${path}"/></rootfiles></container>`;
    const odd = zipSync({ 'META-INF/container.xml': strToU8(container('constructor')), 'a.xml': strToU8(score(NOTE)) });
    expect(why(() => unpackMxl(odd))).toBe('this archive names “constructor” as its score, and that is not in it.');
    const wide = new Uint8Array([0xff, 0xfe, ...new Uint8Array(Uint16Array.from(score(NOTE), (c) => c.charCodeAt(0)).buffer)]);
    const packed = zipSync({ 'META-INF/container.xml': strToU8(container('s.xml')), 's.xml': wide });
    expect(readMusicXml(unpackMxl(packed)).notes).toHaveLength(1);
    expect(readMusicXml(unpackMxl(packMxl(score(NOTE)))).notes).toHaveLength(1);
  });
});
