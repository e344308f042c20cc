import { LIMITS, nutFret, type Instrument } from '../../../core';
import { Chooser } from '../../ui/Chooser';
import { NumberField } from '../../ui/NumberField';
import { Segmented } from '../../ui/Segmented';
import { Signs } from '../../letters/Signs';
import { matchTunings, retuned, stringsWord, type TuningChoice } from '../../words/tuning-text';
import { MAP } from '../../words/views/map';

export interface InstrumentChoice {
  readonly instrument: Instrument;
  readonly onInstrument: (instrument: Instrument) => void;
}

const COUNTED = [
  { value: 'nut', label: MAP.fretsFromTheNut },
  { value: 'capo', label: MAP.fretsFromTheCapo },
] as const;

const low = (open: string[]): string => [...open].reverse().join(' ');
const titleOf = (t: TuningChoice): string => `${t.name}: ${low(t.open).replace(/-?\d/g, '')}`;

/** Strings and tuning, number of frets, capo. */
export function ChooseTuning({ instrument, onInstrument, close }: InstrumentChoice & { readonly close: () => void }) {
  const capoTop = Math.min(12, instrument.frets - 5);
  return (
    <>
      <Chooser<TuningChoice>
        label={MAP.typeNotesLowestStringFirst}
        placeholder="D A D G B E"
        find={(text) =>
          matchTunings(text, instrument).map((value) => ({
            key: `${value.name} ${low(value.open)}`,
            value,
            title: titleOf(value),
            detail: stringsWord(value.open.length),
          }))
        }
        onChoose={(value) => { onInstrument(retuned(instrument, value)); close(); }} // prettier-ignore
        empty={MAP.thoseAreNoNotesWrite}
        render={(text) => <Signs>{text}</Signs>}
      />
      <div className="grid grid-cols-2 gap-3">
        <NumberField
          label={MAP.frets}
          value={instrument.frets}
          min={LIMITS.frets[0]}
          max={LIMITS.frets[1]}
          onChange={(frets) => onInstrument({ ...instrument, frets, capo: Math.min(nutFret(instrument), frets - 5) })}
        />
        <NumberField
          label={MAP.capoAtFret}
          value={nutFret(instrument)}
          min={0}
          max={capoTop}
          onChange={(capo) => onInstrument({ ...instrument, capo })}
        />
      </div>
      {nutFret(instrument) > 0 && (
        <div className="grid gap-1">
          <Segmented
            label={MAP.numbersOnNeckAndTab}
            value={instrument.countFrom ?? 'nut'}
            options={COUNTED}
            onChange={(countFrom) => onInstrument({ ...instrument, countFrom })}
          />
          <p className="text-[0.75rem] text-soft">{MAP.forNeckTabCopiedText}</p>
        </div>
      )}
    </>
  );
}
