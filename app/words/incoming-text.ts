import type { Choices, Incoming } from '../files/read-files';
import { counted } from './count-text';
import { isolated } from './name-text';
import { instrumentWords } from './tuning-text';

/** What a file will bring, in words. */
export function incomingWords(item: Incoming): string {
  switch (item.kind) {
    case 'licks':
      return item.licks.length === 1 ? `a lick, “${isolated(item.licks[0].name)}”` : counted(item.licks.length, 'lick');
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

/** A line of a file as a choice: "Guitar, staff 2: 24 notes, 3 beyond the neck". */
export const voiceWords = ({ name, notes, beyond }: Choices['voices'][number]): string =>
  `${name}: ${counted(notes, 'note')}${beyond ? `, ${beyond} beyond the neck` : ''}`;

/** What a format could not hold of a line that went out as a file. */
export const lossWords = (format: string, lost: readonly string[]): string =>
  lost.length ? `Saved. ${format} has no room for: ${lost.join(', ')}.` : `Saved. ${format} has all of it.`;

/** Letters that no font that ships has, before anything is printed. */
export const missingWords = (letters: readonly string[]): string | null =>
  letters.length ? `No font that ships has ${letters.slice(0, 12).join(' ')}${letters.length > 12 ? ' …' : ''}: on paper a box stands in ${letters.length === 1 ? 'its' : 'their'} place.` : null; // prettier-ignore
