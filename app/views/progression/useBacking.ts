import { useCallback, useEffect, useMemo, useState } from 'react';
import { useLatest } from '../../ui/useLatest';
import type { KeptProgression } from '../../../contract';
import { arrange } from '../../../core';
import { backingScore, barOfClicks, clicksOf, together } from '../../sound/backing-score';
import type { Seam, Take } from '../../sound/engine/score';
import { soundPrefs } from '../../sound/output-prefs';
import type { NoSound, Playing } from '../../sound/player';
import { useTakes } from '../../sound/useTakes';
import { useAppSelector } from '../../store';
import { earAt, NOWHERE, type Ear, type Heard } from '../../store/ear';
import { loopOf, type Form } from '../../store/progressions';

export interface BackingOn {
  readonly on: boolean;
  readonly ear: Ear;
  readonly error: NoSound | null;
  /** What is played: the count-in and the bars that go round. */
  readonly take: Take | null;
  /** MIDI notes of the comping, a chord each; null until grips are found. */
  readonly voicings: readonly (readonly number[])[] | null;
  readonly toggle: () => void;
  readonly takeOver: () => void;
}

/** Who listens along: a round begins, at a time of the audio clock. */
export interface Along {
  readonly onSeam: (seam: Seam, atMs: number) => void;
  readonly onStop: () => void;
}

/** What is played of a form: the count-in and the bars that go round, with their comping and clicks. */
function useTake(p: KeptProgression, form: Form, voicings: BackingOn['voicings'], [from, to]: readonly [number, number]): Take | null {
  const { click } = soundPrefs.use();
  const countIn = useAppSelector((s) => s.over.countIn);
  const { meter, feel, tempo } = p;
  return useMemo((): Take | null => {
    if (!form.bars.length) return null;
    const bars = form.bars.slice(from, to + 1);
    const notes = voicings ? form.chords.flatMap((c, k) => (c.bar >= from && c.bar <= to ? [voicings[k] ?? null] : [])) : [];
    const score = together(backingScore(arrange(bars, { meter, feel, voicings: notes })), clicksOf(meter, bars.length, click));
    return { lead: countIn ? barOfClicks(meter, click) : null, score, loop: true, tempo };
  }, [form, from, to, voicings, meter, feel, click, countIn, tempo]);
}

/** The backing of a progression, round and round on the clock of the sound; what changes comes in at the next round. */
export function useBacking(p: KeptProgression, form: Form, voicings: BackingOn['voicings'], along: Along): BackingOn {
  const { meter, loop } = p;
  const range = useMemo(() => loopOf({ loop }, form.bars.length), [loop, form.bars.length]);
  const take = useTake(p, form, voicings, range);
  const { on, error, playingRef, begin: beginTake, end } = useTakes();
  const [ear, setEar] = useState<Ear>(NOWHERE);
  const latestRef = useLatest({ take, form, range, meter, along });

  const stop = useCallback(() => {
    if (playingRef.current) latestRef.current.along.onStop();
    end();
    setEar(NOWHERE);
  }, [end, playingRef, latestRef]);
  const begin = useCallback(
    (over: boolean) => {
      stop();
      const { take: asked } = latestRef.current;
      if (!asked) return;
      const onHeard = (player: Playing, still: () => boolean): void => {
        if (latestRef.current.take) listen(player, still, () => latestRef.current, setEar);
        else player.stop();
      };
      beginTake({ take: asked, onSeam: (seam, atMs) => latestRef.current.along.onSeam(seam, atMs), onHeard, onEnd: stop, onFail: stop }, over); // prettier-ignore
    },
    [stop, beginTake, latestRef],
  );
  useEffect(() => {
    // A player that is stopped says so, and that is the end here too.
    if (!take) playingRef.current?.stop();
    else playingRef.current?.change({ score: take.score, tempo: take.tempo });
  }, [take, playingRef]);
  useEffect(() => stop, [stop]);
  const toggle = useCallback(() => (on ? stop() : begin(false)), [on, stop, begin]);
  const takeOver = useCallback(() => begin(true), [begin]);
  return useMemo(() => ({ on, ear, error, take, voicings, toggle, takeOver }), [on, ear, error, take, voicings, toggle, takeOver]);
}

/** Tells frame by frame which chord is heard and how many pulses it still has. */
function listen(player: Playing, asked: () => boolean, now: () => Heard, tell: (ear: Ear) => void): void {
  let shown = '';
  const look = (): void => {
    if (!asked()) return;
    const at = player.where();
    const ear = at ? earAt(at.pass, at.beat, now()) : NOWHERE;
    const key = `${ear.at}/${ear.left}/${ear.counting}`;
    if (key !== shown) tell(ear);
    shown = key;
    requestAnimationFrame(look);
  };
  look();
}
