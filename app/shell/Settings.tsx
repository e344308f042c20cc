import { setPrefs, usePrefs, type Prefs } from '../store/prefs';
import { Segmented } from '../ui/Segmented';

type Choice<K extends keyof Prefs> = readonly { value: Prefs[K] & string; label: string }[];

const DEGREES: Choice<'degrees'> = [
  { value: 'numbers', label: '1 ♭3 5' },
  { value: 'syllables', label: 'do me sol' },
];
const NAMES: Choice<'names'> = [
  { value: 'letters', label: 'A B♭ B C' },
  { value: 'german', label: 'A B H C' },
  { value: 'fixed-do', label: 'La Si♭ Si Do' },
];
const SIZES: Choice<'size'> = [
  { value: 'normal', label: 'Normal' },
  { value: 'large', label: 'Large' },
];
const KEYS: Choice<'keys'> = [
  { value: 'alone', label: 'Alone' },
  { value: 'alt', label: 'With Alt' },
  { value: 'off', label: 'Off' },
];

/** What this player likes, for all studies, kept in this browser. */
export function Settings() {
  const prefs = usePrefs();
  return (
    <div className="grid gap-4">
      <Row words="Degrees on the marks">
        <Segmented label="Degrees on the marks" value={prefs.degrees} options={DEGREES} onChange={(degrees) => setPrefs({ degrees })} />
      </Row>
      <Row words="Names of notes on the marks and of the strings">
        <Segmented label="Names of notes" value={prefs.names} options={NAMES} onChange={(names) => setPrefs({ names })} />
      </Row>
      <Row words="Marks and letters on neck and tab (Z: the whole screen, for the music stand)">
        <Segmented label="Size of the marks" value={prefs.size} options={SIZES} onChange={(size) => setPrefs({ size })} />
      </Row>
      <Row words="Keys of one letter, digit or sign">
        <Segmented label="Keys of one letter" value={prefs.keys} options={KEYS} onChange={(keys) => setPrefs({ keys })} />
      </Row>
      <p className="text-xs text-soft">Kept in this browser, for every study. What you type is always read in letters: Bb, F#.</p>
    </div>
  );
}

const Row = ({ words, children }: { words: string; children: React.ReactNode }) => (
  <div className="grid justify-items-start gap-1">
    <p className="text-soft">{words}</p>
    {children}
  </div>
);
