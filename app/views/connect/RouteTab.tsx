import { useMemo, useRef } from 'react';
import { glyphs, pitchAt, spellerIn, type FingeredStep, type Instrument, type ScaleRef, type Stroke } from '../../../core';
import { useMarkScale } from '../../neck/useNeckGeometry';
import { useWidth } from '../../neck/useWidth';
import { Staff } from '../../tab/Staff';
import { TabStaff } from '../../tab/TabStaff';
import { tabGeometry, type TabColumn } from '../../tab/layout';
import { stepWords } from '../../words/route-text';
import { TabStand } from '../TabStand';
import { CONNECT } from '../../words/views/connect';

interface Props {
  /** What it is called on the music stand. */
  title: string;
  instrument: Instrument;
  scale: ScaleRef;
  steps: FingeredStep[];
  strokes: Stroke[];
  staff: boolean;
  chosen: number;
  sounding: number;
  onChoose: (index: number) => void;
  standing: boolean;
  onStand: () => void;
}

const columnOf = (s: FingeredStep, k: number, all: FingeredStep[]): TabColumn => ({
  string: s.string,
  fret: s.fret,
  finger: String(s.finger),
  shift: k > 0 ? s.handFret - all[k - 1].handFret : 0,
});

/** The route as tab, with its strokes, fingers and shifts; on a staff too where it is wanted. */
export function RouteTab({ title, instrument, scale: notes, steps, strokes, staff, chosen, sounding, onChoose, standing, onStand }: Props) {
  const holder = useRef<HTMLDivElement>(null);
  const width = useWidth(holder);
  const scale = useMarkScale();
  const g = useMemo(() => tabGeometry(steps.length, instrument.strings.length, width / scale), [steps.length, instrument, width, scale]);
  const columns = useMemo(() => steps.map(columnOf), [steps]);
  const pitches = useMemo(() => {
    const spell = spellerIn(notes);
    return steps.map((s) => spell(pitchAt(instrument, s).midi));
  }, [instrument, notes, steps]);
  const words = useMemo(() => steps.map((s, k) => glyphs(stepWords(s, k, pitches[k], strokes[k]))), [steps, pitches, strokes]);
  return (
    <section className="min-w-0 rounded-[10px] border border-line bg-sheet p-4">
      <h2 className="mb-2 text-[0.875rem] font-semibold">
        {CONNECT.asTab} <span className="ml-2 font-text text-xs font-normal text-soft">{CONNECT.pickingAboveFingersBelowShifts}</span>
      </h2>
      <div ref={holder} className="overflow-x-auto">
        {width > 0 && staff && <Staff pitches={pitches} width={width} label={CONNECT.theRouteOnAStaff} />}
        {width > 0 && (
          <TabStaff
            g={g}
            scale={scale}
            instrument={instrument}
            columns={columns}
            strokes={strokes}
            words={words}
            label={CONNECT.notesOfTheRoute}
            chosen={chosen}
            sounding={sounding}
            onChoose={onChoose}
          />
        )}
      </div>
      <TabStand
        open={standing}
        onClose={onStand}
        title={title}
        instrument={instrument}
        columns={columns}
        strokes={strokes}
        words={words}
        sounding={sounding}
      />
    </section>
  );
}
