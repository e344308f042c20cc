import { stringsUpward, type Instrument, type Layout, type LayoutKind, type LayoutOf, type Place } from '../../../core';
import { NumberField } from '../../ui/NumberField';
import { Select } from '../../ui/Select';

interface Props<L extends Layout> {
  layout: L;
  instrument: Instrument;
  roots: Place[];
  onLayout: (layout: Layout) => void;
}

const placeKey = (p: Place): string => `${p.string}/${p.fret}`;

function RootField({ roots, value, onRoot }: { roots: Place[]; value: Place; onRoot: (p: Place) => void }) {
  const options = roots.map((p) => ({ value: placeKey(p), label: `string ${p.string}, fret ${p.fret}` }));
  return (
    <Select
      label="Root place"
      value={placeKey(value)}
      options={options}
      onChange={(key) => onRoot(roots.find((p) => placeKey(p) === key) ?? value)}
    />
  );
}

function Diagonal({ layout, roots, onLayout }: Props<LayoutOf<'diagonal'>>) {
  const counts = layout.counts ?? null;
  return (
    <>
      <RootField roots={roots} value={layout.root} onRoot={(root) => onLayout({ ...layout, root })} />
      <Select
        label="Counts in turn"
        value={counts ? counts.join() : ''}
        options={[
          { value: '', label: 'as the scale divides' },
          ...['2,3', '3,4', '2,4', '3,3', '2,2', '4,3'].map((v) => ({ value: v, label: v.replace(',', ' and ') })),
        ]}
        onChange={(v) =>
          onLayout({ kind: 'diagonal', root: layout.root, ...(v ? { counts: v.split(',').map(Number) as [number, number] } : {}) })
        }
      />
    </>
  );
}

function Anchor({ layout, roots, onLayout }: Props<LayoutOf<'anchor'>>) {
  return (
    <>
      <RootField roots={roots} value={layout.root} onRoot={(root) => onLayout({ ...layout, root })} />
      <NumberField label="Notes a string" value={layout.notes} min={1} max={6} onChange={(notes) => onLayout({ ...layout, notes })} />
    </>
  );
}

function OneString({ layout, instrument, onLayout }: Props<LayoutOf<'one-string'>>) {
  return (
    <NumberField
      label="String"
      value={layout.string}
      min={1}
      max={instrument.strings.length}
      onChange={(string) => onLayout({ ...layout, string })}
    />
  );
}

function Region({ layout, instrument, onLayout }: Props<LayoutOf<'region'>>) {
  return (
    <>
      <NumberField
        label="From fret"
        value={layout.fromFret}
        min={0}
        max={layout.toFret}
        onChange={(fromFret) => onLayout({ ...layout, fromFret })}
      />
      <NumberField
        label="To fret"
        value={layout.toFret}
        min={layout.fromFret}
        max={instrument.frets}
        onChange={(toFret) => onLayout({ ...layout, toFret })}
      />
    </>
  );
}

function StringSet({ layout, instrument, roots, onLayout }: Props<LayoutOf<'string-set'>>) {
  const upward = stringsUpward(instrument);
  const toggle = (string: number): void => {
    const on = layout.strings.includes(string);
    const strings = upward.filter((s) => (s === string ? !on : layout.strings.includes(s)));
    if (!strings.length) return;
    const count = (s: number): number => layout.counts[layout.strings.indexOf(s)] ?? layout.counts[0];
    const start =
      strings[0] === layout.start.string
        ? layout.start
        : (roots.find((p) => p.string === strings[0]) ?? { string: strings[0], fret: layout.start.fret });
    onLayout({ ...layout, strings, counts: strings.map(count), start });
  };
  return (
    <>
      <fieldset className="col-span-2">
        <legend className="text-xs text-soft">Strings</legend>
        <div className="flex flex-wrap gap-1">
          {upward.map((s) => (
            <button key={s} type="button" aria-pressed={layout.strings.includes(s)} onClick={() => toggle(s)} className="chip">
              {s}
            </button>
          ))}
        </div>
      </fieldset>
      {layout.strings.map((s, k) => (
        <NumberField
          key={s}
          label={`Notes on string ${s}`}
          value={layout.counts[k]}
          min={1}
          max={12}
          onChange={(n) => onLayout({ ...layout, counts: layout.counts.map((c, j) => (j === k ? n : c)) })}
        />
      ))}
      <RootField
        roots={roots.filter((p) => p.string === layout.strings[0])}
        value={layout.start}
        onRoot={(start) => onLayout({ ...layout, start })}
      />
    </>
  );
}

/** The controls that belong to a layout; those that have none are chosen whole. */
const CONTROLS: { [K in LayoutKind]?: (p: Props<LayoutOf<K>>) => React.ReactNode } = {
  diagonal: Diagonal,
  anchor: Anchor,
  'one-string': OneString,
  region: Region,
  'string-set': StringSet,
  split: ({ layout, onLayout }) => (
    <NumberField label="Notes a string" value={layout.notes ?? 3} min={1} max={6} onChange={(notes) => onLayout({ ...layout, notes })} />
  ),
};

export function LayoutControls(props: Props<Layout>) {
  const Control = CONTROLS[props.layout.kind] as ((p: Props<Layout>) => React.ReactNode) | undefined;
  return Control ? <div className="grid grid-cols-2 gap-3 border-t border-line pt-3"><Control {...props} /></div> : null; // prettier-ignore
}
