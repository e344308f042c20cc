import { Delete } from 'lucide-react';
import type { LickNote } from '../../../core';
import { noteValue, PLAIN_LENGTHS, TICKS } from '../../../core';
import { Button } from '../../ui/Button';
import { lengthSign } from '../../../formats/sheet/tab';
import { lengthWords } from '../../words/lick-text';
import type { LickEdit } from './useLickEdit';
import { LICKS } from '../../words/views/licks';

const Sign = ({ children }: { readonly children: string }) => (
  <span aria-hidden className="text-lg leading-none" style={{ fontFamily: 'Noto Music' }}>
    {children}
  </span>
);

interface Props {
  readonly edit: LickEdit;
  readonly note: LickNote | undefined;
}

/** What a note is: its length, how it is joined, bent and muted. */
export function NoteTools({ edit, note }: Props) {
  return (
    <div className="no-print mt-3 flex flex-wrap items-center gap-2" role="group" aria-label={LICKS.theNoteAtTheCaret}>
      <Lengths edit={edit} />
      <span role="group" aria-label={LICKS.lengthOfEveryNote} className="flex flex-wrap gap-1">
        <button type="button" className="chip" onClick={() => edit.all(TICKS / 2)}>
          {LICKS.allEighths}
        </button>
        <button type="button" className="chip" onClick={() => edit.all(TICKS / 3)}>
          {LICKS.allTriplets}
        </button>
      </span>
      <HowPlayed edit={edit} note={note} />
      <Button icon={<Delete size={14} aria-hidden />} disabled={!note} onClick={edit.remove}>
        {LICKS.removeNote}
      </Button>
    </div>
  );
}

/** A length without its dot or triplet, in ticks. */
function plainOf(ticks: number, value: ReturnType<typeof noteValue>): number {
  if (value?.triplet) return (ticks * 3) / 2;
  return value?.dots ? ticks / 1.5 : ticks;
}

function Lengths({ edit }: Pick<Props, 'edit'>) {
  const value = noteValue(edit.ticks);
  const plain = plainOf(edit.ticks, value);
  return (
    <span role="group" aria-label={LICKS.length} className="flex flex-wrap gap-1">
      {PLAIN_LENGTHS.slice(1)
        .reverse()
        .map((t) => (
          <button
            key={t}
            type="button"
            className="chip"
            aria-pressed={t === plain}
            aria-label={lengthWords(t)}
            title={lengthWords(t)}
            onClick={() => edit.setLength(t)}
          >
            <Sign>{lengthSign(t)}</Sign>
          </button>
        ))}
      <button type="button" className="chip" aria-pressed={value?.dots === 1} onClick={edit.dot}>
        {LICKS.dotted}
      </button>
      <button type="button" className="chip" aria-pressed={!!value?.triplet} onClick={edit.triplet}>
        {LICKS.triplet}
      </button>
    </span>
  );
}

const JOINS = [
  { join: 'hammer', label: 'hammer-on' },
  { join: 'pull', label: 'pull-off' },
  { join: 'slide', label: 'slide' },
  { join: 'tap', label: 'tap' },
  { join: 'tie', label: 'tie' },
] as const;

function HowPlayed({ edit, note }: Props) {
  const nowhere = !note?.place;
  return (
    <span role="group" aria-label={LICKS.howItIsPlayed} className="flex flex-wrap gap-1">
      {JOINS.map(({ join, label }) => (
        <button
          key={join}
          type="button"
          className="chip"
          disabled={nowhere}
          aria-pressed={note?.join === join}
          onClick={() => edit.join(join)}
        >
          {label}
        </button>
      ))}
      <button type="button" className="chip" disabled={nowhere} aria-pressed={!!note?.bend} onClick={edit.bend}>
        {note?.bend ? LICKS.bend(note.bend) : LICKS.bend2}
      </button>
      <button type="button" className="chip" disabled={!note?.bend} aria-pressed={!!note?.release} onClick={edit.release}>
        {LICKS.letGo}
      </button>
      <button type="button" className="chip" disabled={nowhere} aria-pressed={!!note?.stroke} onClick={edit.stroke}>
        {note?.stroke ? LICKS.strokeSettled(note.stroke) : LICKS.stroke}
      </button>
      <button type="button" className="chip" disabled={nowhere} aria-pressed={!!note?.muted} onClick={edit.mute}>
        {LICKS.muted}
      </button>
      <button type="button" className="chip" aria-pressed={!!note && !note.place} onClick={edit.rest}>
        {LICKS.rest}
      </button>
    </span>
  );
}
