import { useId } from 'react';

interface Props<T extends string | number> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly value: T; readonly label: string }[];
  readonly onChange: (value: T) => void;
}

/** One of a few, side by side. Arrow keys move inside it. */
export function Segmented<T extends string | number>({ label, value, options, onChange }: Props<T>) {
  const name = useId();
  return (
    <div
      role="radiogroup"
      aria-label={label}
      data-own-keys
      className="inline-flex flex-wrap overflow-hidden rounded-md border border-line bg-sheet"
    >
      {options.map((o) => (
        <label
          key={o.value}
          data-state={o.value === value ? 'on' : 'off'}
          className="segment relative flex min-h-8 items-center justify-center px-3 text-[0.78125rem] text-soft hover:text-ink data-[state=on]:bg-night data-[state=on]:text-white has-focus-visible:outline-3 has-focus-visible:outline-offset-[-3px]"
        >
          <input
            type="radio"
            name={name}
            checked={o.value === value}
            onChange={() => onChange(o.value)}
            className="absolute inset-0 h-full! w-full! cursor-pointer text-base opacity-0"
          />
          {o.label}
        </label>
      ))}
    </div>
  );
}
