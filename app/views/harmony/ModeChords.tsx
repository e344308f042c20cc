import type { StudyBody } from '../../../contract';
import { glyphs, isScale, scaleTitle, type ModeChord, type StackSize } from '../../../core';
import { useAppDispatch } from '../../store';
import { edited } from '../../store/editor';
import { harmonySet, type Harmony } from '../../store/harmony';
import { Segmented } from '../../ui/Segmented';
import { Signs } from '../../letters/Signs';
import { chainOf } from '../../words/harmony-text';
import { scaleName } from '../../words/scale-text';
import { HARMONY } from '../../words/views/harmony';

interface Props {
  readonly body: StudyBody;
  readonly stacked: boolean;
  readonly chords: ModeChord[];
  readonly symbol: string;
  readonly size: StackSize;
  readonly from: Harmony['from'];
}

/** The chords of the mode in a row, each a press away, and the chain of their kinds. */
export function ModeChords({ body, stacked, chords, symbol, size, from }: Props) {
  const dispatch = useAppDispatch();
  const { scale } = body;
  const name = isScale(scale.scale) ? scaleName(scale) : scale.tonic;
  return (
    <div className="after-neck mb-3">
      <div
        role="group"
        aria-label={glyphs(HARMONY.chordsOf(name))}
        className="flex overflow-x-auto rounded-[10px] border border-line bg-sheet"
      >
        {chords.map((c) => (
          <button
            key={`${c.degree} ${c.symbol}`}
            type="button"
            aria-pressed={c.symbol === symbol}
            onClick={() => dispatch(edited({ chord: c.symbol }))}
            className="min-w-[5.5rem] flex-1 cursor-pointer border-l border-line px-3 py-2 text-left first:border-l-0 hover:bg-feather-wash focus-visible:outline-offset-[-3px] aria-pressed:bg-night aria-pressed:text-white"
          >
            <span className="block font-display text-[1.0625rem] font-semibold whitespace-nowrap">
              <Signs>{c.symbol}</Signs>
            </span>{' '}
            <span className="block text-xs whitespace-nowrap opacity-80">
              <Signs>{from === 'mode' ? c.roman : c.parentRoman}</Signs>
            </span>
          </button>
        ))}
        {chords.length === 0 && <p className="p-3 text-soft">{HARMONY.noneSpelled}</p>}
      </div>
      <div className="mt-2 flex flex-wrap items-center gap-2">
        <Segmented<StackSize>
          label={HARMONY.size}
          value={size}
          options={([3, 4, 5] as const).map((n) => ({ value: n, label: HARMONY.sizes[n] }))}
          onChange={(n) => dispatch(harmonySet({ size: n }))}
        />
        <Segmented<Harmony['from']>
          label={HARMONY.numerals}
          value={from}
          options={[
            { value: 'mode', label: HARMONY.fromMode },
            { value: 'parent', label: HARMONY.fromParent },
          ]}
          onChange={(next) => dispatch(harmonySet({ from: next }))}
        />
        <p className="text-[0.8125rem] text-soft">
          <Signs>{stacked ? HARMONY.chain(scale.tonic, scaleTitle(scale.scale), chainOf(chords)) : HARMONY.spelledOnly}</Signs>
        </p>
      </div>
    </div>
  );
}
