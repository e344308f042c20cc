import { glyphs, type Instrument, type Place } from '../../../core';
import { degreesUnder } from '../../files/papers';
import { GripBox } from '../../neck/GripBox';
import { Signs } from '../../letters/Signs';
import { gripText } from '../../words/grip-sign';
import { HARMONY } from '../../words/views/harmony';

interface Shown {
  readonly places: readonly Place[];
  readonly fingers: readonly number[];
  readonly barre?: { readonly finger: number; readonly fret: number; readonly strings: number[] };
}

interface Props {
  readonly instrument: Instrument;
  readonly symbol: string;
  readonly grip: Shown;
  readonly on: boolean;
  readonly onHold: (places: Place[]) => void;
  /** Stands over the box in place of the symbol. */
  readonly title?: string;
  /** Stands under it. */
  readonly note?: string;
}

/** A grip as a box; a press holds it. */
export function GripTile({ instrument, symbol, grip, on, onHold, title = symbol, note }: Props) {
  const text = gripText(instrument, grip.places);
  return (
    <button
      type="button"
      aria-pressed={on}
      aria-label={glyphs(`${HARMONY.holdIt(text, title)}${note ? `, ${note}` : ''}`)}
      onClick={() => onHold([...grip.places])}
      className="cursor-pointer rounded-lg border border-line p-1.5 hover:border-soft aria-pressed:border-brass-deep aria-pressed:shadow-[inset_0_0_0_1px_var(--brass-deep)]"
    >
      <GripBox
        instrument={instrument}
        grip={{
          title,
          places: grip.places,
          fingers: grip.fingers,
          degrees: degreesUnder(instrument, symbol, grip.places),
          ...(grip.barre ? { barre: grip.barre } : {}),
        }}
        title={`${title} ${text}`}
      />
      <span className="num block text-center text-xs text-soft">{text}</span>
      {note && (
        <span className="num block text-center text-xs text-soft">
          <Signs>{note}</Signs>
        </span>
      )}
    </button>
  );
}
