import type { Shape } from '../../core';
import { useAppDispatch } from '../store';
import { change } from '../store/change';
import { stepRung } from '../store/moves';
import { rungOf } from '../store/study';
import { Button } from '../ui/Button';
import { Select } from '../ui/Select';
import { PRACTISE } from '../words/views/practise';

interface Props {
  readonly label: string;
  readonly shapes: readonly Shape[];
  readonly current: number;
  /** How a shape stands in the list. */
  readonly says?: (s: Shape) => string;
}

/** Chooses a rung of the ladder: from a list, or the next one up or down. */
export function RungChoice({ label, shapes, current, says = (s) => s.label }: Props) {
  const dispatch = useAppDispatch();
  return (
    <>
      <Select
        label={label}
        value={String(current)}
        options={shapes.map((s, k) => ({ value: String(k), label: says(s) }))}
        onChange={(k) => dispatch(change(({ shapes: now }) => (now[Number(k)] ? { rung: rungOf(now[Number(k)]!) } : null)))}
      />
      <div className="flex gap-2">
        <Button disabled={current <= 0} onClick={() => dispatch(change((n) => stepRung(n.shapes, n.current, -1)))}>
          {PRACTISE.rungBefore}
        </Button>
        <Button disabled={current >= shapes.length - 1} onClick={() => dispatch(change((n) => stepRung(n.shapes, n.current, 1)))}>
          {PRACTISE.rungAfter}
        </Button>
      </div>
    </>
  );
}
