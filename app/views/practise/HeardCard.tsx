import { useCallback } from 'react';
import { MOST_LICK_NOTES, MOST_LICKS, type StudyBody } from '../../../contract';
import { glyphs, weakLick, weakParts } from '../../../core';
import { listenPrefs } from '../../sound/listen/listen-prefs';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import type { Drilled } from '../../store/practice/drilled';
import { drillWeakSpots } from '../../store/practice/weak';
import { Button } from '../../ui/Button';
import { Signs } from '../../letters/Signs';
import { scoreWords, timingWords, weakWords } from '../../words/heard-text';
import { CONNECT } from '../../words/views/connect';
import { LISTEN } from '../../words/views/listen';
import { PRACTISE } from '../../words/views/practise';
import { TimingStrip } from '../listen/TimingStrip';
import type { Judging } from './useJudge';

/** What was heard of the drill: the last pass, note by note in time, and where it is weak over all passes. */
export function HeardCard({
  body,
  drill,
  what,
  judging,
}: {
  readonly body: StudyBody;
  readonly drill: Drilled;
  readonly what: string;
  readonly judging: Judging;
}) {
  const { lateMs } = listenPrefs.use();
  const { passes, spots, silent, on } = judging;
  const last = passes.at(-1);
  const nameOf = useCallback((k: number) => drill.notes[k]!.name, [drill]);
  if (!on && !last) return null;
  return (
    <section className="after-tools mt-3 min-w-0 rounded-[10px] border border-line bg-sheet px-4 py-3" data-heard={last?.pass ?? 0}>
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h2 className="text-[0.875rem] font-semibold">{LISTEN.heard}</h2>
        {!last && silent === 0 && <p className="text-soft">{LISTEN.waits}</p>}
        {last && (
          <p role="status" data-verdict={last.score.clean ? 'clean' : 'miss'}>
            <b>{LISTEN.pass(last.pass)}:</b> {scoreWords(last.score)}
            {timingWords(last.score) && `; ${timingWords(last.score)}`}. <b>{last.score.clean ? LISTEN.clean : LISTEN.notClean}</b>
          </p>
        )}
        {silent > 0 && (
          <p role="status" className="text-clay">
            {LISTEN.silent(silent)}
          </p>
        )}
      </div>
      {last && spots && (
        <div className="mt-1 grid grid-cols-1 items-start gap-x-5 gap-y-1 lg:grid-cols-[minmax(0,1.4fr)_minmax(0,1fr)]">
          <TimingStrip score={last.score} lateMs={lateMs} nameOf={nameOf} />
          <Weakest body={body} drill={drill} what={what} judging={judging} />
        </div>
      )}
    </section>
  );
}

/** The weak spots of weak spots have their name. */
const weakName = (what: string): string => (what.startsWith(LISTEN.weakName('')) ? what : LISTEN.weakName(what));

function Weakest({
  body,
  drill,
  what,
  judging: { passes, spots },
}: {
  readonly body: StudyBody;
  readonly drill: Drilled;
  readonly what: string;
  readonly judging: Judging;
}) {
  const dispatch = useAppDispatch();
  if (!spots) return null;
  const words = weakWords(spots, drill.line.steps, (k) => drill.notes[k]!.name);
  if (!words.length) return <p className="text-soft">{LISTEN.nothingWeak}</p>;
  const notes = weakLick(drill.line.steps, drill.line.ticks, weakParts(spots.notes));
  const why = body.licks.length >= MOST_LICKS ? CONNECT.licksDeleteOneFirst(MOST_LICKS) : notes.length > MOST_LICK_NOTES ? PRACTISE.tooLongForLick(MOST_LICK_NOTES) : null; // prettier-ignore
  return (
    <div className="min-w-0">
      <p>
        <b>{LISTEN.weakest}</b> <span className="text-soft">({LISTEN.overPasses(passes.length)})</span>
      </p>
      <ul className="mb-1">
        {words.map((w) => (
          <li key={w}>
            <Signs>{glyphs(w)}</Signs>
          </li>
        ))}
      </ul>
      <p className="mb-2 text-xs text-soft">{LISTEN.signs}</p>
      <Button
        look="link"
        disabled={why !== null}
        onClick={() => dispatch(change((n) => drillWeakSpots(n.body, drill.instrument, notes, weakName(what))))}
      >
        {why ?? LISTEN.drillIt}
      </Button>
    </div>
  );
}
