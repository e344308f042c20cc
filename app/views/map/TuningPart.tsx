import { LIMITS, nutFret, type Instrument } from '../../../core';
import { Chooser } from '../../ui/Chooser';
import { NumberField } from '../../ui/NumberField';
import { Segmented } from '../../ui/Segmented';
import { SentencePart } from '../../ui/SentencePart';
import { Signs } from '../../ui/Signs';
import { instrumentWords, matchTunings, retuned, stringsWord, type TuningChoice } from '../../words/tuning-text';

interface Props {
  instrument: Instrument;
  onInstrument: (instrument: Instrument) => void;
}

const COUNTED = [
  { value: 'nut', label: 'frets from the nut' },
  { value: 'capo', label: 'frets from the capo' },
] as const;

const low = (open: string[]): string => [...open].reverse().join(' ');
const titleOf = (t: TuningChoice): string => `${t.name}: ${low(t.open).replace(/-?\d/g, '')}`;

/** Strings and tuning, number of frets, capo. */
export function TuningPart({ instrument, onInstrument }: Props) {
  const capoTop = Math.min(12, instrument.frets - 5);
  return (
    <SentencePart name="strings and tuning" text={<Signs>{instrumentWords(instrument)}</Signs>} shortcut="t">
      {(close) => (
        <>
          <Chooser<TuningChoice>
            label="Type notes, lowest string first, or part of a name"
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
            empty="Those are no notes. Write 1 to 12 notes from A to G, lowest string first, with # or b, such as D A D G B E or B1 E2 A2."
            render={(text) => <Signs>{text}</Signs>}
          />
          <div className="grid grid-cols-2 gap-3">
            <NumberField
              label="Frets"
              value={instrument.frets}
              min={LIMITS.frets[0]}
              max={LIMITS.frets[1]}
              onChange={(frets) => onInstrument({ ...instrument, frets, capo: Math.min(nutFret(instrument), frets - 5) })}
            />
            <NumberField
              label="Capo at fret"
              value={nutFret(instrument)}
              min={0}
              max={capoTop}
              onChange={(capo) => onInstrument({ ...instrument, capo })}
            />
          </div>
          {nutFret(instrument) > 0 && (
            <div className="grid gap-1">
              <Segmented
                label="Numbers on neck and tab"
                value={instrument.countFrom ?? 'nut'}
                options={COUNTED}
                onChange={(countFrom) => onInstrument({ ...instrument, countFrom })}
              />
              <p className="text-[0.75rem] text-soft">
                For neck, tab, copied text and paper. Words, typed places and files count from the nut.
              </p>
            </div>
          )}
        </>
      )}
    </SentencePart>
  );
}
