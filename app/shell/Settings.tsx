import { TabletSmartphone } from 'lucide-react';
import { VERSION } from '../../contract/version';
import { keysOf } from '../../core';
import { PREF_CHOICES, setPrefs, usePrefs, type PrefChoice, type Prefs } from '../store/prefs';
import { Button } from '../ui/Button';
import { Segmented } from '../ui/Segmented';
import { FRAME } from '../words/views/shell';
import { openPanel } from './panels';

/** What each choice is about, its name, and how it says what can be chosen. */
type Row<K extends PrefChoice> = { readonly about: string; readonly name: string; readonly says: Readonly<Record<Prefs[K], string>> };

const ROWS: { readonly [K in PrefChoice]: Row<K> } = {
  degrees: { about: FRAME.degreesOnTheMarks, name: FRAME.degreesOnTheMarks, says: { numbers: '1 ♭3 5', syllables: FRAME.doMeSol } },
  names: {
    about: FRAME.namesOfNotesOnThe,
    name: FRAME.namesOfNotes,
    says: { letters: 'A B♭ B C', german: 'A B H C', 'fixed-do': FRAME.laSiSiDo },
  },
  size: { about: FRAME.marksAndLettersOnNeck, name: FRAME.sizeOfTheMarks, says: { normal: FRAME.normal, large: FRAME.large } },
  keys: {
    about: FRAME.keysOfOneLetterDigit2,
    name: FRAME.keysOfOneLetter,
    says: { alone: FRAME.alone, alt: FRAME.withAlt, off: FRAME.off },
  },
  follow: { about: FRAME.follow, name: FRAME.followHere, says: { on: FRAME.shownLive, off: FRAME.notShown } },
};

/** What this player likes, for all studies, kept in this browser. */
export function Settings() {
  return (
    <div className="grid gap-4">
      {keysOf(ROWS).map((of) => (
        <Setting key={of} of={of} />
      ))}
      <Button onClick={() => openPanel('devices')}>
        <TabletSmartphone size={16} aria-hidden /> {FRAME.devices}
      </Button>
      <p className="text-xs text-soft">
        {FRAME.keptInThisBrowserFor} Crow Ladder {VERSION}.
      </p>
    </div>
  );
}

function Setting({ of }: { readonly of: PrefChoice }) {
  const prefs = usePrefs();
  const { about, name, says } = ROWS[of];
  const words: Readonly<Record<string, string>> = says;
  return (
    <div className="grid justify-items-start gap-1">
      <p className="text-soft">{about}</p>
      <Segmented
        label={name}
        value={prefs[of]}
        options={PREF_CHOICES[of].map((value) => ({ value, label: words[value]! }))}
        onChange={(value) => setPrefs({ [of]: value })}
      />
    </div>
  );
}
