import { useMemo } from 'react';
import type { StudyBody } from '../../../contract';
import { chordSounds, midiOn, neckNotes, openMidis, spellerIn, targetsFrom, type Place, type ScaleRef, type Target } from '../../../core';
import { degreeText, marksOf, noteText, type NeckMark } from '../../neck/marks';
import { useAppSelector } from '../../store';
import type { Ear } from '../../store/ear';
import { usePrefs } from '../../store/prefs';
import { comingOf, type Coming } from '../../words/coming-text';
import { PROGRESSION } from '../../words/views/progression';
import type { Ways } from './useWays';

const UP_DOWN = { up: PROGRESSION.up, down: PROGRESSION.down };

/** A name of the note on a place, as a scale spells it, without its octave. */
export type NameAt = (place: Place, ref: ScaleRef) => string;

const useNames = (instrument: StudyBody['instrument']): NameAt =>
  useMemo(() => {
    const opens = [0, ...openMidis(instrument)];
    return (place, ref) => spellerIn(ref)(midiOn(opens, place)).replace(/-?\d+$/, '');
  }, [instrument]);

/** The chord and its scale as marks, and what is coming among them. */
function useMarks(body: StudyBody, { chord, step }: Ways, fresh: Coming['fresh']): NeckMark[] {
  const { instrument, labels } = body;
  const naming = usePrefs();
  const notes = useMemo(() => (step ? neckNotes(instrument, step.ref) : []), [instrument, step]);
  return useMemo((): NeckMark[] => {
    if (!step || !chord) return [];
    const text = {
      notes: (f: Coming['fresh'][number]) => noteText(f.name, naming),
      degrees: (f: Coming['fresh'][number]) => degreeText(f.degree, naming),
      frets: (f: Coming['fresh'][number]) => String(f.fret),
    };
    const label = labels in text ? text[labels as keyof typeof text] : () => '';
    const base = marksOf(notes, step.shape, { labels, naming, on: instrument, chord: new Set(chordSounds(chord.symbol)) });
    return [...base, ...fresh.map((f): NeckMark => ({ string: f.string, fret: f.fret, look: 'new', text: label(f) }))];
  }, [step, chord, notes, labels, naming, instrument, fresh]);
}

const NONE: Coming['fresh'] = [];

/** What is to be seen and said of the chord that comes: a beat ahead while the backing plays, at once while it does not. */
export function useAhead(body: StudyBody, ways: Ways, ear: Ear | null) {
  const { instrument } = body;
  const { step, next } = ways;
  const target = useAppSelector((s) => s.over.target);
  const coming = useMemo(() => (step && next ? comingOf(instrument, step, next.step, UP_DOWN) : null), [instrument, step, next]);
  const shown = coming && (!ear || ear.left <= 1) ? coming : null;
  const targets = useMemo(
    () => (target && step && next ? targetsFrom(instrument, step.shape, target, next.chord.symbol) : null),
    [target, step, next, instrument],
  );
  const marks = useMarks(body, ways, shown?.fresh ?? NONE);
  const names = useNames(instrument);
  const arrows = target && targets ? targets.filter((t) => t.by !== 0).map((t) => ({ from: target, to: t.place })) : (shown?.moves ?? []);
  return { target, marks, arrows, names, sentence: sentenceOf(ways, names, coming, target, targets) };
}

function sentenceOf({ step, next }: Ways, names: NameAt, coming: Coming | null, target: Place | null, targets: Target[] | null): string {
  if (!next || !step) return '';
  const { symbol } = next.chord;
  if (!target || !targets) return coming?.words.length ? PROGRESSION.arrows(symbol, coming.words.join('; ')) : PROGRESSION.stays(symbol);
  const from = names(target, step.ref);
  const by = (semitones: number): string => (semitones ? `, ${semitones > 0 ? '+' : '−'}${Math.abs(semitones)}` : '');
  const list = targets.map((t) => `${names(t.place, next.step.ref)} (${t.degree}${by(t.by)})`).join('; ');
  return list ? PROGRESSION.targets(from, symbol, list) : PROGRESSION.noTargets(from, symbol);
}
