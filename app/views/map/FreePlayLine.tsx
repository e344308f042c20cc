import { useState } from 'react';
import type { StudyBody } from '../../../contract';
import { isOfScale, degreeOfNote, glyphs, spellerIn, type Shape } from '../../../core';
import { canPerform, earNow, perform } from '../../sound/listen/ear';
import { upAndDown } from '../../sound/heard';
import { noteText } from '../../neck/marks';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { usePrefs } from '../../store/prefs';
import { keepPlayed } from '../../store/practice/played';
import { Button } from '../../ui/Button';
import { Signs } from '../../letters/Signs';
import { EAR } from '../../words/views/ear';
import { LISTEN } from '../../words/views/listen';
import type { FreePlay } from './useFreePlay';

/** What is played while the Map listens: what sounds, and keeping it as a lick. */
export function FreePlayLine({ body, shape, play }: { readonly body: StudyBody; readonly shape: Shape | null; readonly play: FreePlay }) {
  const dispatch = useAppDispatch();
  const naming = usePrefs();
  const [told, setTold] = useState<{ readonly words: string; readonly bad: boolean } | null>(null);
  const keep = (): void => {
    const heard = play.heard();
    if (!heard.length) return setTold({ words: LISTEN.nothingPlayed, bad: true });
    dispatch(
      change((n) => {
        const name = LISTEN.playedName(n.body.licks.filter((l) => l.name.startsWith(LISTEN.playedName(''))).length + 1);
        const kept = keepPlayed(n.body, heard, name);
        setTold('edit' in kept ? { words: LISTEN.keptAs(name), bad: false } : { words: LISTEN.noRoom(kept.why), bad: true });
        return 'edit' in kept ? kept.edit : null;
      }),
    );
  };
  const listenToIt = (): void => {
    if (!shape) return;
    const ms = 60_000 / body.tempo;
    perform(upAndDown(shape.notes).notes.map((n) => ({ midi: n.midi, string: n.string, atMs: n.beat * ms, lengthMs: n.beats * ms })), earNow()); // prettier-ignore
  };
  const name = play.midi === null ? null : spellerIn(body.scale)(play.midi).replace(/-?\d+$/, '');
  const inScale = play.midi !== null && isOfScale(body.scale, play.midi);
  return (
    <section
      aria-label={EAR.listening}
      className="no-print mt-3 flex flex-wrap items-center gap-3 rounded-[10px] border border-line bg-sheet p-3"
    >
      <p className="min-w-60 text-[1rem]" data-free={play.midi ?? ''}>
        {name === null ? (
          <span className="text-soft">{LISTEN.waitsFree}</span>
        ) : (
          <Signs>{glyphs(LISTEN.sounding(noteText(name, naming), inScale ? degreeOfNote(body.scale.tonic, name) : null))}</Signs>
        )}
      </p>
      <span className="grow" />
      {told && (
        <p role="status" className={told.bad ? 'text-clay' : ''}>
          {told.words}
        </p>
      )}
      {canPerform() && (
        <Button disabled={!shape} onClick={listenToIt}>
          {LISTEN.letItPlay}
        </Button>
      )}
      <Button look="link" onClick={keep}>
        {LISTEN.keepBars}
      </Button>
      <p className="w-full text-xs text-soft">{LISTEN.keeps}</p>
    </section>
  );
}
