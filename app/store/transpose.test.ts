import fc from 'fast-check';
import { anyLick } from '../../tests/support/licks';
import { DEMO } from '../../demo';
import { problemsOf, studySchema, type Lick, type StudyBody, type StudyMove, type MovePreview } from '../../contract';
import { layOut, lickPitches, parseTuning, placeKey, planRoute, scaleNotes, type Instrument, type Layout, type Place } from '../../core';
import { leftWords, previewWords, stringChanges } from '../words/transpose-text';
import { freshLick } from './licks';
import { movedStudy, type Moved } from './transpose';
import { asLick, linesOf, previewLine, previewShape, rootStrings } from './transpose-preview';
import { usualConnection } from './question';

const demo = DEMO.studies[0]!.body;
const tuned = (low: string): Instrument => ({ ...demo.instrument, strings: parseTuning(low).map((open) => ({ open })) });
const SEVEN = DEMO.studies[1]!.body.instrument;
const shapesOf = (b: StudyBody) => layOut(b.instrument, b.scale, b.layout);
const shapes = shapesOf(demo);
const asked = usualConnection(shapes, 0);
const [route] = planRoute(demo.instrument, demo.scale, {
  from: { string: 6, fret: 2 },
  to: { string: 1, fret: 9 },
  motion: 'run',
  within: { fromFret: 2, toFret: 22 },
  school: 'finger-per-fret',
});
const body: StudyBody = {
  ...demo,
  chord: 'B7',
  over: { tonic: 'F#', scale: 'mixolydian' },
  routes: [
    {
      id: 'up',
      name: 'Up',
      asked,
      steps: route!.steps,
      strokes: route!.steps.map(() => 'down' as const),
      on: { instrument: demo.instrument, scale: demo.scale, layout: demo.layout, school: null, hand: { size: 'medium' } },
    },
  ],
};
const pitches = (b: StudyBody, lick: Lick): number[] => lickPitches(lick.instrument ?? b.instrument, lick.notes);

const MOVES: [string, StudyMove][] = [
  ['a key up', { kind: 'key', by: 3 }],
  ['a key down, folded', { kind: 'key', by: 9 }],
  ['a parallel mode', { kind: 'mode', how: 'parallel', scale: { tonic: 'F#', scale: 'mixolydian' } }],
  ['a relative mode', { kind: 'mode', how: 'relative', scale: { tonic: 'A', scale: 'lydian' } }],
  ['a tuning, sound kept', { kind: 'tuning', instrument: tuned('D2 A2 D3 G3 B3 E4'), keep: 'sound' }],
  ['a tuning, shape kept', { kind: 'tuning', instrument: tuned('D2 G2 C3 F3 A3 D4'), keep: 'shape' }],
  ['seven strings, laid out afresh', { kind: 'tuning', instrument: SEVEN, keep: 'layout' }],
];

const preview = (b: StudyBody, move: StudyMove, rung = 0): MovePreview =>
  previewShape(b, shapesOf(b), rung, move, movedStudy(b, shapesOf(b), rung, move));
const words = (m: Moved): string => m.left.map(leftWords).join(' ');
const keys = (places: readonly Place[]): string[] => [...new Set(places.map(placeKey))].sort();

