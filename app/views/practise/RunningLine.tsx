import { useMemo, useRef } from 'react';
import { fretNumber, fretSign, glyphs, TICKS } from '../../../core';
import { useMarkScale } from '../../neck/useNeckGeometry';
import { likelyWidth, useWidth } from '../../neck/useWidth';
import { columnWidth, tabGeometry, type TabColumn } from '../../tab/layout';
import { TabStaff } from '../../tab/TabStaff';
import type { Drilled } from '../../store/practice/drilled';
import { stepWords } from '../../words/route-text';
import { PRACTISE } from '../../words/views/practise';
import { TabStand } from '../TabStand';

interface Props {
  readonly drill: Drilled;
  readonly now: number;
  readonly title: string;
  readonly standing: boolean;
  readonly onStand: () => void;
}

/** Columns before the note that sounds. */
const BEFORE = 2;
const BAR = 4; // beats
const nothing = (): void => undefined;

/** Every note of a drill as a column of tab; the beats are numbered, bars begin every four. */
function columnsOf({ line, starts, instrument }: Drilled): TabColumn[] {
  return line.steps.map((s, k) => {
    const beat = starts[k]! / TICKS;
    const join = line.joins[k];
    return {
      string: s.string,
      fret: s.fret,
      finger: String(s.finger),
      shift: k > 0 ? s.handFret - line.steps[k - 1]!.handFret : 0,
      sign: fretSign({ place: s, ticks: TICKS, ...(join ? { join } : {}) }, { place: line.steps[k - 1] ?? null, ticks: TICKS }, (f) =>
        fretNumber(instrument, f),
      ),
      bar: k === 0 || beat % BAR === 0,
      beat: Number.isInteger(beat) ? (beat % BAR) + 1 : undefined,
      loud: line.loud[k],
    };
  });
}

/** In its card, with the tempo beside it. */
const likely = (): number => likelyWidth(26, 15.75);

/** The line runs: the note that sounds stays in its place near the left, what comes lies to its right, and after the last note the first again. */
export function RunningLine({ drill, now, title, standing, onStand }: Props) {
  const holder = useRef<HTMLDivElement>(null);
  const width = useWidth(holder, likely);
  const scale = useMarkScale();
  const all = useMemo(() => columnsOf(drill), [drill]);
  const words = useMemo(
    () => drill.line.steps.map((s, k) => glyphs(stepWords(s, k, drill.notes[k]!.name, drill.line.strokes[k]!))),
    [drill],
  );
  // How far the hand shifts is written below the fingers; without it there is nothing.
  const shifts = all.some((c) => c.shift !== 0);
  const { strokes } = drill.line;
  const strings = drill.instrument.strings.length;
  const column = useMemo(() => columnWidth(all), [all]);
  const fit = Math.max(4, Math.floor((width / scale - 34) / column));
  const loops = now >= 0;
  const from = loops ? now - BEFORE : 0;
  const count = loops ? fit : Math.min(fit, all.length);
  const at = Array.from({ length: count }, (_, k) => (((from + k) % all.length) + all.length) % all.length);
  const g = useMemo(() => tabGeometry(count, strings, count * column + 34, column), [count, strings, column]);
  return (
    <section className="min-w-0 overflow-hidden rounded-[10px] border border-line bg-sheet px-3 pt-2">
      <h2 className="sr-only">{PRACTISE.line}</h2>
      <div ref={holder} className={`overflow-hidden ${shifts ? '' : '-mb-3'}`} data-running={now}>
        {width > 0 && (
          <TabStaff
            g={g}
            scale={scale}
            instrument={drill.instrument}
            columns={at.map((k, place) => (loops && place < BEFORE ? { ...all[k]!, past: true } : all[k]!))}
            strokes={at.map((k) => strokes[k]!)}
            words={at.map((k) => words[k]!)}
            label={PRACTISE.notesOfDrill}
            chosen={-1}
            sounding={loops ? BEFORE : -1}
            onChoose={nothing}
          />
        )}
      </div>
      <TabStand
        open={standing}
        onClose={onStand}
        title={title}
        instrument={drill.instrument}
        columns={all}
        strokes={strokes}
        words={words}
        sounding={now}
      />
    </section>
  );
}
