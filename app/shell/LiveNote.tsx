import { Radio } from 'lucide-react';
import { useOthers } from '../store/others';
import { setPrefs, usePrefs } from '../store/prefs';
import { counted } from '../words/count-text';
import { FRAME } from '../words/views/shell';

/** Where other windows or devices follow, and while following is put off: how it stands, and the way to change it. */
export function LiveNote() {
  const others = useOthers();
  const on = usePrefs().follow === 'on';
  if (on && !others) return null;
  return (
    <button
      type="button"
      data-live
      aria-pressed={on}
      title={on ? FRAME.liveHint : FRAME.notLiveHint}
      onClick={() => setPrefs({ follow: on ? 'off' : 'on' })}
      className={`no-print tap flex cursor-pointer items-center gap-1 ${on ? 'text-feather' : 'text-soft'}`}
    >
      <Radio size={16} aria-hidden />
      <span className="max-sm:sr-only">{on ? FRAME.live(counted(others, 'other')) : FRAME.notLive}</span>
    </button>
  );
}
