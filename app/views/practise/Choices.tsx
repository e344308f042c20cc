import { RadioGroup } from 'radix-ui';
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
  return (
    <RadioGroup.Root
      aria-label={label}
      value={String(value)}
      onValueChange={(v) => onChange(options.find((o) => String(o.value) === v)?.value ?? value)}
      className="flex flex-col"
      data-own-keys
    >
      {options.map((o) => (
        <RadioGroup.Item
          key={o.value}
          value={String(o.value)}
          className="min-h-9 cursor-pointer rounded px-2 py-1 text-left hover:bg-feather-wash data-[state=checked]:bg-feather-wash data-[state=checked]:font-semibold"
        >
          <Signs>{o.label}</Signs>
          {o.does && (
            <span className="block text-xs font-normal text-soft">
              <Signs>{o.does}</Signs>
            </span>
          )}
        </RadioGroup.Item>
      ))}
    </RadioGroup.Root>
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
