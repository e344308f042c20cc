import { useMemo } from 'react';
import type { StudyBody } from '../../../contract';
import { parseChord, toneName, type ModeChord, type Place, type Shape } from '../../../core';
import { useAppSelector } from '../../store';
import { Signs } from '../../letters/Signs';
import { HARMONY } from '../../words/views/harmony';
import { HearProblem } from '../HearTools';
import { StudyFooter } from '../StudyFooter';
import { ArpeggioCard } from './ArpeggioCard';
import { ChordCard } from './ChordCard';
import { GripsCard } from './GripsCard';
import { GripsHere } from './GripsHere';
import { HarmonyNeck } from './HarmonyNeck';
import { HarmonySentence } from './HarmonySentence';
import { HarmonyTools } from './HarmonyTools';
import { HeldCard } from './HeldCard';
import { LeadCard } from './LeadCard';
import { ModeChords } from './ModeChords';
import { MovesCard } from './MovesCard';
import { useChordSound } from './useChordSound';
import { useHarmonyCommands } from './useHarmonyCommands';

interface Props {
  readonly body: StudyBody;
  readonly shapes: Shape[];
  readonly current: number;
  readonly stacked: boolean;
  readonly chords: ModeChord[];
  readonly symbol: string;
  readonly grip: Place[];
}

const ROW = 'after-neck mt-3 grid grid-cols-1 items-stretch gap-3';

export function HarmonyBench({ body, shapes, current, stacked, chords, symbol, grip }: Props) {
  const { page, size, from } = useAppSelector((s) => s.harmony);
  const shape = shapes[current] ?? null;
  const sound = useChordSound(body, symbol, grip);
  const chord = useMemo(() => chords.find((c) => c.symbol === symbol) ?? null, [chords, symbol]);
  useHarmonyCommands({ chords, symbol, grip, sound });
  return (
    <div className="view-column">
      <HarmonySentence body={body} shapes={shapes} current={current} chords={chords} symbol={symbol} />
      <p className="num mt-1 min-h-5 text-[0.84375rem] text-soft">
        <Signs>{factsOf(symbol, chord)}</Signs>
      </p>
      <HarmonyTools sound={sound} />
      <HearProblem hear={sound.hear} />
      {page === 'chords' && <ModeChords body={body} stacked={stacked} chords={chords} symbol={symbol} size={size} from={from} />}
      <HarmonyNeck body={body} shape={shape} symbol={symbol} grip={grip} />
      {page === 'chords' && (
        <div className={`${ROW} lg:grid-cols-[minmax(0,1.1fr)_minmax(0,1.25fr)_minmax(0,0.85fr)]`}>
          <ChordCard body={body} symbol={symbol} />
          <GripsHere body={body} shape={shape} symbol={symbol} grip={grip} />
          <ArpeggioCard body={body} shape={shape} symbol={symbol} />
        </div>
      )}
      {page === 'grips' && (
        <div className={`${ROW} lg:grid-cols-[minmax(0,1.6fr)_minmax(0,1fr)]`}>
          <GripsCard body={body} shape={shape} symbol={symbol} grip={grip} />
          <HeldCard body={body} grip={grip} />
        </div>
      )}
      {page === 'leading' && (
        <div className={`${ROW} lg:grid-cols-[minmax(0,1.2fr)_minmax(0,1fr)]`}>
          <LeadCard body={body} chords={chords} grip={grip} />
          <MovesCard body={body} grip={grip} />
        </div>
      )}
      <StudyFooter hint={HARMONY.hint} />
    </div>
  );
}

/** What the chord is made of, and its place in the mode. */
const factsOf = (symbol: string, chord: ModeChord | null): string => {
  const { tones } = parseChord(symbol);
  const place = chord ? [chord.roman, chord.quality] : [HARMONY.notThere];
  return [...place.filter(Boolean), tones.map((t) => t.note).join(' '), tones.map(toneName).join(' ')].join(' · ');
};
