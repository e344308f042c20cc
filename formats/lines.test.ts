import fc from 'fast-check';
import { placeNotes, soundedNotes, type LickNote, type PitchedNote } from '../core';
import { anyLick } from '../tests/support/licks';
import { guitar } from '../tests/support/random';
import { LINE_FORMATS, lineFormat, readLine, type LineFormat, type LineOut } from './lines';

const bytesOf = (written: string | Uint8Array): Uint8Array => (typeof written === 'string' ? new TextEncoder().encode(written) : written);
const n = (string: number, fret: number, more: Partial<LickNote> = {}): LickNote => ({ place: { string, fret }, ticks: 240, ...more });
const capoed = { ...guitar(), capo: 2 };
const line = (notes: LickNote[], more: Partial<LineOut> = {}): LineOut => ({ name: 'Every sign', instrument: capoed, scale: { tonic: 'C', scale: 'ionian' }, notes, tempo: 92.5, meter: [7, 8], school: 'finger-per-fret', channelPerString: true, ...more }); // prettier-ignore
const back = (f: LineFormat, l: LineOut) => readLine(bytesOf(f.write(l)), guitar());

/** One lick with each sign that a lick can have, and how each is found again. */
const EVERY: LickNote[] = [
  n(5, 3, { stroke: 'down', finger: 2 }),
  n(5, 5, { join: 'hammer' }),
  n(5, 3, { join: 'pull' }),
  n(5, 7, { join: 'slide' }),
  n(3, 5, { bend: 2, release: true }),
  n(3, 12, { join: 'tap' }),
  n(6, 4, { muted: true }),
];
const SIGNS: Record<string, (notes: readonly PitchedNote[]) => boolean> = {
  'strings and frets': (all) => all.some((x) => x.place),
  '2 hammer-ons and pull-offs': (all) => all[1]!.join === 'hammer' && all[2]!.join === 'pull',
  '1 slide': (all) => all[3]!.join === 'slide',
  '1 tap': (all) => all[5]!.join === 'tap',
  '1 bend': (all) => all[4]!.bend === 2 && all[4]!.release === true,
  '1 palm-muted note as such': (all) => all[6]!.muted === true,
  '1 settled stroke': (all) => all[0]!.stroke === 'down',
  '1 settled finger': (all) => all[0]!.finger === 2,
};

describe.each(LINE_FORMATS.map((f) => [f.name, f] as const))('%s', (_, f) => {
  it('loses what it says, and nothing else', () => {
    const read = back(f, line(EVERY));
    const lost = f.loses(line(EVERY));
    for (const [words, is] of Object.entries(SIGNS)) expect([words, is(read.notes)]).toEqual([words, !lost.includes(words)]);
    expect(['the capo', read.capo === 2]).toEqual(['the capo', !lost.includes('the capo')]);
    expect(lost.filter((l) => !(l in SIGNS) && l !== 'the capo')).toEqual([]);
    expect(read).toMatchObject({ name: 'Every sign', tempo: 92.5, meter: [7, 8] });
  });
  it('says nothing where nothing is lost', () => {
    expect(f.loses(line([{ place: null, ticks: 480 }], { instrument: guitar() }))).toEqual([]);
  });
  it('gives back the pitch and time of any lick', () => {
    fc.assert(
      fc.property(anyLick(guitar()), fc.constantFrom<[number, number]>([4, 4], [3, 4], [7, 8], [5, 2]), (notes, meter) => {
        const whole = line(notes, { instrument: guitar(), meter });
        const wanted = soundedNotes(guitar(), notes).map((s) => [s.midi, s.start, s.ticks]);
        if (!wanted.length) return;
        const read = back(f, whole);
        const plain = read.notes.map((x) => ({ ...x, join: x.join === 'tie' ? x.join : undefined }));
        expect(soundedNotes(guitar(), placeNotes(guitar(), plain, { school: 'finger-per-fret' })).map((s) => [s.midi, s.start, s.ticks])).toEqual(wanted); // prettier-ignore
      }),
      { numRuns: 40 },
    );
  });
  it('is told by what is in it, and has an ending of its own', () => {
    expect(LINE_FORMATS.find((x) => x.is({ bytes: bytesOf(f.write(line(EVERY))), text: new TextDecoder().decode(bytesOf(f.write(line(EVERY)))) }))?.id).toBe(f.id); // prettier-ignore
    expect(LINE_FORMATS.filter((x) => x.extension === f.extension)).toHaveLength(1);
    expect(lineFormat(f.id)).toBe(f);
  });
});

it('MIDI on one channel loses the places too', () => {
  expect(lineFormat('midi').loses(line(EVERY, { channelPerString: false }))).toContain('strings and frets');
});
