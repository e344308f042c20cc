import type { Choices, Wish } from '../../files/read-files';
import type { Fit } from '../../store/bring-in';
import { Select } from '../../ui/Select';
import { voiceWords } from '../../words/incoming-text';
import { STUDY } from '../../words/views/study';

const FITS: { readonly value: Fit; readonly label: string }[] = [
  { value: 'as-is', label: STUDY.asTheFileHasIt },
  { value: 'up', label: STUDY.anOctaveUp },
  { value: 'down', label: STUDY.anOctaveDown },
  { value: 'inside', label: STUDY.onlyWhatFits },
  { value: 'neck', label: STUDY.onANeckThatFits },
];

/** What of a file can be chosen: which of its lines, what becomes of notes beyond the neck, whether it is cut where tempo and meter change. */
export function Wishes({ choices, onWish }: { readonly choices: Choices; readonly onWish: (wish: Wish) => void }) {
  const { voices, asked, beyond, changes } = choices;
  const shifted = beyond > 0 || asked.fit !== 'as-is';
  if (voices.length < 2 && !shifted && !changes) return null;
  return (
    <div className="grid gap-2 sm:grid-cols-2">
      {voices.length > 1 && (
        <Select<string>
          label={STUDY.lineOfTheFile}
          value={asked.voice ?? voices[0]!.id}
          options={voices.map((v) => ({ value: v.id, label: voiceWords(v) }))}
          onChange={(voice) => onWish({ voice, fit: 'as-is' })}
        />
      )}
      {shifted && <Select<Fit> label={STUDY.notesBeyondTheNeck} value={asked.fit} options={FITS} onChange={(fit) => onWish({ fit })} />}
      {changes > 0 && (
        <label className="flex items-center gap-2 self-end">
          <input type="checkbox" checked={asked.whole} onChange={(e) => onWish({ whole: e.target.checked })} className="accent-brass" />
          {STUDY.inOnePiece}
        </label>
      )}
    </div>
  );
}
