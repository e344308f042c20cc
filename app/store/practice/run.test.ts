import type { Climb, Standing } from '../../../core';
import { beginRun, judged, nextTempo, passBegan, rate, runEnded, type Outcome, type Run } from './run';

const CLIMB: Climb = { start: 60, goal: 72, step: 6, clean: 2, misses: 2 };
const at = (tempo: number, clean = 0, misses = 0): Standing => ({ tempo, clean, misses });

/** Plays a run along: s a seam at the tempo that was to come, c clean, m missed. Gives the log in short. */
function play(events: string, from: Standing = at(60), dry = false): { run: Run; log: string[] } {
  let run = beginRun(CLIMB, from, dry);
  const log: Outcome[] = [];
  for (const e of events) {
    const step = e === 's' ? passBegan(run, run.pass + 1, nextTempo(run), 8) : rate(run, e === 'c' ? 'clean' : 'miss');
    run = step.run;
    log.push(...step.log);
  }
  return { run, log: [...log, ...runEnded(run)].map((o) => `${o.tempo} ${o.verdict}${o.reached ? ' held' : ''}`) };
}

it('every pass that ends is logged once, rated or not; one that is broken off is not', () => {
  expect(play('s').log).toEqual([]);
  expect(play('ss').log).toEqual(['60 unrated']);
  expect(play('sss').log).toEqual(['60 unrated', '60 unrated']);
  expect(play('sscsm').log).toEqual(['60 clean', '60 miss']);
});
it('what is said counts for the pass that ended, once; said again it counts for the one that is played', () => {
  const { run, log } = play('sscm');
  expect(log).toEqual(['60 clean']);
  expect(run.early).toEqual({ rating: 'miss', by: 'player' });
  expect(play('sscms').log).toEqual(['60 clean', '60 miss']);
});
it('said before the end the tempo goes up at the seam itself', () => {
  const { run } = play('scsc');
  expect(nextTempo(run)).toBe(66);
  expect(play('scscs').run).toMatchObject({ standing: at(66), tempo: 66 });
});
it('changed one’s mind before the end: the last word counts', () => {
  expect(play('scms').log).toEqual(['60 miss']);
});
it('said after the seam it goes up at the next one; the pass between is logged and counts for neither tempo', () => {
  const { run, log } = play('sscscs');
  expect(log).toEqual(['60 clean', '60 clean', '60 unrated']);
  expect(run.standing).toEqual(at(66));
  const later = play('sscscsc');
  expect(later.log).toEqual(['60 clean', '60 clean', '60 clean']);
  expect(later.run.standing).toEqual(at(66)); // played at 60 when the player stood at 66
});
it('the goal is held once and stays the goal', () => {
  const { run, log } = play('scscscscs', at(72));
  expect(log).toEqual(['72 clean', '72 clean held', '72 clean', '72 clean']);
  expect([run.held, run.standing.tempo]).toEqual([true, 72]);
});
it('misses step down', () => {
  expect(play('smsms', at(66)).run.standing).toEqual(at(60));
});
it('minutes only: nothing is asked and nothing climbs', () => {
  const { run, log } = play('scscs', at(60), true);
  expect(log).toEqual(['60 dry', '60 dry']);
  expect(run.standing).toEqual(at(60));
});
it('half speed: logged at the tempo it was played at, and the ladder stands still', () => {
  let step = passBegan(beginRun(CLIMB, at(60), false), 1, 30, 16);
  step = passBegan(step.run, 2, 30, 16);
  step = rate(step.run, 'clean');
  expect(step.log).toMatchObject([{ tempo: 30, verdict: 'clean', seconds: 16 }]);
  expect(step.run.standing).toEqual(at(60));
});
it('nothing is rated before the first pass has begun', () => {
  const run = beginRun(CLIMB, at(60), false);
  expect(rate(run, 'clean')).toEqual({ run, log: [], moved: 0 });
});

describe('what was heard rates a pass', () => {
  /** As `play`: C and M are what was heard of the pass that is played, or of the one before it. */
  const hear = (events: [kind: 's' | 'c' | 'm' | 'heard clean' | 'heard miss', pass?: number][]): { run: Run; log: string[] } => {
    let run = beginRun(CLIMB, at(60), false);
    const log: Outcome[] = [];
    for (const [e, pass = 0] of events) {
      const step =
        e === 's' ? passBegan(run, run.pass + 1, nextTempo(run), 8)
        : e === 'c' || e === 'm' ? rate(run, e === 'c' ? 'clean' : 'miss')
        : judged(run, pass, e === 'heard clean' ? 'clean' : 'miss'); // prettier-ignore
      run = step.run;
      log.push(...step.log);
    }
    return { run, log: [...log, ...runEnded(run)].map((o) => `${o.tempo} ${o.verdict} ${o.by}`) };
  };
  it('before its end, so that the tempo moves at the seam itself; after its end, at the next', () => {
    const early = hear([['s'], ['heard clean', 1], ['s'], ['heard clean', 2], ['s']]);
    expect(early.log).toEqual(['60 clean listening', '60 clean listening']);
    expect(early.run).toMatchObject({ standing: at(66), tempo: 66 });
    const late = hear([['s'], ['s'], ['heard clean', 1], ['s'], ['heard miss', 2]]);
    expect(late.log).toEqual(['60 clean listening', '60 miss listening']);
    expect(late.run.standing).toEqual(at(60, 0, 1));
  });
  it('what the player says goes before it, whichever came first', () => {
    expect(hear([['s'], ['m'], ['heard clean', 1], ['s']]).log).toEqual(['60 miss player']);
    expect(hear([['s'], ['heard clean', 1], ['m'], ['s']]).log).toEqual(['60 miss player']);
    expect(hear([['s'], ['s'], ['c'], ['heard miss', 1]]).log).toEqual(['60 clean player']);
  });
  it('a pass that is long over, the count-in and minutes only are not rated', () => {
    expect(hear([['s'], ['s'], ['s'], ['heard clean', 1]]).log).toEqual(['60 unrated nobody', '60 unrated nobody']);
    const none = beginRun(CLIMB, at(60), false);
    expect(judged(none, 0, 'clean')).toEqual({ run: none, log: [], moved: 0 });
    const dry = passBegan(beginRun(CLIMB, at(60), true), 1, 60, 8).run;
    expect(judged(dry, 1, 'clean').run).toBe(dry);
  });
});
