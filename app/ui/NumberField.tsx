import { useId } from 'react';
import { DRAWING } from '../words/views/drawing';
import { useKeyed } from './useKeyed';

interface Props {
  readonly label: string;
  readonly value: number;
  readonly min: number;
  readonly max: number;
  readonly step?: number;
  readonly unit?: string;
  /** Whole numbers unless a step below 1 is given. */
  readonly onChange: (value: number) => void;
}

/** A number with its range. What is out of range stays as typed, is said in place and not taken. */
export function NumberField({ label, value, min, max, step = 1, unit, onChange }: Props) {
  const id = useId();
  const [text, setText] = useKeyed([value], String(value));
  const number = Number(text);
  const good = text.trim() !== '' && Number.isFinite(number) && number >= min && number <= max && (step < 1 || Number.isInteger(number));
  const range = `${step < 1 ? 'a number' : 'a whole number'} from ${min} to ${max}`;
  const set = (next: string): void => {
    setText(next);
    const n = Number(next);
    if (next.trim() !== '' && Number.isFinite(n) && n >= min && n <= max && (step < 1 || Number.isInteger(n)) && n !== value) onChange(n);
  };
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="text-xs text-soft">
        {unit ? `${label} (${unit})` : label}
      </label>
      <input
        id={id}
        type="number"
        inputMode="decimal"
        value={text}
        min={min}
        max={max}
        step={step}
        aria-invalid={!good}
        aria-describedby={good ? undefined : `${id}-range`}
        onChange={(e) => set(e.target.value)}
        className="num w-full rounded-md border border-line bg-paper px-2 py-1.5 text-ink aria-invalid:border-2 aria-invalid:border-clay"
      />
      {!good && (
        <p id={`${id}-range`} role="alert" className="text-xs text-clay">
          {DRAWING.itStays(label, range, value)}
          <button type="button" className="tap cursor-pointer underline" onClick={() => setText(String(value))}>
            {DRAWING.backTo(value)}
          </button>
        </p>
      )}
    </div>
  );
}
