import { Play, Square } from 'lucide-react';
import { CHORD_SOUNDS, type ChordSound } from '../../sound/chord-heard';
import { useAppSelector } from '../../store';
import { Button } from '../../ui/Button';
import { Segmented } from '../../ui/Segmented';
import { HARMONY } from '../../words/views/harmony';
import { HarmonyPages } from './HarmonyPages';
import type { SoundOfChord } from './useChordSound';

/** The pages of Harmony, and how its chord is heard. */
export function HarmonyTools({ sound }: { readonly sound: SoundOfChord }) {
  const page = useAppSelector((s) => s.harmony.page);
  const { on } = sound.hear;
  return (
    <div className="no-print after-neck my-3 flex flex-wrap items-center gap-2">
      <HarmonyPages page={page} />
      <span className="grow" />
      <Segmented<ChordSound>
        label={HARMONY.how}
        value={sound.how}
        options={CHORD_SOUNDS.map((value) => ({ value, label: HARMONY.sounds[value] }))}
        onChange={sound.setHow}
      />
      <Button
        aria-pressed={sound.drone}
        title={HARMONY.quiet}
        className="aria-pressed:border-feather aria-pressed:bg-feather-wash"
        onClick={() => sound.setDrone(!sound.drone)}
      >
        {HARMONY.drone}
      </Button>
      <Button
        look="brass"
        icon={on ? <Square size={14} fill="currentColor" aria-hidden /> : <Play size={14} fill="currentColor" aria-hidden />}
        onClick={sound.toggle}
      >
        {on ? HARMONY.stop : HARMONY.hear}
      </Button>
    </div>
  );
}