describe('the whole study moved', () => {
  it.each(MOVES)('to %s is a study that the server takes, and nothing stays behind', (_, move) => {
    const { study, left } = movedStudy(body, shapes, 0, move);
    expect(problemsOf(studySchema, study)).toEqual([]);
    expect(left).toEqual([]);
  });
  it('in key: scale, second scale, chord, rung, licks, routes and settled fingers go together', () => {
    const pinned = { ...body, pins: [{ string: 4, fret: 4, finger: 3, shape: { kind: 'box' as const, number: 1, lowFret: 2 } }] };
    const { study } = movedStudy(pinned, shapes, 0, { kind: 'key', by: 3 });
    expect(study).toMatchObject({ scale: { tonic: 'A' }, over: { tonic: 'A' }, chord: 'D7', rung: { number: 1, fret: 5 } });
    expect(study.pins).toEqual([{ string: 4, fret: 7, finger: 3, shape: { kind: 'box', number: 1, lowFret: 5 } }]);
    expect(pitches(study, study.licks[0]!)).toEqual(pitches(body, body.licks[0]!).map((m) => m + 3));
    const [moved] = study.routes;
    expect(moved!.steps).toEqual(route!.steps.map((s) => ({ ...s, fret: s.fret + 3, handFret: s.handFret + 3 })));
    expect([moved!.strokes, moved!.on.scale.tonic]).toEqual([body.routes[0]!.strokes, 'A']);
  });
  it('there and back is where it was', () => {
    const there = movedStudy(body, shapes, 0, { kind: 'key', by: 3 }).study;
    const back = movedStudy(there, shapesOf(there), 0, { kind: 'key', by: -3 }).study;
    expect([back.scale, back.licks, back.rung, back.routes]).toEqual([body.scale, body.licks, body.rung, body.routes]);
  });
  it('in mode, parallel: every changed degree of a lick follows; relative: no note moves', () => {
    const to = { tonic: 'F#', scale: 'mixolydian' };
    const parallel = movedStudy(body, shapes, 0, { kind: 'mode', how: 'parallel', scale: to }).study;
    const inScale = new Set(scaleNotes(to).map((x) => (x.semitones + 6) % 12));
    expect(pitches(parallel, parallel.licks[0]!).every((m) => inScale.has(m % 12))).toBe(true);
    const relative = movedStudy(body, shapes, 0, { kind: 'mode', how: 'relative', scale: { tonic: 'A', scale: 'lydian' } }).study;
    expect(relative.licks).toEqual(body.licks);
    expect(relative.routes[0]!.steps).toEqual(body.routes[0]!.steps);
  });
  it('in tuning: what does not fit is said before, stays as it was and is marked', () => {
    const high = { ...tuned('E3 A3 D4 G4 B4 E5'), frets: 12 };
    const moved = movedStudy(body, shapes, 0, { kind: 'tuning', instrument: high, keep: 'sound' });
    expect(words(moved)).toContain('The route “Up” does not fit there. It stays as it is, and says so.');
    expect(moved.study.routes).toEqual(body.routes);
    expect(problemsOf(studySchema, moved.study)).toEqual([]);
    const small = { ...body, licks: [{ ...freshLick(body, 'Low'), notes: [{ place: { string: 6, fret: 0 }, ticks: 480 }] }] };
    const low = movedStudy(small, shapes, 0, { kind: 'tuning', instrument: high, keep: 'sound' });
    expect(words(low)).toContain('The lick “Low” does not fit there. It stays as it is, and says so.');
    expect(low.study.licks[0]).toMatchObject({ notes: small.licks[0]!.notes, instrument: body.instrument });
  });
  it('in key: a lick that fits nowhere stays in its scale and says which', () => {
    const wide = { ...freshLick(body, 'Wide'), notes: [0, 22].map((fret) => ({ place: { string: fret ? 1 : 6, fret }, ticks: 480 })) };
    const { study, left } = movedStudy({ ...body, licks: [wide] }, shapes, 0, { kind: 'key', by: 3 });
    expect(left).toMatchObject([{ kind: 'lick', name: 'Wide' }]);
    expect(study.licks[0]).toEqual({ ...wide, stayed: body.scale });
  });
  it('a route below a new capo stops nothing', () => {
    const capo = { ...body.instrument, capo: 5 };
    for (const keep of ['sound', 'shape', 'layout'] as const) {
      const moved = movedStudy(body, shapes, 0, { kind: 'tuning', instrument: capo, keep });
      expect(problemsOf(studySchema, moved.study)).toEqual([]);
    }
    const under = { ...body, instrument: capo };
    expect(() => MOVES.map(([, move]) => movedStudy(under, shapesOf(under), 0, move))).not.toThrow();
    expect(linesOf(under).map((l) => l.name)).toContain('Up');
  });
  it('any lick: sound kept keeps every pitch, shape kept keeps every fret', () => {
    const to = tuned('C2 G2 C3 F3 A3 D4');
    fc.assert(
      fc.property(anyLick(body.instrument), (notes) => {
        const one = { ...body, routes: [], licks: [{ ...freshLick(body, 'Any'), notes }] };
        const [sound, shape] = (['sound', 'shape'] as const).map((keep) =>
          movedStudy(one, shapes, 0, { kind: 'tuning', instrument: to, keep }),
        );
        const [lick] = sound!.study.licks;
        if (!sound!.left.length) expect(lickPitches(to, lick!.notes)).toEqual(lickPitches(body.instrument, notes));
        expect(shape!.study.licks[0]!.notes).toEqual(notes);
      }),
      { numRuns: 40 },
    );
  });
  it('a marked chord goes along, spelled in the new key', () => {
    expect(movedStudy({ ...body, chord: 'B9/D#' }, shapes, 0, { kind: 'key', by: 3 }).study.chord).toBe('D9/F#');
    expect(movedStudy({ ...body, chord: null }, shapes, 0, { kind: 'key', by: 3 }).study.chord).toBeNull();
  });
});

