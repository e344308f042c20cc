import { useLoudness } from '../../sound/listen/ear';
import { useEar } from '../../sound/listen/ear-state';
import { LISTEN } from '../../words/views/listen';

/** How it stands with listening, in a sentence. */
export function EarStatus() {
  const { state, source, problem, device } = useEar();
  if (problem) return <p role="alert" className="text-clay">{LISTEN.problems[problem]}</p>; // prettier-ignore
  const words =
    state === 'off' || !source ? LISTEN.isOff : state === 'opening' ? LISTEN.opening : LISTEN.isOn(LISTEN.sources[source], device);
  return (
    <p role="status" className="text-soft" data-ear={state}>
      {words}
    </p>
  );
}

/** Peaks above this are cut off at the input. */
const CLIPS = 0.985;
const NOTHING = 0.0008;
const FLOOR_DB = -60;

/** How loud it is, from -60 dB to full scale. */
export function Level() {
  const { level } = useLoudness();
  const db = level > 0 ? 20 * Math.log10(level) : FLOOR_DB;
  const share = Math.max(0, Math.min(1, 1 - db / FLOOR_DB));
  return (
    <div className="flex items-center gap-2 text-xs">
      <span className="text-soft">{LISTEN.level}</span>
      <meter
        aria-label={LISTEN.level}
        min={0}
        max={1}
        low={0.15}
        high={0.95}
        optimum={0.6}
        value={share}
        className="h-3 grow"
        data-level={level > NOTHING}
      />
      {level >= CLIPS && <span className="text-clay">{LISTEN.tooLoud}</span>}
    </div>
  );
}

/** Why nothing is heard, above what needs it. */
export function EarProblem() {
  const { problem } = useEar();
  return problem && <p role="alert" className="mb-2 text-clay">{LISTEN.problems[problem]}</p>; // prettier-ignore
}
