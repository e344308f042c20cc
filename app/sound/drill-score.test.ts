import { countIn, drillScore, type DrillHeard } from './drill-score';

const HEARD: DrillHeard = {
  sounds: [57, 60, 62, 64].map((midi) => ({ midi, string: 3 })),
  ticks: [240, 240, 240, 240],
  loud: [true, false, true, false],
  slurred: [false, true, false, false],
  beats: 2,
  returns: [0, 2],
  under: [45],
  backing: [],
};
const at = (what: Parameters<typeof drillScore>[1], pick: (sound: string) => boolean, d = HEARD) =>
  drillScore(d, what, 'wood').events.filter((e) => pick(e.sound)).map((e) => e.beat); // prettier-ignore
const isClick = (s: string): boolean => s.startsWith('click');

it('notes where they begin, softer where they are slurred, louder where they are accented', () => {
  const notes = drillScore(HEARD, 'notes', 'wood').events.filter((e) => e.channel === 3);
  expect(notes.map((e) => e.beat)).toEqual([0, 0.5, 1, 1.5]);
  const gain = notes.map((e) => e.gain);
  expect(gain[0]! > gain[3]! && gain[3]! > gain[1]!).toBe(true);
});
it('clicks on the beats, the accented ones so; off the beat a click of its own', () => {
  expect(at('clicks', isClick)).toEqual([0, 1]);
  const off = { ...HEARD, loud: [false, true, false, true] };
  expect(at('clicks', isClick, off)).toEqual([0, 0.5, 1, 1.5]);
  expect(at('clicks', (s) => s.endsWith('accent'), off)).toEqual([0.5, 1.5]);
});
it('only what is asked for', () => {
  expect(at('notes', isClick)).toEqual([]);
  expect(at('clicks', (s) => !isClick(s))).toEqual([]);
  expect(drillScore(HEARD, 'both', 'drum').events.map((e) => e.beat)).toEqual([...drillScore(HEARD, 'both', 'drum').events.map((e) => e.beat)].sort((a, b) => a - b)); // prettier-ignore
});
it('what lies under sounds at every return until the next one', () => {
  const under = drillScore(HEARD, 'both', 'wood').events.filter((e) => e.channel === 100);
  expect(under.map((e) => [e.beat, e.beats])).toEqual([[0, 1], [1, 1]]); // prettier-ignore
});
it('the count-in is a bar, its first beat accented', () => {
  expect(countIn('glass').events.map((e) => e.sound)).toEqual(['click/glass/accent', 'click/glass/plain', 'click/glass/plain', 'click/glass/plain']); // prettier-ignore
});