describe('before and after', () => {
  it('what is shown is what is committed: every layout, rung and move', () => {
    const layouts: Layout[] = [
      demo.layout,
      { kind: 'per-string', notes: 3 },
      { kind: 'window' },
      { kind: 'diagonal', root: { string: 6, fret: 2 } },
    ];
    const necks = ['D2 A2 D3 G3 B3 E4', 'D2 A2 D3 F#3 A3 D4', 'E2 A2 D3 G3 C4 F4', 'B1 E2 A2 D3 G3 B3 E4', 'E1 A1 D2 G2'].map(tuned);
    const moves: StudyMove[] = [
      ...[-5, -1, 2, 7].map((by): StudyMove => ({ kind: 'key', by })),
      ...necks.flatMap((instrument) =>
        (['sound', 'shape', 'layout'] as const).map((keep): StudyMove => ({ kind: 'tuning', instrument, keep })),
      ),
      MOVES[2]![1],
      MOVES[3]![1],
    ];
    let shown = 0;
    for (const layout of layouts) {
      const b = { ...body, layout };
      const laid = shapesOf(b);
      for (const rung of [0, Math.floor(laid.length / 2)])
        for (const move of moves) {
          const moved = movedStudy(b, laid, rung, move);
          const { after } = previewShape(b, laid, rung, move, moved);
          expect(problemsOf(studySchema, moved.study)).toEqual([]);
          if (!after) continue;
          shown++;
          // Opened afresh, as the Map opens it: the chosen rung is what the card showed.
          const again = shapesOf(moved.study);
          const cost = (s: (typeof again)[number]): number =>
            Math.abs(s.handFret - moved.study.rung.fret) + (s.number === moved.study.rung.number ? 0 : 1000);
          const chosen = again.reduce((a, s) => (cost(s) < cost(a) ? s : a));
          expect(keys(after.places)).toEqual(keys(chosen.notes));
          if (move.kind === 'tuning' && move.keep === 'sound' && !moved.left.length) expect(after.places.length).toBeGreaterThan(0);
        }
    }
    expect(shown).toBeGreaterThan(150);
  });
  it('in key: string by string, the same frets along', () => {
    const move: StudyMove = { kind: 'key', by: 3 };
    const p = preview(body, move);
    expect(stringChanges(p).map((c) => c.says)).toEqual(Array.from({ length: 6 }, () => 'up three frets'));
    expect(previewWords(move, p)).toBe('F# Dorian becomes A Dorian: every note up three frets.');
  });
  it('on another root string: the rung whose lowest root is there', () => {
    expect(rootStrings(shapes)).toEqual([6, 5, 4]);
    expect(preview(body, { kind: 'root', string: 5 }).after?.places).toContainEqual({ string: 5, fret: 9 });
    expect(preview(body, { kind: 'root', string: 1 }).after).toBeNull();
  });
  it('in tuning, sound kept: the same pitches at new frets, and the notes that cease to exist', () => {
    const up = preview(body, { kind: 'tuning', instrument: tuned('G2 C3 F3 Bb3 D4 G4'), keep: 'sound' });
    expect(up.gone).toEqual([{ string: 6, fret: 2 }]);
    const drop = tuned('D2 A2 D3 G3 B3 E4');
    const kept = preview(body, { kind: 'tuning', instrument: drop, keep: 'sound' });
    const sounds = (i: Instrument, places: readonly Place[]): number[] =>
      lickPitches(
        i,
        places.map((place) => ({ place, ticks: 1 })),
      ).sort((a, b) => a - b);
    expect(sounds(drop, kept.after?.places ?? [])).toEqual(sounds(body.instrument, kept.before.places));
  });
  it('in tuning, shape kept: the same frets, and the scale they have become', () => {
    const down = preview(body, { kind: 'tuning', instrument: tuned('D2 G2 C3 F3 A3 D4'), keep: 'shape' });
    expect([down.became, keys(down.after?.places ?? [])]).toEqual([{ tonic: 'E', scale: 'dorian' }, keys(down.before.places)]);
    const odd: StudyMove = { kind: 'tuning', instrument: tuned('C2 A2 D3 F#3 B3 D4'), keep: 'shape' };
    const p = preview(body, odd);
    expect(previewWords(odd, p)).toContain('make no scale with a name');
    expect(keys(p.after?.places ?? [])).toEqual(keys(p.before.places));
  });
  it('in tuning, laid out afresh: every string is used', () => {
    const more = preview(body, { kind: 'tuning', instrument: SEVEN, keep: 'layout' });
    expect(new Set(more.after?.places.map((p) => p.string))).toEqual(new Set([1, 2, 3, 4, 5, 6, 7]));
  });
  it('lines to move are the open lick and every kept route, on its own neck', () => {
    expect(linesOf(body).map((l) => [l.kind, l.name, l.places.length])).toEqual([['lick', 'Latch', 13], ['route', 'Up', route!.steps.length]]); // prettier-ignore
    const move: StudyMove = { kind: 'key', by: 2 };
    const moved = movedStudy(body, shapes, 0, move);
    const p = previewLine(body, linesOf(body)[1]!, move, moved);
    expect(p.after?.places.map((x) => x.fret)).toEqual(moved.study.routes[0]!.steps.map((s) => s.fret));
    expect(asLick(moved.study, linesOf(body)[1]!, freshLick(body, 'As lick'))?.notes).toHaveLength(route!.steps.length);
  });
  it('of a lick: read off the moved study, or what ceases where it does not fit', () => {
    const move: StudyMove = { kind: 'tuning', instrument: SEVEN, keep: 'sound' };
    const p = previewLine(body, linesOf(body)[0]!, move, movedStudy(body, shapes, 0, move));
    expect([p.after?.instrument.strings.length, p.gone]).toEqual([7, []]);
    const low = { ...body, licks: [{ ...freshLick(body, 'Low'), notes: [{ place: { string: 6, fret: 0 }, ticks: 480 }] }] };
    const up: StudyMove = { kind: 'tuning', instrument: tuned('G2 C3 F3 Bb3 D4 G4'), keep: 'sound' };
    const gone = previewLine(low, linesOf(low)[0]!, up, movedStudy(low, shapes, 0, up));
    expect([gone.after, gone.gone]).toEqual([null, [{ string: 6, fret: 0 }]]);
  });
});
