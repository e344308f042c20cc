import { PLAIN_CLIMB, PLAIN_DRILL, type DrillForm, type OwnDrill } from '../../../contract';

const ready = (name: string, form: Partial<DrillForm>, climb: Partial<OwnDrill['climb']> = {}): OwnDrill => ({
  name,
  form: { ...PLAIN_DRILL, ...form },
  climb: { ...PLAIN_CLIMB, ...climb },
});

/** Drills that any study has without anybody making them. */
export const READY: readonly OwnDrill[] = [
  ready('Round from the root', {}),
  ready('Groups of four', { order: 'groups', group: 4, rhythm: 'sixteenths' }, { start: 50, goal: 84 }),
  ready('Thirds up and down', { order: 'intervals', interval: 3, rhythm: 'eighths' }),
  ready('Root between', { order: 'root-between', rhythm: 'eighths' }),
  ready('Jump and say it', { order: 'random', rhythm: 'quarters', endOnRoot: true, under: 'drone', hidden: true }, { goal: 80 }),
  ready('Chord by chord', { order: 'chord-tones', rhythm: 'triplets' }),
  ready('Octave by octave, swung', { order: 'octaves', rhythm: 'swing', endOnRoot: true }),
  ready('Top two strings', { order: 'up-down', strings: [1, 2], rhythm: 'sixteenths' }, { start: 50, goal: 84 }),
  ready('Groups of three, hammered', { order: 'groups', group: 3, articulation: 'hammered', rhythm: 'triplets' }),
  ready('All rungs, up one, down the next', { of: 'rungs', order: 'up-down', motion: 'alternate', rhythm: 'eighths' }),
];

const A_DAY = 5;

/** Five of them for a day (counted in whole days from anywhere): each day goes on where the one before ended. */
export const todaysFive = (day: number): OwnDrill[] => Array.from({ length: A_DAY }, (_, k) => READY[(((day * A_DAY + k) % READY.length) + READY.length) % READY.length]!); // prettier-ignore
