import { useEffect, useState } from 'react';
import { glyphs, TICKS, type ScaleRef } from '../../../core';
import { SvgSigns, Signs } from '../../letters/Signs';
import type { Drilled } from '../../store/practice/drilled';
import { usePrefs } from '../../store/prefs';
import { sayOf } from '../../words/drill-said';
import { PRACTISE } from '../../words/views/practise';

interface Props {
  readonly drill: Drilled;
  readonly scale: ScaleRef;
  readonly now: number;
  readonly counting: number;
  readonly tempo: number;
}

/** What to say, large enough for a metre away. Where the player says it first, it shows when half the note is over. */
export function SayCard({ drill, scale, now, counting, tempo }: Props) {
  const naming = usePrefs();
  const { form, notes, line } = drill;
  const hiddenFor = form.hidden && now >= 0 ? (line.ticks[now]! / TICKS) * (30_000 / tempo) : 0;
  const shown = useShownAfter(now, hiddenFor);
  const told = now >= 0 ? sayOf(notes[now]!, line.steps[now]!, form.words, scale, naming) : null;
  const large = counting ? String(counting) : told && (shown ? told.large : '?');
  const small = counting ? PRACTISE.countingIn : !told ? PRACTISE.startFirst : shown ? told.small : '';
  return (
    <section
      aria-label={PRACTISE.say}
      className="flex flex-col sm:min-h-36 items-center justify-center gap-2 rounded-[10px] border border-line bg-sheet p-3 text-center"
    >
      {large !== null && (
        <svg viewBox="0 0 200 92" className="w-full max-w-64" role="img" aria-label={glyphs(large ?? '')} data-say={large ?? ''}>
          <text
            transform="translate(100 78)"
            textAnchor="middle"
            fontSize={(large ?? '').length > 3 ? 56 : 92}
            fontFamily="var(--font-display)"
            fontWeight={500}
            fill="var(--ink)"
          >
            <SvgSigns>{large ?? ''}</SvgSigns>
          </text>
        </svg>
      )}
      <p className={`min-h-6 ${told || counting ? 'text-[1.125rem]' : 'text-[0.84375rem] text-soft'}`}>
        <Signs>{small ?? ''}</Signs>
      </p>
    </section>
  );
}

/** False for some ms after each note began. */
function useShownAfter(note: number, ms: number): boolean {
  const [shown, setShown] = useState(-1);
  useEffect(() => {
    if (!ms) return undefined;
    const timer = setTimeout(() => setShown(note), ms);
    return () => clearTimeout(timer);
  }, [note, ms]);
  return !ms || shown === note;
}
