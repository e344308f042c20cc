import { MOST_PATH_WEIGHT, PATH_WEIGHTS, sameScale, type PathStep, type PathWeights, type ScalePath, keysOf } from '../../../core';
import type { KeptProgression } from '../../../contract';
import { useAppDispatch, useAppSelector } from '../../store';
import { change } from '../../store/change';
import { overSet } from '../../store/over';
import { withProgression } from '../../store/progressions';
import { Button } from '../../ui/Button';
import { Panel } from '../../ui/Panels';
import { Signs } from '../../letters/Signs';
import { scaleOf } from '../../words/harmony-text';
import { SentencePart } from '../../ui/SentencePart';
import { PROGRESSION } from '../../words/views/progression';
import type { Ways } from './useWays';

const NAMES = keysOf(PATH_WEIGHTS);
const FACTOR = 100;

const sumOf = (w: ScalePath, of: (step: PathStep) => number): number => w.steps.reduce((sum, s) => sum + of(s), 0);

/** Where a way is another than the first: over which chords, with which scales and shapes. */
function differenceOf(first: ScalePath, w: ScalePath): string {
  const others = w.steps.flatMap((s, k) => {
    const was = first.steps[k];
    if (sameScale(s.ref, was!.ref) && s.shape.id === was!.shape.id) return [];
    return [
      sameScale(s.ref, was!.ref) ? PROGRESSION.otherShape(s.symbol, s.shape.label) : PROGRESSION.otherScale(s.symbol, scaleOf(s.ref)),
    ];
  });
  const told = [...new Set(others)];
  return [...told.slice(0, MOST_TOLD), ...(told.length > MOST_TOLD ? [PROGRESSION.more(told.length - MOST_TOLD)] : [])].join('; ');
}
const MOST_TOLD = 2;

/** The best ways through the form side by side, and what they are judged by. */
export function WaysCard({ p, ways }: { readonly p: KeptProgression; readonly ways: Ways }) {
  const dispatch = useAppDispatch();
  const chosen = useAppSelector((s) => s.over.way);
  const set = (weights: PathWeights): void => void dispatch(change((n) => withProgression(n.body, () => ({ weights }))));
  const { found } = ways.search;
  return (
    <Panel title={PROGRESSION.ways} className="no-print">
      <div className="flex flex-col items-start gap-2">
        {found.map((w, k) => (
          <Button
            key={k}
            aria-pressed={k === Math.min(chosen, found.length - 1)}
            className="num aria-pressed:border-brass-deep aria-pressed:font-semibold"
            onClick={() => dispatch(overSet({ way: k }))}
          >
            <span className="text-left">
              {PROGRESSION.way(
                k + 1,
                Math.round(sumOf(w, (t) => t.moveMm)),
                sumOf(w, (t) => t.changed),
              )}
              {k > 0 && (
                <span className="block text-xs font-normal text-soft">
                  <Signs>{differenceOf(found[0]!, w)}</Signs>
                </span>
              )}
            </span>
          </Button>
        ))}
        <SentencePart name={PROGRESSION.part.costs} look="chip" text={PROGRESSION.costs}>
          {() => (
            <>
              {NAMES.map((name) => (
                <label key={name} className="flex flex-col gap-1 text-xs text-soft">
                  <span className="flex justify-between">
                    {PROGRESSION.costOf[name]} <span className="num">{p.weights[name]}</span>
                  </span>
                  <input
                    type="range"
                    min={0}
                    max={MOST_PATH_WEIGHT * FACTOR}
                    step={FACTOR / 4}
                    value={p.weights[name] * FACTOR}
                    onChange={(e) => set({ ...p.weights, [name]: Number(e.target.value) / FACTOR })}
                    className="accent-brass"
                  />
                </label>
              ))}
              <Button look="link" onClick={() => set(PATH_WEIGHTS)}>
                {PROGRESSION.usual}
              </Button>
            </>
          )}
        </SentencePart>
      </div>
    </Panel>
  );
}
