import {
  changesTo,
  chromaOf,
  openMidis,
  parseChord,
  spellerIn,
  targetsFrom,
  type Instrument,
  type PathStep,
  type Place,
  type ScaleMove,
} from '../../core';

/** What is to be seen of the chord that comes: ways on the neck, and what they are in words. */
export interface Coming {
  readonly moves: { readonly from: Place; readonly to: Place }[];
  /** Notes that the next scale brings in, with their degrees and names in it. */
  readonly fresh: (Place & { readonly degree: string; readonly name: string })[];
  /** In words: "♭3 up to 3". */
  readonly words: string[];
}

const said = (m: ScaleMove, sameTonic: boolean, up: string, down: string): string =>
  `${sameTonic ? m.was.degree : m.was.name} ${m.by > 0 ? up : down} ${sameTonic ? m.becomes.degree : m.becomes.name}`;

/** Tones by which a chord is known: third and seventh, or what stands for them. */
const guides = (symbol: string): number[] => {
  const { root, tones } = parseChord(symbol);
  return tones.filter((t) => t.step !== 1 && t.step !== 5).map((t) => (chromaOf(root) + t.semitones) % 12);
};

/**
 * What moves when the next chord comes: notes of the scale that are no longer in it; where the scale stays, the tones by which this chord is
 * known and which the next has not, to the nearest tone of the next one on their string.
 */
export function comingOf(i: Instrument, now: PathStep, next: PathStep, words: { readonly up: string; readonly down: string }): Coming {
  const sameTonic = now.ref.tonic === next.ref.tonic;
  const { moves } = changesTo(i, now.shape, now.ref, next.ref);
  if (moves.length) {
    const told = [...new Set(moves.map((m) => said(m, sameTonic, words.up, words.down)))];
    return { moves: moves.map(({ from, to }) => ({ from, to })), fresh: moves.map((m) => ({ ...m.to, ...m.becomes })), words: told };
  }
  if (now.symbol === next.symbol) return { moves: [], fresh: [], words: [] };
  const open = openMidis(i);
  const spell = spellerIn(next.ref);
  const known = new Set(guides(now.symbol));
  const leading = now.shape.notes
    .filter((n) => known.has((open[n.string - 1]! + n.fret) % 12))
    .flatMap((n) => {
      const target = targetsFrom(i, now.shape, n, next.symbol)[0];
      if (!target || target.by === 0 || target.place.string !== n.string) return [];
      return [
        {
          from: { string: n.string, fret: n.fret },
          to: target.place,
          becomes: spell(open[n.string - 1]! + target.place.fret).replace(/-?\d+$/, ''),
          by: target.by,
          was: n.name,
        },
      ];
    });
  return {
    moves: leading.map(({ from, to }) => ({ from, to })),
    fresh: [],
    words: [...new Set(leading.map((l) => `${l.was} ${l.by > 0 ? words.up : words.down} ${l.becomes}`))],
  };
}
