import { Lock, LockOpen, Play, Square } from 'lucide-react';
import type { KeptProgression } from '../../../contract';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { withLock, withProgression } from '../../store/progressions';
import { Button } from '../../ui/Button';
import { Panel } from '../../ui/Panels';
import { Signs } from '../../letters/Signs';
import { scaleOf } from '../../words/harmony-text';
import { PROGRESSION } from '../../words/views/progression';
import { HearProblem } from '../HearTools';
import type { FitHere, Fits } from './useFits';
import type { Ways } from './useWays';

const tagsOf = (f: FitHere): string =>
  [
    ...(f.home ? [PROGRESSION.isHome] : []),
    ...(f.rubs.length ? [PROGRESSION.rubs(f.rubs.join(' '))] : []),
    ...(f.colour.length ? [PROGRESSION.colour(f.colour.join(' '))] : []),
  ].join(' · ');

/** The scales over this chord, with what speaks for and against each; one is settled with a press, and heard. */
export function FitsCard({ p, ways, fits }: { readonly p: KeptProgression; readonly ways: Ways; readonly fits: Fits }) {
  const dispatch = useAppDispatch();
  const { chord, at, step } = ways;
  if (!chord) return null;
  const settle = (f: FitHere): void =>
    void dispatch(change((n) => withProgression(n.body, (now) => withLock(now, at, chord.symbol, f.settled ? null : f.ref))));
  const settled = p.locks.some((l) => l.chord === at && l.symbol === chord.symbol);
  return (
    <Panel title={PROGRESSION.overChord(chord.symbol)}>
      <p className="mb-2 text-[0.84375rem]">
        <Signs>{step ? step.why : ''}</Signs>
      </p>
      <HearProblem hear={fits.hear} />
      <ul className="flex flex-col gap-1.5">
        {fits.list.map((f) => (
          <Fit
            key={scaleOf(f.ref)}
            f={f}
            symbol={chord.symbol}
            sounds={fits.hear.on}
            onSettle={() => settle(f)}
            onHear={() => fits.listen(f.ref)}
          />
        ))}
      </ul>
      {settled && (
        <div className="mt-2">
          <Button
            look="link"
            onClick={() => dispatch(change((n) => withProgression(n.body, (now) => withLock(now, at, chord.symbol, null))))}
          >
            {PROGRESSION.letGo}
          </Button>
        </div>
      )}
    </Panel>
  );
}

interface FitProps {
  readonly f: FitHere;
  readonly symbol: string;
  /** Something is heard: its button stops it. */
  readonly sounds: boolean;
  readonly onSettle: () => void;
  readonly onHear: () => void;
}

function Fit({ f, symbol, sounds, onSettle, onHear }: FitProps) {
  const scale = scaleOf(f.ref);
  return (
    <li className={`flex items-start gap-2 rounded-lg border p-2 ${f.chosen ? 'border-brass-deep' : 'border-line'}`}>
      <button
        type="button"
        aria-pressed={f.settled}
        aria-label={PROGRESSION.settle(scale)}
        title={f.settled ? PROGRESSION.letGo : PROGRESSION.settle(scale)}
        onClick={onSettle}
        className="tap mt-0.5 cursor-pointer rounded p-1 text-soft hover:text-ink aria-pressed:text-brass-deep"
      >
        {f.settled ? <Lock size={15} aria-hidden /> : <LockOpen size={15} aria-hidden />}
      </button>
      <div className="min-w-0 grow text-[0.8125rem]">
        <p className="flex flex-wrap items-baseline justify-between gap-x-3">
          <b className="font-semibold">
            <Signs>{scale}</Signs>
          </b>
          <span className="text-xs text-soft">
            <Signs>{tagsOf(f)}</Signs>
          </span>
        </p>
        <p className="text-xs text-soft">
          <Signs>{f.away === null ? f.why : `${f.why}; ${PROGRESSION.away(f.away)}`}</Signs>
        </p>
      </div>
      <button
        type="button"
        aria-label={PROGRESSION.hearOver(scale, symbol)}
        title={PROGRESSION.hear}
        onClick={onHear}
        className="tap mt-0.5 cursor-pointer rounded p-1 text-soft hover:text-ink"
      >
        {sounds ? <Square size={14} aria-hidden /> : <Play size={14} aria-hidden />}
      </button>
    </li>
  );
}
