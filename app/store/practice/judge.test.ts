import fc from 'fast-check';
import { PassJudge, verdictsOf, type NoteAsked, type PassBegins } from './judge';

/** Four eighths and a half note, at 120 to the minute: a pass of 2 s whose last note begins at 1 s. */
const LINE: NoteAsked[] = [60, 62, 64, 65, 67].map((midi, k) => ({ midi, beat: k / 2 }));
const begins = (pass: number, atMs = (pass - 1) * 2000): PassBegins => ({ pass, atMs, msPerBeat: 500, beats: 4 });
const LIMITS = { lateMs: 60 };
const play = (judge: PassJudge, atMs: number, off = 0): void =>
  LINE.forEach((n) => judge.note({ midi: n.midi, atMs: atMs + n.beat * 500 + off }));

describe('passes judged while they run', () => {
  it('as soon as the last note can no longer come, before the next pass begins; once', () => {
    const judge = new PassJudge(LINE, LIMITS);
    judge.begins(begins(1));
    play(judge, 0, 10);
    expect(judge.due(1000)).toEqual([]);
    expect(judge.due(1369)).toEqual([]);
    const [one] = judge.due(1370);
    expect(one).toMatchObject({ pass: 1, heard: 5, score: { clean: true, extra: [] } });
    expect(judge.due(5000)).toEqual([]);
  });
  it('a note that comes early for the next pass is the next one’s, not too much in this one', () => {
    const judge = new PassJudge(LINE, LIMITS);
    judge.begins(begins(1));
    play(judge, 0);
    judge.begins(begins(2));
    play(judge, 2000, -50);
    const passes = judge.due(9000);
    expect(passes.map((p) => [p.score.clean, p.score.extra.length, p.score.notes[0]!.offMs])).toEqual([
      [true, 0, 0],
      [true, 0, -50],
    ]);
  });
  it('what is played in the count-in is not judged; the first note may come early', () => {
    const judge = new PassJudge(LINE, LIMITS);
    judge.note({ midi: 60, atMs: -900 });
    judge.note({ midi: 60, atMs: -40 });
    LINE.slice(1).forEach((n) => judge.note({ midi: n.midi, atMs: n.beat * 500 }));
    judge.begins(begins(1));
    expect(judge.due(1400)[0]!.score).toMatchObject({ clean: true, extra: [] });
  });
  it('another tempo from a seam on: each pass by its own', () => {
    const judge = new PassJudge(LINE, LIMITS);
    judge.begins(begins(1));
    play(judge, 0);
    judge.begins({ pass: 2, atMs: 2000, msPerBeat: 400, beats: 4 });
    LINE.forEach((n) => judge.note({ midi: n.midi, atMs: 2000 + n.beat * 400 }));
    expect(judge.due(9000).map((p) => p.score.clean)).toEqual([true, true]);
  });
  it('nothing heard at all is told as that: all missed, none heard', () => {
    const judge = new PassJudge(LINE, LIMITS);
    judge.begins(begins(1));
    const [pass] = judge.due(2000);
    expect([pass!.heard, pass!.score.notes.every((n) => n.verdict === 'missed')]).toEqual([0, true]);
  });
  it('a line without notes is never judged', () => {
    const judge = new PassJudge([], LIMITS);
    judge.begins(begins(1));
    judge.note({ midi: 60, atMs: 0 });
    expect(judge.due(99_999)).toEqual([]);
  });
  it('whatever is played, each heard note is right, wrong or too much in one pass and no other', () => {
    const heard = fc.array(fc.record({ midi: fc.integer({ min: 58, max: 69 }), atMs: fc.integer({ min: -150, max: 5740 }) }), {
      maxLength: 40,
    });
    fc.assert(
      fc.property(heard, (notes) => {
        const judge = new PassJudge(LINE, LIMITS);
        [1, 2, 3].forEach((p) => judge.begins(begins(p)));
        notes.forEach((n) => judge.note(n));
        const passes = judge.due(99_999);
        const counted = passes.reduce(
          (sum, p) => sum + p.score.extra.length + p.score.notes.filter((n) => n.verdict !== 'missed').length,
          0,
        );
        const within = notes.filter((n) => n.atMs < 6000 - 150).length;
        expect(counted).toBe(within);
        expect(verdictsOf(passes).map((v) => v.length)).toEqual([5, 5, 5]);
      }),
    );
  });
});
