import { midiOf, type Instrument, type InstrumentString } from '../../../core';
import { tensionWords } from '../../words/instrument-text';
import { Signs } from '../../letters/Signs';
import { INSTRUMENTS } from '../../words/views/instruments';

interface Props {
  readonly instrument: Instrument;
  readonly onString: (index: number, string: InstrumentString) => void;
}

const FIELD = 'num w-full min-w-[4.5rem] rounded-md border border-line bg-paper px-2 py-1 aria-invalid:border-2 aria-invalid:border-clay';

const isPitch = (text: string): boolean => {
  try {
    return midiOf(text) >= 0;
  } catch {
    return false;
  }
};
const number = (text: string): number | undefined => (text.trim() === '' ? undefined : Number(text));

/** A row a string: open pitch, gauge, winding, length, and the pull that comes of them. */
export function StringRows({ instrument, onString }: Props) {
  return (
    <div className="overflow-x-auto" tabIndex={0} role="group" aria-label={INSTRUMENTS.strings}>
      <table className="w-full border-collapse text-left">
        <thead>
          <tr className="text-xs text-soft">
            {['string', 'open', 'gauge mm', 'wound', 'own length mm', 'tension'].map((h) => (
              <th key={h} scope="col" className="px-1 py-1 font-normal whitespace-nowrap">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {instrument.strings.map((_, k) => (
            <StringRow key={k} instrument={instrument} k={k} onString={onString} />
          ))}
        </tbody>
      </table>
    </div>
  );
}

function StringRow({ instrument, k, onString }: Props & { readonly k: number }) {
  const s = instrument.strings[k]!;
  const set = (fields: Partial<InstrumentString>): void => onString(k, { ...s, ...fields });
  return (
    <tr className="border-t border-line/70">
      <th scope="row" className="px-1 py-1 font-semibold">
        {k + 1}
      </th>
      <td className="px-1">
        <input
          aria-label={INSTRUMENTS.openPitchOfString(k + 1)}
          className={FIELD}
          value={s.open}
          aria-invalid={!isPitch(s.open)}
          onChange={(e) => set({ open: e.target.value.trim() })}
        />
      </td>
      <NumberCell
        label={INSTRUMENTS.gaugeOfStringInMillimetres(k + 1)}
        step={0.001}
        min={0.1}
        max={5}
        value={s.gaugeMm}
        onChange={(gaugeMm) => set({ gaugeMm })}
      />
      <td className="px-1 text-center">
        <input
          aria-label={INSTRUMENTS.stringIsWound(k + 1)}
          type="checkbox"
          className="h-4 w-4 accent-brass"
          checked={s.wound ?? false}
          onChange={(e) => set({ wound: e.target.checked })}
        />
      </td>
      <NumberCell
        label={INSTRUMENTS.ownLengthOfStringIn(k + 1)}
        step={0.1}
        min={200}
        max={1200}
        value={s.scaleLengthMm}
        onChange={(scaleLengthMm) => set({ scaleLengthMm })}
      />
      <td className="num px-1 whitespace-nowrap text-soft">
        <Signs>{isPitch(s.open) ? (safeTension(instrument, k + 1) ?? INSTRUMENTS.gaugeNotGiven) : INSTRUMENTS.giveAPitchSuchAs}</Signs>
      </td>
    </tr>
  );
}

interface NumberProps {
  readonly label: string;
  readonly step: number;
  readonly min: number;
  readonly max: number;
  readonly value: number | undefined;
  readonly onChange: (value: number | undefined) => void;
}

/** Empty is a value too: nobody knows the gauge of every string. */
const NumberCell = ({ label, value, onChange, ...limits }: NumberProps) => (
  <td className="px-1">
    <input
      aria-label={label}
      type="number"
      {...limits}
      className={FIELD}
      value={value ?? ''}
      onChange={(e) => onChange(number(e.target.value))}
    />
  </td>
);

/** While another field is being typed the whole may not hold; then there is no figure. */
function safeTension(instrument: Instrument, string: number): string | null {
  try {
    return tensionWords(instrument, string);
  } catch {
    return '–';
  }
}
