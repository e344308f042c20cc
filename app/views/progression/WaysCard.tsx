import { MOST_PATH_WEIGHT, PATH_WEIGHTS, type PathWeights } from '../../../core';
import type { KeptProgression } from '../../../contract';
import { useAppDispatch, useAppSelector } from '../../store';
import { change } from '../../store/change';
import { overSet } from '../../store/over';
import { withProgression } from '../../store/progressions';
import { Button } from '../../ui/Button';
import { Panel } from '../../ui/Panels';
import { SentencePart } from '../../ui/SentencePart';
import { PROGRESSION } from '../../words/views/progression';
import type { Ways } from './useWays';

const NAMES = Object.keys(PATH_WEIGHTS) as (keyof PathWeights)[];
const FACTOR = 100;

/** The best ways through the form side by side, and what they are judged by. */
export function WaysCard({ p, ways }: { p: KeptProgression; ways: Ways }) {
  const dispatch = useAppDispatch();
  const chosen = useAppSelector((s) => s.over.way);
  const set = (weights: PathWeights): void => void dispatch(change((n) => withProgression(n.body, () => ({ weights }))));
  const { found } = ways.search;
  return (
    <Panel title={PROGRESSION.ways}>
      <div className="flex flex-wrap items-center gap-2">
        {found.map((w, k) => (
          <Button
            key={k}
            aria-pressed={k === Math.min(chosen, found.length - 1)}
            className="num aria-pressed:border-brass-deep aria-pressed:font-semibold"
            onClick={() => dispatch(overSet({ way: k }))}
          >
            {PROGRESSION.way(
              k + 1,
              Math.round(w.steps.reduce((sum, s) => sum + s.moveMm, 0)),
              w.steps.reduce((sum, s) => sum + s.changed, 0),
            )}
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
