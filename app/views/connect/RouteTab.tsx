import { useMemo } from 'react';
import { glyphs, pitchAt, spellerIn, type FingeredStep, type Instrument, type ScaleRef, type Stroke } from '../../../core';
import { Staff } from '../../tab/Staff';
import type { TabColumn } from '../../tab/layout';
import { stepWords } from '../../words/route-text';
import { LineTab } from '../LineTab';
import { CONNECT } from '../../words/views/connect';

interface Props {
  /** What it is called on the music stand. */
  readonly title: string;
  readonly instrument: Instrument;
  readonly scale: ScaleRef;
  readonly steps: FingeredStep[];
  readonly strokes: Stroke[];
  readonly staff: boolean;
  readonly chosen: number;
  readonly sounding: number;
  readonly onChoose: (index: number) => void;
  readonly standing: boolean;
  readonly onStand: () => void;
}

const columnOf = (s: FingeredStep, k: number, all: FingeredStep[]): TabColumn => ({
  string: s.string,
  fret: s.fret,
  finger: String(s.finger),
  shift: k > 0 ? s.handFret - all[k - 1]!.handFret : 0,
});

/** The route as tab, with its strokes, fingers and shifts; on a staff too where it is wanted. */
export function RouteTab({ title, instrument, scale, steps, strokes, staff, chosen, sounding, onChoose, standing, onStand }: Props) {
  const columns = useMemo(() => steps.map(columnOf), [steps]);
  const pitches = useMemo(() => {
    const spell = spellerIn(scale);
    return steps.map((s) => spell(pitchAt(instrument, s).midi));
  }, [instrument, scale, steps]);
  const words = useMemo(() => steps.map((s, k) => glyphs(stepWords(s, k, pitches[k]!, strokes[k]!))), [steps, pitches, strokes]);
  return (
    <LineTab
      title={title}
      about={CONNECT.pickingAboveFingersBelowShifts}
      instrument={instrument}
      columns={columns}
      strokes={strokes}
      words={words}
      label={CONNECT.notesOfTheRoute}
      chosen={chosen}
      sounding={sounding}
      onChoose={onChoose}
      standing={standing}
      onStand={onStand}
      above={(width) => staff && <Staff pitches={pitches} width={width} label={CONNECT.theRouteOnAStaff} />}
    />
  );
}
