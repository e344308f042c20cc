import { dayOf, type Pass } from '../contract';

const MINUTE = 60_000;
const DAY = 86_400_000;

/** Some evenings before today: how many days ago, which box, and the passes with their tempo: c clean, m missed. */
const EVENINGS: readonly [ago: number, box: 1 | 2, passes: string][] = [
  [24, 1, '60ccc 66ccmc'],
  [23, 1, '66cc 72cmcc'],
  [21, 1, '72ccc 78mcmm 72cc'],
  [18, 1, '72ccc 78ccc 84cm'],
  [16, 1, '84mcc 84ccc'],
  [14, 1, '84ccc 90cmc'],
  [11, 1, '90ccc 96mcc'],
  [9, 1, '96cmc 96ccc'],
  [8, 2, '60ccc 66ccc'],
  [5, 1, '96cccm'],
  [4, 2, '66ccc 72cmc'],
  [2, 2, '72ccc 78ccm'],
];
const BEATS = { 1: 11, 2: 13 };
const GOAL = 96;
const TO_HOLD = 3;

/** The trio's guitarist at the first two boxes of "Weathervane", on evenings before a time. */
export function demoPasses(now: number): Pass[] {
  const all: Pass[] = [];
  for (const [ago, box, evening] of EVENINGS) {
    let at = new Date(now - ago * DAY).setHours(19, 10, 0, 0);
    let held = 0;
    for (const group of evening.split(' ')) {
      const tempo = Number(group.slice(0, 2));
      for (const how of group.slice(2)) {
        const seconds = (BEATS[box] * 60) / tempo;
        at += seconds * 1000 + MINUTE / 4;
        held = how === 'c' && tempo === GOAL ? held + 1 : 0;
        all.push({
          id: `demo-pass-${all.length + 1}`,
          at: Math.round(at),
          day: dayOf(at),
          study: 'demo-weathervane',
          studyName: 'Weathervane, F♯ Dorian',
          shape: `box/${box}`,
          what: `box ${box} of F♯ Dorian`,
          order: 'from-root',
          rhythm: 'triplets',
          tempo,
          goal: GOAL,
          verdict: how === 'c' ? 'clean' : 'miss',
          reached: held === TO_HOLD,
          seconds,
          by: 'player',
        });
      }
    }
  }
  return all;
}
