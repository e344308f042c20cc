import { useMemo } from 'react';
import { isScale, type ScaleRef } from '../../../core';
import { Button } from '../../ui/Button';
import { SentencePart } from '../../ui/SentencePart';
import { Signs } from '../../letters/Signs';
import { chordsIn } from '../../words/harmony-text';
import { useAppDispatch, useAppSelector } from '../../store';
import { harmonySet } from '../../store/harmony';
import { HARMONY } from '../../words/views/harmony';
import { Check } from '../practise/Choices';
import { MAP } from '../../words/views/map';
import { ChordChooser } from '../harmony/ChordChooser';

/** A chord whose tones stand out in the shape. */
export function ChordPart({
  scale,
  chord,
  onChord,
}: {
  readonly scale: ScaleRef;
  readonly chord: string | null;
  readonly onChord: (chord: string | null) => void;
}) {
  const dispatch = useAppDispatch();
  const alone = useAppSelector((s) => s.harmony.arpeggio);
  const chords = useMemo(() => (isScale(scale.scale) ? [...chordsIn(scale, 4).chords, ...chordsIn(scale, 3).chords] : []), [scale]);
  return (
    <SentencePart
      name="chord"
      look="chip"
      fixed="w-28"
      shortcut="c"
      text={
        <>
          <span className="text-soft">{MAP.chord}</span>
          <b className="font-semibold">
            <Signs>{chord ?? MAP.none}</Signs>
          </b>
        </>
      }
    >
      {(close) => (
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
      )}
    </SentencePart>
  );
}
