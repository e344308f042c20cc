import { useId } from 'react';

interface Props<T extends string | number> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly value: T; readonly label: string }[];
  readonly onChange: (value: T) => void;
}

/** One of several, by the browser's own list: quick on a phone, and known to every screen reader. */
export function Select<T extends string | number>({ label, value, options, onChange }: Props<T>) {
  const id = useId();
  return (
    <div className="flex flex-col gap-1">
      <label htmlFor={id} className="text-xs text-soft">
        {label}
      </label>
      <select
        id={id}
        value={value}
        onChange={(e) => onChange(options.find((o) => String(o.value) === e.target.value)?.value ?? value)}
        className="w-full rounded-md border border-line bg-paper px-2 py-1.5 text-ink"
      >
        {options.map((o) => (
          <option key={o.value} value={o.value}>
            {o.label}
          </option>
        ))}
      </select>
    </div>
  );
}
