import type { LickSummary, StudySummary } from '../../contract';
import { ascii, glyphs } from '../../core';
import { layoutWords } from './layout-text';
import { scaleName } from './scale-text';
import { instrumentWords } from './tuning-text';
import { counted } from './count-text';
import { isolated } from './name-text';

/** A line of the notebook: a study, or a lick of one. */
export interface Entry {
  /** Unlike any other's. */
  readonly key: string;
  readonly kind: 'study' | 'lick';
  readonly name: string;
  /** The study itself, or the one that the lick is in. */
  readonly study: StudySummary;
  readonly lick: LickSummary | null;
  readonly about: string;
  readonly tags: string[];
  readonly practisedAt: number | null;
  readonly changedAt: number;
  /** What a search looks through, in small letters and plain signs. */
  readonly haystack: string;
}

const plain = (text: string): string => ascii(text).toLowerCase();

function aboutStudy(s: StudySummary): string {
  if (s.problems.length) return s.problems[0]!.message;
  return `${scaleName(s.scale)} on ${instrumentWords(s.instrument)}, laid out as ${layoutWords(s.layout)}`;
}

/** Every study, and every lick of it after it. */
export function entriesOf(studies: readonly StudySummary[]): Entry[] {
  return studies.flatMap((study) => {
    const about = aboutStudy(study);
    const scale = study.problems.length ? '' : scaleName(study.scale);
    const base = { study, changedAt: study.updatedAt };
    const self: Entry = {
      ...base,
      key: study.id,
      kind: 'study',
      name: study.name,
      lick: null,
      about,
      tags: study.tags,
      practisedAt: study.practisedAt,
      haystack: plain([study.name, study.set, about, ...study.tags].join(' ')),
    };
    const licks = study.licks.map((lick): Entry => {
      const words = `${counted(lick.notes, 'note')}, in “${isolated(study.name)}”`;
      return {
        ...base,
        key: `${study.id}/${lick.id}`,
        kind: 'lick',
        name: lick.name,
        lick,
        about: words,
        tags: lick.tags,
        practisedAt: lick.practisedAt,
        haystack: plain([lick.name, words, study.set, scale, ...lick.tags].join(' ')),
      };
    });
    return [self, ...licks];
  });
}

export interface Sieve {
  readonly text: string;
  readonly kind: 'all' | 'study' | 'lick';
  readonly tag: string;
}

/** Entries that a search leaves: every word typed stands somewhere in them. */
export function sifted(entries: readonly Entry[], { text, kind, tag }: Sieve): Entry[] {
  const words = plain(text).split(/\s+/).filter(Boolean);
  return entries.filter(
    (e) => (kind === 'all' || e.kind === kind) && (!tag || e.tags.includes(tag)) && words.every((w) => e.haystack.includes(w)),
  );
}

/** Tags in use, the commonest first. */
export function tagsIn(entries: readonly Entry[]): string[] {
  const counts = new Map<string, number>();
  for (const e of entries) for (const t of e.tags) counts.set(t, (counts.get(t) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1] || (plain(a[0]) < plain(b[0]) ? -1 : 1)).map(([t]) => t);
}

/** "3 studies, 5 licks". */
export function countWords(entries: readonly Entry[]): string {
  const studies = entries.filter((e) => e.kind === 'study').length;
  const licks = entries.length - studies;
  return glyphs(`${counted(studies, 'study', 'studies')}, ${counted(licks, 'lick')}`);
}
