import { answersOf, dayOf, type Round, type StudyBody } from '../contract';
import { drawer, ladder, quizRound, spotOf, type QuizGround, type QuizKind } from '../core';

const DAY = 86_400_000;
/** Some evenings: how many days ago, and how well it went, 0 to 1. */
const EVENINGS: readonly [ago: number, sure: number][] = [[12, 0.55], [10, 0.6], [9, 0.7], [6, 0.7], [4, 0.8], [3, 0.85], [1, 0.9]]; // prettier-ignore
const KINDS: readonly QuizKind[] = ['find', 'name', 'degree', 'roots', 'octave', 'shape', 'jog', 'spell', 'relative'];
/** Frets that the guitarist knows less well. */
const DARK = 4;

/** The trio's guitarist asked about "Weathervane" on evenings before a time. */
export function roundsOn({ instrument, scale, layout }: Pick<StudyBody, 'instrument' | 'scale' | 'layout'>, now: number): Round[] {
  const { rungs, seams } = ladder(instrument, scale, layout);
  const g: QuizGround = { instrument, scale, layout, shapes: rungs, seams, from: 0, to: 12 };
  const draw = drawer(7);
  const rounds: Round[] = [];
  for (const [k, [ago, sure]] of EVENINGS.entries()) {
    const at = new Date(now - ago * DAY).setHours(19, 40, 0, 0);
    const answers = quizRound(g, { kinds: KINDS, level: 2, history: answersOf(rounds), now: at, seed: k + 1 }).map((q) => {
      const dark = (q.at?.fret ?? 0) > DARK ? 0.25 : 0;
      const right = draw() < sure - dark;
      const ms = Math.round(1500 + 4500 * draw() + (right ? 0 : 3000) + 4000 * dark);
      return { fact: q.fact, kind: q.kind, right, ms, spot: q.at ? spotOf(g, q.at) : null };
    });
    rounds.push({
      id: `demo-round-${k + 1}`,
      at,
      day: dayOf(at),
      study: 'demo-weathervane',
      studyName: 'Weathervane, F♯ Dorian',
      level: 2,
      seconds: Math.round(answers.reduce((sum, a) => sum + a.ms, 0) / 1000),
      answers,
    });
  }
  return rounds;
}
