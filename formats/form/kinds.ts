import type { XmlElement } from '../musicxml/xml';
import { child, children, numberIn } from '../musicxml/xml';

/** Kinds of chords as MusicXML 4.0 names them ("kind-value"), and how they are written here. */
const KINDS: readonly (readonly [kind: string, suffix: string])[] = [
  ['major', ''],
  ['minor', 'm'],
  ['augmented', 'aug'],
  ['diminished', 'dim'],
  ['dominant', '7'],
  ['major-seventh', 'maj7'],
  ['minor-seventh', 'm7'],
  ['diminished-seventh', 'dim7'],
  ['augmented-seventh', '7#5'],
  ['half-diminished', 'm7b5'],
  ['major-minor', 'mM7'],
  ['major-sixth', '6'],
  ['minor-sixth', 'm6'],
  ['dominant-ninth', '9'],
  ['major-ninth', 'maj9'],
  ['minor-ninth', 'm9'],
  ['dominant-11th', '11'],
  ['major-11th', 'maj11'],
  ['minor-11th', 'm11'],
  ['dominant-13th', '13'],
  ['major-13th', 'maj13'],
  ['minor-13th', 'm13'],
  ['suspended-second', 'sus2'],
  ['suspended-fourth', 'sus4'],
  ['power', '5'],
];

/** A step that is added, altered or left out. */
export interface Degree {
  readonly value: number;
  readonly alter: -1 | 0 | 1;
  readonly type: 'add' | 'alter' | 'subtract';
}

const TOKEN = /^(?:\(|,)?(?:(add)(\d+)|(no)(\d+)|([b#])(\d+)|(sus4))\)?/;
const STACKED = [5];

/** What stands behind the kind, as steps; null where it is something else. */
function degreesIn(tail: string): Degree[] | null {
  const degrees: Degree[] = [];
  let rest = tail;
  while (rest) {
    const m = TOKEN.exec(rest);
    if (!m) return null;
    const [all, add, added, no, left, sign, step, sus] = m;
    if (add) degrees.push({ value: Number(added), alter: 0, type: 'add' });
    else if (no) degrees.push({ value: Number(left), alter: 0, type: 'subtract' });
    else if (sus) degrees.push({ value: 4, alter: 0, type: 'add' }, { value: 3, alter: 0, type: 'subtract' });
    else degrees.push({ value: Number(step), alter: sign === 'b' ? -1 : 1, type: STACKED.includes(Number(step)) ? 'alter' : 'add' });
    rest = rest.slice(all.length);
  }
  return degrees;
}

/** A suffix as MusicXML says it: the longest kind that it begins with, and steps for the rest; "other" with its text where there is none. */
export function kindOfSuffix(suffix: string): { readonly kind: string; readonly degrees: Degree[] } {
  const found = KINDS.filter(([, s]) => suffix.startsWith(s))
    .sort((a, b) => b[1].length - a[1].length)
    .map(([kind, s]) => ({ kind, degrees: degreesIn(suffix.slice(s.length)) }))
    .find((f) => f.degrees !== null);
  return found?.degrees ? { kind: found.kind, degrees: found.degrees } : { kind: 'other', degrees: [] };
}

const pitchIn = (e: XmlElement | undefined, name: string): string | null => {
  const step = e && child(e, `${name}-step`)?.text.trim();
  const alter = numberIn(e, `${name}-alter`) ?? 0;
  return step ? `${step}${(alter < 0 ? 'b' : '#').repeat(Math.abs(Math.round(alter)))}` : null;
};

function degreeText(e: XmlElement): string {
  const value = numberIn(e, 'degree-value') ?? 0;
  const alter = numberIn(e, 'degree-alter') ?? 0;
  const type = child(e, 'degree-type')?.text.trim();
  const sign = alter < 0 ? 'b' : alter > 0 ? '#' : '';
  if (type === 'subtract') return `no${value}`;
  return sign ? `${sign}${value}` : `add${value}`;
}

/** A harmony element as a symbol; null for no chord at all. Kinds without a name of their own go by their text. */
export function symbolOfHarmony(e: XmlElement): string | null {
  const kind = child(e, 'kind');
  const value = kind?.text.trim() ?? 'major';
  if (value === 'none') return null;
  const root = pitchIn(child(e, 'root'), 'root');
  if (!root) return null;
  const bass = pitchIn(child(e, 'bass'), 'bass');
  const known = KINDS.find(([k]) => k === value);
  const degrees = children(e, 'degree').map(degreeText);
  const sus = degrees.includes('add4') && degrees.includes('no3');
  const said = sus ? ['sus4', ...degrees.filter((d) => d !== 'add4' && d !== 'no3')] : degrees;
  const tail = known ? `${known[1]}${said.join('')}` : (kind?.attributes.text ?? '');
  return `${root}${tail}${bass && bass !== root ? `/${bass}` : ''}`;
}
