import { setLocale } from 'yup';

/** Most characters of a message: it is read by a player, and never echoes what was sent at length. */
export const MOST_MESSAGE = 300;

export const shortened = (message: string): string =>
  message.length > MOST_MESSAGE ? `${message.slice(0, MOST_MESSAGE - 4)} ...` : message;

/** Fields whose own name is no word a guitarist uses. */
const FIELDS: Readonly<Record<string, string>> = Object.freeze({
  ticks: 'length',
  midi: 'pitch',
  scaleLengthMm: 'scale length in mm',
  gaugeMm: 'gauge in mm',
  open: 'open pitch',
  asked: 'what was asked',
  fromFret: 'lowest fret',
  toFret: 'highest fret',
  costMm: 'effort in mm',
});
/** Lists whose members are counted from one. */
const MEMBERS: Readonly<Record<string, string>> = Object.freeze({
  strings: 'string',
  notes: 'note',
  licks: 'lick',
  routes: 'route',
  steps: 'note',
  pins: 'settled finger',
  degrees: 'degree',
  tags: 'tag',
  places: 'place',
  drills: 'drill',
  grips: 'grip',
  progressions: 'progression',
  locks: 'settled scale',
  items: 'shape',
  passes: 'pass',
});

const spaced = (name: string): string => name.replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`);

/** A field's path in a guitarist's words. Example: `licks[0].notes[3].ticks` is "lick 1, note 4, length". */
export const fieldWords = (path: string): string =>
  path
    .split('.')
    .filter(Boolean)
    .map((part) => {
      const m = /^(\w+)\[(\d+)\]$/.exec(part);
      return m ? `${MEMBERS[m[1]!] ?? spaced(m[1]!)} ${Number(m[2]) + 1}` : (FIELDS[part] ?? spaced(part));
    })
    .join(', ') || 'this record';

interface About {
  readonly path: string;
}
const says =
  (words: string) =>
  ({ path }: About) =>
    `${fieldWords(path)}: ${words}`;

/** What the schemas say, in place of the validation library's own words. Read when a schema is made: import this first. */
setLocale({
  mixed: {
    default: says('this cannot be read.'),
    required: says('this is missing.'),
    defined: says('this is missing.'),
    notNull: says('this is missing.'),
    notType: ({ path, type }: About & { readonly type: string }) =>
      `${fieldWords(path)}: a ${type === 'object' ? 'record' : type} is expected here.`,
    oneOf: ({ path, values }: About & { readonly values: unknown }) => `${fieldWords(path)}: this is none of ${String(values)}.`,
  },
  string: {
    max: ({ path, max }: About & { readonly max: number }) => `${fieldWords(path)}: at most ${max} characters.`,
    min: ({ path, min }: About & { readonly min: number }) => `${fieldWords(path)}: at least ${min} characters.`,
    trim: says('blanks at the ends are not kept; leave them out.'),
  },
  number: {
    min: ({ path, min }: About & { readonly min: number }) => `${fieldWords(path)}: ${min} at least.`,
    max: ({ path, max }: About & { readonly max: number }) => `${fieldWords(path)}: ${max} at most.`,
    integer: says('a whole number is expected here.'),
  },
  object: {
    noUnknown: ({ path, unknown }: About & { readonly unknown: unknown }) =>
      `${fieldWords(path)}: there is no field ${String(unknown).slice(0, 60)} here.`,
  },
});
