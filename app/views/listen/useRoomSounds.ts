import type { Sounds } from '../../sound/drill-score';
import { useEar } from '../../sound/listen/ear-state';
import { listenPrefs } from '../../sound/listen/listen-prefs';

/** What may sound while it is listened: a microphone without headphones would hear the notes, so that the click is left alone. And whether that is so. */
export function useRoomSounds(wanted: Sounds): [Sounds, boolean] {
  const { state, source } = useEar();
  const { headphones } = listenPrefs.use();
  const open = state === 'on' && source === 'microphone' && !headphones;
  return [open ? 'clicks' : wanted, open && wanted !== 'clicks'];
}
