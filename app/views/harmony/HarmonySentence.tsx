import type { StudyBody } from '../../../contract';
import type { ModeChord, Shape } from '../../../core';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { edited } from '../../store/editor';
import { typedScale } from '../../store/moves';
import { SentencePart } from '../../ui/SentencePart';
import { Signs } from '../../letters/Signs';
import { HARMONY } from '../../words/views/harmony';
import { ScalePart } from '../map/ScalePart';
import { RungChoice } from '../RungChoice';
import { ChordChooser } from './ChordChooser';

interface Props {
  readonly body: StudyBody;
  readonly shapes: Shape[];
  readonly current: number;
  readonly chords: ModeChord[];
  readonly symbol: string;
}

/** Which chord of which scale, in which position: each part is the control. */
export function HarmonySentence({ body, shapes, current, chords, symbol }: Props) {
  const dispatch = useAppDispatch();
  const shape = shapes[current];
  const here = shape ? `${shape.label}, frets ${shape.lowFret} to ${shape.highFret}` : HARMONY.noPosition;
  return (
    <header>
      <h1 className="text-[1.3125rem] leading-[1.5] font-medium tracking-[-0.01em] sm:text-[1.5625rem]">
        {HARMONY.theChord}{' '}
        <SentencePart name={HARMONY.chord} shortcut="c" text={<Signs>{symbol}</Signs>}>
          {(close) => (
            <ChordChooser
              chords={chords}
              symbol={symbol}
              onChord={(chord) => {
                dispatch(edited({ chord }));
                close();
              }}
            />
          )}
        </SentencePart>{' '}
        {HARMONY.of}{' '}
        <ScalePart scale={body.scale} onScale={(next) => dispatch(change((now) => ({ ...typedScale(now.body, next), chord: null })))} />{' '}
        {HARMONY.in}{' '}
        <SentencePart name={HARMONY.position} text={<Signs>{here}</Signs>}>
          {() =>
            shape && (
              <RungChoice
                label={HARMONY.position}
                shapes={shapes}
                current={current}
                says={(r) => `${r.label}, ${r.lowFret} to ${r.highFret}`}
              />
            )
          }
        </SentencePart>
      </h1>
    </header>
  );
}
