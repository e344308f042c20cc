import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useLatest } from '../../ui/useLatest';
import type { KeptProgression } from '../../../contract';
import { arrange } from '../../../core';
import { backingScore, barOfClicks, clicksOf, together } from '../../sound/backing-score';
import type { Seam, Take } from '../../sound/engine/score';
import { soundPrefs } from '../../sound/output-prefs';
import type { NoSound, Playing } from '../../sound/player';
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

/** The backing of a progression, round and round on the clock of the sound; what changes comes in at the next round. */
export function useBacking(p: KeptProgression, form: Form, voicings: readonly (readonly number[])[] | null, along: Along): BackingOn {
  const { click } = soundPrefs.use();
  const countIn = useAppSelector((s) => s.over.countIn);
  const { meter, feel, tempo, loop } = p;
  const [on, setOn] = useState(false);
  const [ear, setEar] = useState<Ear>(NOWHERE);
  const [error, setError] = useState<NoSound | null>(null);
  const playing = useRef<Playing | null>(null);
  const turn = useRef(0);
  const range = useMemo(() => loopOf({ loop }, form.bars.length), [loop, form.bars.length]);
  const take = useMemo((): Take | null => {
    if (!form.bars.length) return null;
    const [from, to] = range;
    const bars = form.bars.slice(from, to + 1);
    const notes = voicings ? form.chords.flatMap((c, k) => (c.bar >= from && c.bar <= to ? [voicings[k] ?? null] : [])) : [];
    const score = together(backingScore(arrange(bars, { meter, feel, voicings: notes })), clicksOf(meter, bars.length, click));
    return { lead: countIn ? barOfClicks(meter, click) : null, score, loop: true, tempo };
  }, [form, range, voicings, meter, feel, click, countIn, tempo]);
  const latestRef = useLatest({ take, form, range, meter });
  const alongRef = useLatest(along);

  const stop = useCallback(() => {
    turn.current++;
    playing.current?.stop();
    if (playing.current) alongRef.current.onStop();
    playing.current = null;
    setOn(false);
    setEar(NOWHERE);
  }, [alongRef]);
  const begin = useCallback(
    (over: boolean) => {
      const asked = latestRef.current.take;
      stop();
      if (!asked) return;
      const mine = turn.current;
      setOn(true);
      setError(null);
      const told = {
        onSeam: (seam: Seam, atMs: number) => void (turn.current === mine && alongRef.current.onSeam(seam, atMs)),
        onEnd: () => void (turn.current === mine && stop()),
      };
      void import('../../sound/player')
        .then(({ play }) => play(asked, told, over))
        .then((player) => {
          if (turn.current !== mine || !latestRef.current.take) return player.stop();
          playing.current = player;
          listen(player, () => turn.current === mine, () => latestRef.current, setEar); // prettier-ignore
        })
        .catch((e: unknown) => {
          if (turn.current !== mine) return;
          stop();
          setError((e as { readonly why?: NoSound }).why ?? 'broken');
        });
    },
    [stop, latestRef, alongRef],
  );
  useEffect(() => {
    // A player that is stopped says so, and that is the end here too.
    if (!take) playing.current?.stop();
    else playing.current?.change({ score: take.score, tempo: take.tempo });
  }, [take]);
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
