import { ToggleGroup } from 'radix-ui';

interface Props<T extends string> {
  readonly label: string;
  readonly value: T;
  readonly options: readonly { readonly value: T; readonly label: string }[];
  readonly onChange: (value: T) => void;
}

/** One of a few, side by side. Arrow keys move inside it. */
export function Segmented<T extends string>({ label, value, options, onChange }: Props<T>) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      data-own-keys
      value={value}
      onValueChange={(v) => v && onChange(v as T)}
      className="inline-flex flex-wrap overflow-hidden rounded-md border border-line bg-sheet"
    >
      {options.map((o) => (
        <ToggleGroup.Item
          key={o.value}
          value={o.value}
          className="min-h-8 px-3 text-[0.78125rem] text-soft hover:text-ink data-[state=on]:bg-night data-[state=on]:text-white focus-visible:outline-offset-[-3px]"
        >
          {o.label}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
