import { TabletSmartphone } from 'lucide-react';
import { VERSION } from '../../contract/version';
import { setPrefs, usePrefs, type Prefs } from '../store/prefs';
import { Button } from '../ui/Button';
import { Segmented } from '../ui/Segmented';
import { FRAME } from '../words/views/shell';
import { openPanel } from './panels';

type Choice<K extends keyof Prefs> = readonly { readonly value: Prefs[K] & string; readonly label: string }[];

const DEGREES: Choice<'degrees'> = [
  { value: 'numbers', label: '1 ♭3 5' },
  { value: 'syllables', label: FRAME.doMeSol },
];
const NAMES: Choice<'names'> = [
  { value: 'letters', label: 'A B♭ B C' },
  { value: 'german', label: 'A B H C' },
  { value: 'fixed-do', label: FRAME.laSiSiDo },
];
const SIZES: Choice<'size'> = [
  { value: 'normal', label: FRAME.normal },
  { value: 'large', label: FRAME.large },
];
const KEYS: Choice<'keys'> = [
  { value: 'alone', label: FRAME.alone },
  { value: 'alt', label: FRAME.withAlt },
  { value: 'off', label: FRAME.off },
];
const FOLLOW: Choice<'follow'> = [
  { value: 'on', label: FRAME.shownLive },
  { value: 'off', label: FRAME.notShown },
];

/** What this player likes, for all studies, kept in this browser. */
export function Settings() {
  const prefs = usePrefs();
  return (
    <div className="grid gap-4">
      <Row words={FRAME.degreesOnTheMarks}>
        <Segmented label={FRAME.degreesOnTheMarks} value={prefs.degrees} options={DEGREES} onChange={(degrees) => setPrefs({ degrees })} />
      </Row>
      <Row words={FRAME.namesOfNotesOnThe}>
        <Segmented label={FRAME.namesOfNotes} value={prefs.names} options={NAMES} onChange={(names) => setPrefs({ names })} />
      </Row>
      <Row words={FRAME.marksAndLettersOnNeck}>
        <Segmented label={FRAME.sizeOfTheMarks} value={prefs.size} options={SIZES} onChange={(size) => setPrefs({ size })} />
      </Row>
      <Row words={FRAME.keysOfOneLetterDigit2}>
        <Segmented label={FRAME.keysOfOneLetter} value={prefs.keys} options={KEYS} onChange={(keys) => setPrefs({ keys })} />
      </Row>
      <Row words={FRAME.follow}>
        <Segmented label={FRAME.followHere} value={prefs.follow} options={FOLLOW} onChange={(follow) => setPrefs({ follow })} />
      </Row>
      <Button onClick={() => openPanel('devices')}>
        <TabletSmartphone size={16} aria-hidden /> {FRAME.devices}
      </Button>
      <p className="text-xs text-soft">
        {FRAME.keptInThisBrowserFor} Crow Ladder {VERSION}.
      </p>
    </div>
  );
}

const Row = ({ words, children }: { readonly words: string; readonly children: React.ReactNode }) => (
  <div className="grid justify-items-start gap-1">
    <p className="text-soft">{words}</p>
    {children}
  </div>
);
