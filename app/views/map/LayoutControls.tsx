import { placeKey, ruleOf, stringsUpward, withStrings, type Field, type Instrument, type Layout, type LayoutOf, type Place, fieldsOf } from '../../../core'; // prettier-ignore
import { NumberField } from '../../ui/NumberField';
import { Select } from '../../ui/Select';
import { MAP } from '../../words/views/map';

interface Props {
  readonly layout: Layout;
  readonly instrument: Instrument;
  readonly roots: Place[];
  readonly onLayout: (layout: Layout) => void;
}

/** One option of a layout and what is needed to set it. */
interface OptionProps<F extends Field> {
  readonly field: F;
  readonly value: unknown;
  /** The layout's other options, by name. */
  readonly options: Readonly<Record<string, unknown>>;
  readonly given: Props;
  /** Undefined leaves the option out. */
  readonly onValue: (value: unknown) => void;
}

function PlaceSelect({
  label,
  roots,
  value,
  onValue,
}: {
  readonly label: string;
  readonly roots: Place[];
  readonly value: Place;
  readonly onValue: (p: Place) => void;
}) {
  const options = roots.map((p) => ({ value: placeKey(p), label: MAP.stringFret(p.string, p.fret) }));
  return (
    <Select
      label={label}
      value={placeKey(value)}
      options={options}
      onChange={(key) => onValue(roots.find((p) => placeKey(p) === key) ?? value)}
    />
  );
}

const asNumber = (value: unknown, otherwise: number): number => (typeof value === 'number' ? value : otherwise);

function Fret({ field, value, options, given, onValue }: OptionProps<Extract<Field, { readonly is: 'fret' }>>) {
  const low = asNumber(field.notBelow && options[field.notBelow], 0);
  const high = asNumber(field.notAbove && options[field.notAbove], given.instrument.frets);
  const whole = asNumber(value, field.notAbove ? 0 : given.instrument.frets);
  return <NumberField label={field.label} value={whole} min={low} max={high} onChange={onValue} />;
}

/** Strings, their counts and the start hang together, so one control sets all three. */
function Strings({ given: { layout, instrument, roots, onLayout } }: OptionProps<Extract<Field, { readonly is: 'strings' }>>) {
  const set = layout as LayoutOf<'string-set'>;
  const upward = stringsUpward(instrument);
  const toggle = (string: number): void => {
    const strings = upward.filter((s) => set.strings.includes(s) !== (s === string));
    if (strings.length) onLayout(withStrings(set, strings, roots));
  };
  return (
    <fieldset className="col-span-2">
      <legend className="text-xs text-soft">{MAP.strings}</legend>
      <div className="flex flex-wrap gap-1">
        {upward.map((s) => (
          <button key={s} type="button" aria-pressed={set.strings.includes(s)} onClick={() => toggle(s)} className="chip">
            {s}
          </button>
        ))}
      </div>
    </fieldset>
  );
}

function Counts({ field, value, options, onValue }: OptionProps<Extract<Field, { readonly is: 'counts' }>>) {
  const counts = value as number[];
  return (options.strings as number[]).map((s, k) => (
    <NumberField
      key={s}
      label={`${field.label} ${s}`}
      value={counts[k]!}
      min={field.from}
      max={field.to}
      onChange={(n) => onValue(counts.map((c, j) => (j === k ? n : c)))}
    />
  ));
}

/** The control of each sort of option. */
const CONTROLS: { [S in Field['is']]: (p: OptionProps<Extract<Field, { readonly is: S }>>) => React.ReactNode } = {
  whole: ({ field, value, onValue }) => (
    <NumberField
      label={field.label}
      value={asNumber(value, field.usual ?? field.from)}
      min={field.from}
      max={field.to}
      onChange={onValue}
    />
  ),
  string: ({ field, value, given, onValue }) => (
    <NumberField label={field.label} value={asNumber(value, 1)} min={1} max={given.instrument.strings.length} onChange={onValue} />
  ),
  fret: Fret,
  root: ({ field, value, given, onValue }) => (
    <PlaceSelect label={field.label} roots={given.roots} value={value as Place} onValue={onValue} />
  ),
  start: ({ field, value, options, given, onValue }) => {
    const onLowest = given.roots.filter((p) => p.string === (options.strings as number[])[0]);
    return <PlaceSelect label={field.label} roots={onLowest} value={value as Place} onValue={onValue} />;
  },
  choice: ({ field, value, onValue }) => (
    <Select label={field.label} value={typeof value === 'string' ? value : field.usual} options={[...field.of]} onChange={onValue} />
  ),
  pair: ({ field, value, onValue }) => (
    <Select
      label={field.label}
      value={Array.isArray(value) ? value.join() : ''}
      options={[
        { value: '', label: MAP.asTheScaleDivides },
        ...field.offered.map((pair) => ({ value: pair.join(), label: pair.join(' and ') })),
      ]}
      onChange={(v) => onValue(v ? v.split(',').map(Number) : undefined)}
    />
  ),
  strings: Strings,
  counts: Counts,
  places: () => null, // they are where they were kept
};

/** The layout with one option set, or left out. */
function withOption(layout: Layout, name: string, value: unknown): Layout {
  const others = Object.entries(layout).filter(([key]) => key !== name);
  return Object.fromEntries(value === undefined ? others : [...others, [name, value]]) as unknown as Layout;
}

/** What a layout lets one set, read off its rule; what has no option is chosen whole. */
export function LayoutControls(props: Props) {
  const { layout, onLayout } = props;
  const options = fieldsOf(layout);
  const counts = ({ onlyIf }: Field): boolean => !onlyIf || options[onlyIf[0]] === onlyIf[1];
  const fields = Object.entries(ruleOf(layout.kind).fields).filter(([, f]) => !f.byName && f.is !== 'places' && counts(f));
  if (!fields.length) return null;
  return (
    <div className="grid grid-cols-2 gap-3 border-t border-line pt-3">
      {fields.map(([name, field]) => {
        const Control = CONTROLS[field.is] as (p: OptionProps<Field>) => React.ReactNode;
        return (
          <Control
            key={name}
            field={field}
            value={options[name]}
            options={options}
            given={props}
            onValue={(value) => onLayout(withOption(layout, name, value))}
          />
        );
      })}
    </div>
  );
}
