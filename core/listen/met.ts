/** A chord that sounds from a beat on. */
export interface ChordInTime {
  /** The beat it begins at. */
  readonly beat: number;
  /** Pitch classes, 0 to 11. */
  readonly tones: readonly number[];
}

/** What was played over a form. */
export interface Met {
  /** Beats on which something was played. */
  beats: number;
  /** Of those: on a tone of the chord that sounds there. */
  met: number;
  /** The same where the chord is new: on its first beat. */
  changes: number;
  /** Changes of chord at which a tone of the new one was played. */
  changesMet: number;
}

/** A note belongs to a beat that is so near, in beats. */
const NEAR = 0.25;

/**
 * How often what was played on a beat was a tone of the chord of that beat. Notes lie at beats of the form (doubles, from 0); one that comes up to a quarter of a beat
 * early or late stands on it, the nearest of each beat counts, of two as near the earlier. Chords ascend. What lies outside the chords counts for nothing.
 * @example beatsMet([{ beat: 0, midi: 60 }], [{ beat: 0, tones: [0, 4, 7] }], 1).met // 1
 */
export function beatsMet(
  notes: readonly { readonly beat: number; readonly midi: number }[],
  chords: readonly ChordInTime[],
  beats: number,
): Met {
  const onBeat = new Map<number, { readonly off: number; readonly midi: number }>();
  for (const n of notes) {
    const beat = Math.round(n.beat);
    const off = Math.abs(n.beat - beat);
    if (off > NEAR || beat < 0 || beat >= beats) continue;
    const known = onBeat.get(beat);
    if (!known || off < known.off) onBeat.set(beat, { off, midi: n.midi });
  }
  const met: Met = { beats: 0, met: 0, changes: 0, changesMet: 0 };
  for (const [beat, { midi }] of onBeat) {
    const chord = chords.findLast((c) => c.beat <= beat);
    if (!chord?.tones.length) continue;
    const hit = chord.tones.includes(midi % 12) ? 1 : 0;
    const first = Math.ceil(chord.beat) === beat;
    met.beats++;
    met.met += hit;
    if (first) met.changes++;
    if (first) met.changesMet += hit;
  }
  return met;
}
