/** What a file has and a lick does not carry, counted as it is read: so much of each, and where. */

/** A kind of thing left out: what one and several of it are called, and why. */
export interface LeftKind {
  readonly one: string;
  readonly many: string;
  readonly why: string;
}

/** Places that are named before the rest is summed up. */
const MOST_PLACES = 6;

/** Where, in lines or bars: "in line 3", "in bars 3, 9". */
function whereWords(at: ReadonlySet<number>, unit: string): string {
  const all = [...at].sort((a, b) => a - b);
  if (!all.length) return '';
  const named = all.slice(0, MOST_PLACES).join(', ');
  const more = all.length > MOST_PLACES ? ` and ${all.length - MOST_PLACES} more` : '';
  return ` in ${unit}${all.length === 1 ? '' : 's'} ${named}${more}`;
}

/** The sentence of a kind, or none where there is nothing of it. Example: "3 slides in bars 2, 4 left out: …". */
export const leftOut = (count: number, kind: LeftKind, where = ''): string[] =>
  count === 0 ? [] : [`${count} ${count === 1 ? kind.one : kind.many}${where} left out: ${kind.why}.`];

/** A count of what was left out. `unit` is what places are counted in: "line" of a text, "bar" of a score. */
export class Left {
  private readonly kinds = new Map<LeftKind, { readonly count: number; readonly at: Set<number> }>();
  private readonly signs = new Map<string, number>();
  constructor(private readonly unit: 'line' | 'bar') {}

  /** One more of a kind, at a place counted from 1. */
  leave(kind: LeftKind, at?: number): void {
    const kept = this.kinds.get(kind) ?? { count: 0, at: new Set<number>() };
    if (at !== undefined) kept.at.add(at);
    this.kinds.set(kind, { ...kept, count: kept.count + 1 });
  }

  /** One more sign, by its plain name, that a lick has no room for. */
  sign(name: string): void {
    this.signs.set(name, (this.signs.get(name) ?? 0) + 1);
  }

  /** This count and another as one. */
  with(other: Left): Left {
    const sum = new Left(this.unit);
    for (const { kinds, signs } of [this, other]) {
      for (const [kind, { count, at }] of kinds) {
        const kept = sum.kinds.get(kind);
        sum.kinds.set(kind, { count: count + (kept?.count ?? 0), at: new Set([...at, ...(kept?.at ?? [])]) });
      }
      for (const [name, count] of signs) sum.signs.set(name, count + (sum.signs.get(name) ?? 0));
    }
    return sum;
  }

  /** Sentences, one a kind, and one for all signs. */
  words(): string[] {
    const kinds = [...this.kinds].flatMap(([kind, { count, at }]) => leftOut(count, kind, whereWords(at, this.unit)));
    if (!this.signs.size) return kinds;
    const signs = [...this.signs].map(([name, count]) => `${count} × ${name}`).join(', ');
    return [...kinds, `Left out, as a lick does not carry them: ${signs}.`];
  }
}

/** Notes struck together with a higher one. */
export const CHORD_NOTE: LeftKind = { one: 'note', many: 'notes', why: 'struck together with a higher one; a lick is one line' };
