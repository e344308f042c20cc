import { useEffect, useMemo, useRef, type RefObject } from 'react';
import type { KeptProgression } from '../../../contract';
import { useAppDispatch } from '../../store';
import { overSet } from '../../store/over';
import { Signs } from '../../letters/Signs';
import { scaleOf } from '../../words/harmony-text';
import { PROGRESSION } from '../../words/views/progression';
import type { Ear } from '../../store/ear';
import { loopOf, type Form } from '../../store/progressions';
import type { Ways } from './useWays';

interface Props {
  readonly p: KeptProgression;
  readonly ways: Ways;
  readonly playing: boolean;
  readonly ear: Ear;
}

/** Columns that a bar of several chords takes at most. */
const MOST_WIDE = 3;

/** Each bar with its chords and the number of the first of them. */
function barsOf({ bars, chords }: Form) {
  let k = 0;
  return bars.map((b, n) => {
    const first = k;
    while (k < chords.length && chords[k]!.bar === n) k++;
    return { ...b, n, first, own: chords.slice(first, k) };
  });
}

type Bar = ReturnType<typeof barsOf>[number];

/** Whether a bar says again what the one before it says. */
const repeats = (bar: Bar, before: Bar | undefined): boolean =>
  bar.own.length === 1 && before?.own.length === 1 && bar.own[0]!.symbol === before.own[0]!.symbol && !bar.section;

/** The bar of the chord stays in sight. */
function useInSight(bar: number): RefObject<HTMLDivElement | null> {
  const strip = useRef<HTMLDivElement>(null);
  useEffect(() => {
    const holder = strip.current;
    const cell = holder?.querySelector<HTMLElement>(`[data-bar="${bar}"]`);
    if (!holder || !cell) return;
    const [top, bottom] = [cell.offsetTop - holder.offsetTop, cell.offsetTop - holder.offsetTop + cell.offsetHeight];
    if (top < holder.scrollTop || bottom > holder.scrollTop + holder.clientHeight) holder.scrollTop = Math.max(0, top - 8);
  }, [bar]);
  return strip;
}

/** The form, bar by bar, with the scale under each chord; the one looked at or heard stands out, the next one a beat ahead. */
export function FormStrip({ p, ways, playing, ear }: Props) {
  const { form, at, chord } = ways;
  const strip = useInSight(chord?.bar ?? -1);
  const [from, to] = loopOf(p, form.bars.length);
  const coming = playing && ear.left === 1 && form.chords.length > 1 ? (at + 1) % form.chords.length : -1;
  const bars = useMemo(() => barsOf(form), [form]);
  if (!bars.length) return null;
  const locked = new Set(p.locks.map((l) => l.chord));
  return (
    <div
      ref={strip}
      role="group"
      aria-label={PROGRESSION.strip}
      className="form-strip mb-3 grid max-h-44 grid-cols-[repeat(auto-fill,minmax(5.75rem,1fr))] overflow-y-auto rounded-[10px] border border-line bg-sheet"
    >
      {bars.map((bar, n) => (
        <div
          key={n}
          data-bar={n}
          style={{ gridColumn: `span ${Math.min(MOST_WIDE, Math.max(1, bar.own.length))}` }}
          className={`relative flex min-w-0 border-r border-b border-line ${p.loop && n >= from && n <= to ? 'shadow-[inset_0_-2px_0_var(--color-feather)]' : ''}`}
        >
          {bar.section && <Section name={bar.section} here={bar.own.at(-1) === form.chords[at]} />}
          {bar.own.length === 0 && (
            <span className="px-2 py-1.5 text-soft" aria-label={`${PROGRESSION.bar(n + 1)}: ${PROGRESSION.silent}`}>
              N.C.
            </span>
          )}
          {bar.own.map((c, j) => (
            <ChordButton
              key={bar.first + j}
              index={bar.first + j}
              bar={n}
              symbol={c.symbol}
              again={repeats(bar, bars[n - 1])}
              ways={ways}
              locked={locked.has(bar.first + j)}
              coming={bar.first + j === coming}
            />
          ))}
        </div>
      ))}
    </div>
  );
}

const Section = ({ name, here }: { readonly name: string; readonly here: boolean }) => (
  <span className={`absolute top-0 right-1 max-w-[60%] truncate text-[0.75rem] ${here ? 'text-[#f2b84b]' : 'text-brass-deep'}`}>
    <Signs>{name}</Signs>
  </span>
);

interface ChordProps {
  /** Among all chords of the form, and its bar, from 0. */
  readonly index: number;
  readonly bar: number;
  readonly symbol: string;
  /** Written as a repeat of the bar before it. */
  readonly again: boolean;
  readonly ways: Ways;
  readonly locked: boolean;
  readonly coming: boolean;
}

function ChordButton({ index, bar, symbol, again, ways: { way, at }, locked, coming }: ChordProps) {
  const dispatch = useAppDispatch();
  const step = way?.steps[index];
  const scale = step ? scaleOf(step.ref) : '';
  return (
    <button
      type="button"
      aria-label={`${PROGRESSION.chordAt(bar + 1, symbol, scale)}${locked ? `, ${PROGRESSION.settled}` : ''}`}
      aria-current={index === at ? 'true' : undefined}
      data-coming={coming ? '' : undefined}
      onClick={() => dispatch(overSet({ at: index, target: null }))}
      className="tap min-w-0 flex-1 cursor-pointer px-2 py-1.5 text-left hover:bg-feather-wash focus-visible:outline-offset-[-3px] aria-[current=true]:bg-night aria-[current=true]:text-white data-[coming]:shadow-[inset_0_-4px_0_var(--color-brass)]"
    >
      <span className="block truncate font-display text-[1.0625rem] leading-6 font-semibold">
        {again ? <span aria-hidden>%</span> : <Signs>{symbol}</Signs>}
      </span>
      <span className={`block truncate text-[0.75rem] ${index === at ? '' : 'text-soft'} ${locked ? 'underline decoration-dotted' : ''}`}>
        <Signs>{scale}</Signs>
      </span>
    </button>
  );
}
