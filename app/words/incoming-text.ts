import type { Bundle } from '../../contract';
import type { Instrument } from '../../core';
import { counted } from './count-text';
import { isolated } from './name-text';
import { instrumentWords } from './tuning-text';

/** What a file will bring, as far as it is spoken of. */
type Brings =
  | { readonly kind: 'licks'; readonly licks: readonly { readonly name: string }[] }
  | { readonly kind: 'notebook'; readonly bundle: Bundle }
  | { readonly kind: 'instrument'; readonly instrument: Instrument }
  | { readonly kind: 'asks' }
  | { readonly kind: 'refused'; readonly why: string };

/** What a file will bring, in words. */
export function incomingWords(item: Brings): string {
  switch (item.kind) {
    case 'licks':
      return item.licks.length === 1 ? `a lick, “${isolated(item.licks[0]!.name)}”` : counted(item.licks.length, 'lick');
    case 'notebook':
      return `${counted(item.bundle.studies.length, 'study', 'studies')} and ${counted(item.bundle.instruments.length, 'instrument')}, beside what is here`;
    case 'instrument':
      return `an instrument, “${isolated(item.instrument.name)}”: ${instrumentWords(item.instrument)}`;
    case 'asks':
      return 'a tuning; the file does not say how high it sounds.';
    case 'refused':
      return `nothing: ${item.why}`;
  }
}

/** A line of a file: its notes, and how many of them lie beyond the neck. */
interface Voice {
  readonly name: string;
  readonly notes: number;
  readonly beyond: number;
}

/** A line of a file as a choice: "Guitar, staff 2: 24 notes, 3 beyond the neck". */
export const voiceWords = ({ name, notes, beyond }: Voice): string =>
  `${name}: ${counted(notes, 'note')}${beyond ? `, ${beyond} beyond the neck` : ''}`;

/** What a format could not hold of a line that went out as a file. */
export const lossWords = (format: string, lost: readonly string[]): string =>
  lost.length ? `Saved. ${format} has no room for: ${lost.join(', ')}.` : `Saved. ${format} has all of it.`;

/** Letters that no font that ships has, before anything is printed. */
export const missingWords = (letters: readonly string[]): string | null =>
  letters.length ? `No font that ships has ${letters.slice(0, 12).join(' ')}${letters.length > 12 ? ' …' : ''}: on paper a box stands in ${letters.length === 1 ? 'its' : 'their'} place.` : null; // prettier-ignore
