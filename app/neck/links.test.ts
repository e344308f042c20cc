import { layOut, plainPlace, toKey, type Instrument, type Place } from '../../core';
import { NEW_INSTRUMENT } from '../store/loose';
import { linksBetween } from './links';

const scale = { tonic: 'A', scale: 'minor pentatonic' };
const [box] = layOut(NEW_INSTRUMENT, scale, { kind: 'box', numbering: 'minor-root' }).filter((s) => s.lowFret === 5);
const side = (places: readonly Place[], instrument: Instrument = NEW_INSTRUMENT) => ({ instrument, places: places.map(plainPlace) });

describe('what is drawn between two necks', () => {
  it('is every way from fret to fret once, and how many notes go it', () => {
    const moved = toKey(NEW_INSTRUMENT, box!.notes.map(plainPlace), 2).find((f) => f.places[0]!.fret === box!.notes[0]!.fret + 2);
    expect(linksBetween(side(box!.notes), side(moved?.places ?? []))).toEqual([
      { from: 5, to: 7, count: 6 },
      { from: 7, to: 9, count: 3 },
      { from: 8, to: 10, count: 3 },
    ]);
  });
  it('is nothing where nothing moved', () => expect(linksBetween(side(box!.notes), side(box!.notes))).toEqual([]));
  it('follows the pitch where the strings hold other numbers of notes', () => {
    const before = side([
      { string: 3, fret: 5 },
      { string: 3, fret: 7 },
    ]); // C4 D4
    const after = side([
      { string: 3, fret: 5 },
      { string: 2, fret: 3 },
      { string: 2, fret: 5 },
    ]); // C4 D4 E4
    expect(linksBetween(before, after)).toEqual([{ from: 7, to: 3, count: 1 }]);
  });
});
