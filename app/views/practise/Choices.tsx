import { useId } from 'react';
import { Signs } from '../../letters/Signs';

interface Option<T extends string | number> {
  readonly value: T;
  readonly label: string;
  /** What it does, small. */
  readonly does?: string;
}

/** One of several in a list, each with what it does. */
export function Chooser<T extends string | number>({
  label,
  value,
  options,
  onChange,
}: {
  readonly label: string;
  readonly value: T;
  readonly options: readonly Option<T>[];
  readonly onChange: (value: T) => void;
}) {
  const name = useId();
  return (
    <div role="radiogroup" aria-label={label} className="flex flex-col" data-own-keys>
      {options.map((o) => (
        <label
          key={o.value}
          data-state={o.value === value ? 'on' : 'off'}
          className="relative min-h-9 rounded px-2 py-1 text-left hover:bg-feather-wash has-focus-visible:outline-3 has-focus-visible:outline-offset-[-3px] data-[state=on]:bg-feather-wash data-[state=on]:font-semibold"
        >
          <input
            type="radio"
            name={name}
            checked={o.value === value}
            onChange={() => onChange(o.value)}
            className="absolute inset-0 h-full! w-full! cursor-pointer opacity-0"
          />
          <Signs>{o.label}</Signs>
          {o.does && (
            <span className="block text-xs font-normal text-soft">
              <Signs>{o.does}</Signs>
            </span>
          )}
        </label>
      ))}
    </div>
  );
}

/** Yes or no. */
export function Check({
  label,
  checked,
  onChange,
}: {
  readonly label: string;
  readonly checked: boolean;
  readonly onChange: (checked: boolean) => void;
}) {
  return (
    <label className="flex min-h-8 items-center gap-2">
      <input type="checkbox" checked={checked} onChange={(e) => onChange(e.target.checked)} className="accent-brass" />
      <Signs>{label}</Signs>
    </label>
  );
}
