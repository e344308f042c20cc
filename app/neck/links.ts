import { pitchAt, type Instrument, type Place } from '../../core';

/** What moved between two necks: from a fret to a fret; how many notes went so. */
export interface Link {
  readonly from: number;
  readonly to: number;
  readonly count: number;
}

interface Side {
  readonly instrument: Instrument;
  readonly places: readonly Place[];
}

const inOrder = (places: readonly Place[]): Place[] => [...places].sort((a, b) => b.string - a.string || a.fret - b.fret);
const perString = (places: readonly Place[]): string => inOrder(places).map((p) => p.string).join(); // prettier-ignore

/** Which note became which: string for string where both have as many on each, else the one that sounds the same pitch. */
function pairs(before: Side, after: Side): [Place, Place][] {
  const [a, b] = [inOrder(before.places), inOrder(after.places)];
  if (perString(a) === perString(b)) return a.map((p, k) => [p, b[k]!]);
  const sounding = new Map(b.map((p) => [pitchAt(after.instrument, p).midi, p]));
  return a.flatMap((p): [Place, Place][] => {
    const there = sounding.get(pitchAt(before.instrument, p).midi);
    return there ? [[p, there]] : [];
  });
}

/** What is drawn between a neck before and one after: every way from fret to fret once, from the nut up. */
export function linksBetween(before: Side, after: Side): Link[] {
  const links = new Map<string, Link>();
  for (const [p, q] of pairs(before, after)) {
    if (p.string === q.string && p.fret === q.fret) continue;
    const key = `${p.fret} ${q.fret}`;
    links.set(key, { from: p.fret, to: q.fret, count: (links.get(key)?.count ?? 0) + 1 });
  }
  return [...links.values()].sort((x, y) => x.from - y.from || x.to - y.to);
}
