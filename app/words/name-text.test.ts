import bidiFactory from 'bidi-js';
import { isolated } from './name-text';

const bidi = bidiFactory();

/** A sentence as it is seen, by the Unicode Bidirectional Algorithm (UAX 9), in a left-to-right paragraph. */
const seen = (text: string): string => bidi.getReorderedString(text, bidi.getEmbeddingLevels(text, 'ltr'));
const around = (name: string): string => `Saved in “${name}” 5 s ago, lick 7`;
const [RLE, RLO, PDF, RLI, FSI, PDI, LRM] = ['\u202b', '\u202e', '\u202c', '\u2067', '\u2068', '\u2069', '\u200e'];

const NAMES = [
  `${RLO}live`,
  `${RLE}live`,
  `${RLI}live`,
  `${RLI}${RLI}live`,
  `${PDI}${RLO}live`,
  `${PDI}${PDI}${RLO}live${PDF}`,
  `li${FSI}ve${PDI}${PDI}${RLO}`,
  'שיר',
  'שיר 12',
  'أغنية (3)',
];

test.each(NAMES)('%j leaves the words around it where they stand', (name) => {
  const shown = seen(around(isolated(name)));
  expect(shown.startsWith('Saved in “')).toBe(true);
  expect(shown.endsWith('” 5 s ago, lick 7')).toBe(true);
});

test('without isolation most of them do disturb: the check can fail', () => {
  const disturbed = NAMES.filter((name) => !seen(around(name)).endsWith('” 5 s ago, lick 7'));
  expect(disturbed.length).toBeGreaterThan(6);
});

test('a name without such marks is left as it is', () => {
  for (const name of ['Weathervane, F♯ Dorian', 'Été 𝄫 {x}', '']) expect(isolated(name)).toBe(name);
  expect(isolated(`a${LRM}b`)).not.toBe(`a${LRM}b`);
});
