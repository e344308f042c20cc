import type { KeptProgression, StudyBody } from '../../../contract';
import { useState } from 'react';
import { useAppSelector } from '../../store';
import { PROGRESSION } from '../../words/views/progression';
import { GripsHere } from '../harmony/GripsHere';
import { HearProblem } from '../HearTools';
import { EarProblem } from '../listen/EarStatus';
import { SearchNote } from '../SearchNote';
import { StudyFooter } from '../StudyFooter';
import { BackingCard } from './BackingCard';
import { FitsCard } from './FitsCard';
import { FormEditor } from './FormEditor';
import { FormStrip } from './FormStrip';
import { MetNote } from './MetNote';
import { ProgressionNeck } from './ProgressionNeck';
import { ProgressionSentence } from './ProgressionSentence';
import { ProgressionTools } from './ProgressionTools';
import { useBacking } from './useBacking';
import { useFits } from './useFits';
import { useGuide } from './useGuide';
import { useMet } from './useMet';
import { useProgressionCommands } from './useProgressionCommands';
import { useVoicings } from './useVoicings';
import { useWays } from './useWays';
import { WaysCard } from './WaysCard';

interface Props {
  readonly body: StudyBody;
  readonly p: KeptProgression;
  /** The fret of the hand in the study's position. */
  readonly here: number;
}

export function ProgressionBench({ body, p, here }: Props) {
  const [heard, setHeard] = useState(-1);
  const ways = useWays(body, p, here, heard);
  const voicings = useVoicings(body, ways.form.chords);
  const met = useMet(body, p, ways.form);
  const backing = useBacking(p, ways.form, voicings, met.along);
  if (backing.ear.at !== heard) setHeard(backing.ear.at);
  const writing = useAppSelector((s) => s.over.writing);
  const grip = useAppSelector((s) => s.harmony.grip);
  const fits = useFits(p, ways);
  const guide = useGuide(body, ways);
  useProgressionCommands({ p, ways, backing, fits });
  const { chord, step } = ways;
  return (
    <div className="view-column">
      <ProgressionSentence body={body} p={p} ways={ways} />
      <ProgressionTools body={body} p={p} ways={ways} backing={backing} />
      <HearProblem hear={backing} />
      <EarProblem />
      {(writing || ways.form.faults.length > 0 || !ways.form.bars.length) && <FormEditor p={p} form={ways.form} />}
      <FormStrip p={p} ways={ways} playing={backing.on} ear={backing.ear} />
      <MetNote met={met} />
      <SearchNote found={ways.search} />
      {chord && step && (
        <>
          <ProgressionNeck body={body} ways={ways} ear={backing.on ? backing.ear : null} guide={guide} />
          <div className="after-neck mt-3 grid grid-cols-1 items-stretch gap-3 lg:grid-cols-[minmax(0,1.3fr)_minmax(0,1fr)_minmax(0,0.9fr)]">
            <FitsCard p={p} ways={ways} fits={fits} />
            <div className="flex flex-col gap-3">
              <GripsHere body={body} shape={step.shape} symbol={chord.symbol} grip={grip} />
              <WaysCard p={p} ways={ways} />
            </div>
            <BackingCard p={p} form={ways.form} />
          </div>
        </>
      )}
      {chord && !step && ways.search.done !== null && <div aria-hidden className="min-h-screen" />}
      {!chord && <p className="my-6 text-soft">{PROGRESSION.nothing}</p>}
      <StudyFooter hint={PROGRESSION.hint} />
    </div>
  );
}
