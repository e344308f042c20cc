import { useMemo } from 'react';
import { isScale, type ScaleRef } from '../../../core';
import { Button } from '../../ui/Button';
import { chordsIn } from '../../words/harmony-text';
import { useAppDispatch, useAppSelector } from '../../store';
import { harmonySet } from '../../store/harmony';
import { HARMONY } from '../../words/views/harmony';
import { Check } from '../practise/Choices';
import { MAP } from '../../words/views/map';
import { ChordChooser } from '../harmony/ChordChooser';

export interface ChordChoice {
  readonly scale: ScaleRef;
  readonly chord: string | null;
  readonly onChord: (chord: string | null) => void;
}

/** Which chord's tones stand out, and whether they are shown alone. */
export function ChooseShownChord({ scale, chord, onChord, close }: ChordChoice & { readonly close: () => void }) {
  const dispatch = useAppDispatch();
  const alone = useAppSelector((s) => s.harmony.arpeggio);
  const chords = useMemo(() => (isScale(scale.scale) ? [...chordsIn(scale, 4).chords, ...chordsIn(scale, 3).chords] : []), [scale]);
  return (
    <>
      {chord && <Check label={HARMONY.arpeggioAlone} checked={alone} onChange={(on) => dispatch(harmonySet({ arpeggio: on }))} />}
      {chord && (
        <Button
          look="link"
          onClick={() => {
            onChord(null);
            close();
          }}
        >
          {MAP.noChord}
        </Button>
      )}
      <ChordChooser
        chords={chords}
        symbol={chord}
        onChord={(value) => {
          onChord(value);
          close();
        }}
      />
    </>
  );
}
