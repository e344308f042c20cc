import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import { useLatest } from '../../ui/useLatest';
import type { KeptProgression, StudyBody } from '../../../contract';
import { barQuarters, beatsMet, chordSounds, CoreError, openMidis, TICKS, type Met } from '../../../core';
import { canPerform, hush, perform, setEarRange, tellClicks } from '../../sound/listen/ear';
import { onNote, useEar } from '../../sound/listen/ear-state';
import { listenPrefs } from '../../sound/listen/listen-prefs';
import { rangeOf } from '../../sound/listen/meant';
import type { MeantNote } from '../../sound/listen/simulated';
import { studyNotes } from '../../store/form-lines';
import { loopOf, type Form } from '../../store/progressions';
import type { Along } from './useBacking';

export interface MetOn {
  readonly on: boolean;
  /** Since the backing began; null before. */
  readonly met: Met | null;
  /** The microphone hears the backing too. */
  readonly open: boolean;
  readonly along: Along;
}

const NONE: Met = { beats: 0, met: 0, changes: 0, changesMet: 0 };
const sum = (a: Met, b: Met): Met => ({ beats: a.beats + b.beats, met: a.met + b.met, changes: a.changes + b.changes, changesMet: a.changesMet + b.changesMet }); // prettier-ignore

interface Round {
  readonly atMs: number;
  /** Of one beat of the meter. */
  readonly msPerBeat: number;
  readonly notes: { readonly beat: number; readonly midi: number }[];
}

/** Quarters in a beat of the meter. */
const unitOf = ({ meter }: Pick<KeptProgression, 'meter'>): number => 4 / meter[1];

/** The chords of what is looped by the beat that they begin on, and how many beats it has. */
function useFrame({ meter, loop }: KeptProgression, form: Form) {
  return useMemo(() => {
    const unit = unitOf({ meter });
    const [from, to] = loopOf({ loop }, form.bars.length);
    const start = from * barQuarters(meter);
    const chords = form.chords
      .filter((c) => c.bar >= from && c.bar <= to)
      .map((c) => ({ beat: (c.from - start) / unit, tones: chordSounds(c.symbol) }));
    return { chords, beats: ((to - from + 1) * barQuarters(meter)) / unit };
  }, [form, loop, meter]);
}

/** Over a backing: how often what is played on the beats is a tone of the chord. The simulated player plays a study line. */
export function useMet(body: StudyBody, p: KeptProgression, form: Form): MetOn {
  const ear = useEar();
  const { headphones } = listenPrefs.use();
  const on = ear.state === 'on';
  const [met, setMet] = useState<Met | null>(null);
  const rounds = useRef<Round[]>([]);
  const done = useRef<Met>(NONE);
  const latestRef = useLatest({ body, p, form });
  const unit = unitOf(p);

  const frame = useFrame(p, form);
  const frameRef = useLatest(frame);

  const count = useCallback(
    (r: Round | undefined): Met => (r ? beatsMet(r.notes, frameRef.current.chords, frameRef.current.beats) : NONE),
    [frameRef],
  );
  const onSeam = useCallback<Along['onSeam']>(
    (seam, atMs) => {
      const msPerQuarter = 60_000 / seam.tempo;
      tellClicks(Array.from({ length: Math.ceil(seam.beats / unit) }, (_, k) => atMs + k * unit * msPerQuarter));
      if (seam.pass === 0) {
        rounds.current = [];
        done.current = NONE;
        return;
      }
      if (rounds.current.length > 1) done.current = sum(done.current, count(rounds.current.shift()));
      rounds.current.push({ atMs, msPerBeat: unit * msPerQuarter, notes: [] });
      if (canPerform()) perform(studyLine(latestRef.current, msPerQuarter), atMs);
    },
    [unit, count, latestRef],
  );
  const onStop = useCallback(() => hush(), []);

  useEffect(() => {
    if (!on) return undefined;
    setEarRange(...rangeOf(body.instrument));
    const off = onNote((n) => {
      // What comes a quarter of a beat early is the next round's.
      const mine = rounds.current.findLast((r) => n.atMs >= r.atMs - r.msPerBeat / 4);
      if (!mine) return;
      mine.notes.push({ beat: (n.atMs - mine.atMs) / mine.msPerBeat, midi: n.midi });
      setMet(rounds.current.reduce((all, r) => sum(all, count(r)), done.current));
    });
    return () => {
      off();
      hush();
      rounds.current = [];
      done.current = NONE;
      setMet(null);
    };
  }, [on, body.instrument, frame, count]);

  const along = useMemo(() => ({ onSeam, onStop }), [onSeam, onStop]);
  return { on, met, open: on && ear.source === 'microphone' && !headphones, along };
}

/** What the simulated player plays over a form: a study line, a note a beat. */
function studyLine({ body, p }: { readonly body: StudyBody; readonly p: KeptProgression }, msPerQuarter: number): MeantNote[] {
  const open = openMidis(body.instrument);
  try {
    let at = 0;
    return studyNotes(body, p, { seed: 1, notesPerBeat: 1, near: p.near ?? 5 }).flatMap((n) => {
      const start = at;
      at += n.ticks;
      if (!n.place || n.join === 'tie') return [];
      const ms = msPerQuarter / TICKS;
      return [{ midi: open[n.place.string - 1]! + n.place.fret, string: n.place.string, atMs: start * ms, lengthMs: n.ticks * ms * 0.9 }];
    });
  } catch (e) {
    if (e instanceof CoreError) return [];
    throw e;
  }
}
