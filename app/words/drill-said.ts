import type { DrillForm, DrillWords } from '../../contract';
import { capital, degreeOfNote, drillSeconds, noteOnDegree, syllableOf, type DrillLine, type DrillNote, type FingeredStep, type ScaleRef } from '../../core'; // prettier-ignore
import { noteText, type Naming } from '../neck/marks';
import { counted } from './count-text';
import { ARTICULATION_WORDS, timeWords } from './drill-text';
import { FINGER_WORDS } from './route-text';
import { twinRoot } from './scale-text';

/** What there is to say of a drill before it is played. */
interface DrillFacts {
  readonly form: Pick<DrillForm, 'articulation'>;
  readonly notes: readonly unknown[];
  readonly line: DrillLine;
}

export const drillFacts = (d: DrillFacts, tempo: number): string =>
  `${counted(d.notes.length, 'note')}, ${counted(d.line.beats, 'beat')}, ${timeWords(drillSeconds(d.line, tempo))} a pass · ${ARTICULATION_WORDS[d.form.articulation]}`;

/** A pass of more than this many seconds is told before it is begun. */
export const LONG_PASS = 3600;

/** What is said of a note, large, and what stands small beneath. */
export function sayOf(
  n: DrillNote,
  step: FingeredStep,
  words: DrillWords,
  scale: ScaleRef,
  naming: Naming,
): { readonly large: string; readonly small: string } {
  const finger = step.finger ? `${FINGER_WORDS[step.finger]} finger` : 'open string';
  const name = noteText(n.name, naming);
  switch (words) {
    case 'degrees':
      return { large: n.degree, small: `${name}, ${finger}` };
    case 'relative':
      return { large: relativeDegree(n, scale), small: `${name}, ${finger}` };
    case 'notes':
      return { large: name, small: `${n.degree}, ${finger}` };
    case 'syllables':
      return { large: syllableOf(n.degree), small: `${name}, ${finger}` };
    case 'fingers':
      return { large: String(step.finger), small: step.finger ? capital(finger) : capital('open string') };
    case 'none':
      return { large: '', small: '' };
  }
}

/** A degree counted from the relative major or minor root; from the tonic where the scale has none. */
function relativeDegree(n: DrillNote, scale: ScaleRef): string {
  const twin = twinRoot(scale.scale);
  return twin ? degreeOfNote(noteOnDegree(scale.tonic, twin), n.name) : n.degree;
}
