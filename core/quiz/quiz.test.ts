import { Interval, Mode, Note, Scale } from 'tonal';
import { chordNotes, midiOf, samePlace, type Place } from '../index';
import { all, board, everywhere, ground, GROUNDS, midi, neck, placesOf, rightTexts, SIX, sorted, within } from '../../tests/support/quiz';
import { isRight, QUIZ_KINDS, QUIZ_LEVELS, readNames, ruleOfKind } from './index';
import { shiftsFrom, shiftWords } from './kinds/jog';

describe('every kind of question', () => {
  it.each(QUIZ_KINDS)('%s: asks something on every neck, the same fact never twice, and its own answer is right', (kind) => {
    for (const g of GROUNDS)
      for (const level of QUIZ_LEVELS) {
        const facts = ruleOfKind(kind).facts(g, level);
        expect(new Set(facts).size).toBe(facts.length);
        expect(facts.every((f) => f.startsWith(`${kind}/`))).toBe(true);
        for (const q of all(g, kind, level)) {
          const { answer } = q;
          if (answer.by === 'choice') {
            expect(answer.options.length).toBeGreaterThan(1);
            expect(new Set(answer.options.map((o) => o.text)).size).toBe(answer.options.length);
            answer.options.forEach((_, option) => expect(isRight(q, { option })).toBe(answer.right.includes(option)));
          }
          if (answer.by === 'places') {
            expect(answer.places.length).toBeGreaterThan(0);
            expect(isRight(q, { places: answer.need === 'any' ? answer.places.slice(0, 1) : answer.places })).toBe(true);
            expect(isRight(q, { places: [] })).toBe(false);
            const wrong = board(g).find((p) => !answer.places.some((a) => samePlace(a, p)));
            expect(isRight(q, { places: [...answer.places.slice(1), wrong ?? { string: 1, fret: 1 }] })).toBe(false);
          }
          if (answer.by === 'names') expect(isRight(q, { names: readNames(answer.names.join(' ')) ?? [] })).toBe(true);
          if (answer.by === 'line') expect(isRight(q, { midis: answer.line.map((n) => n.midi) })).toBe(true);
          expect(
            [...q.shown, ...placesOf(q)].every(
              (p) => p.string <= g.instrument.strings.length && p.fret >= 0 && p.fret <= g.instrument.frets,
            ),
          ).toBe(true);
        }
      }
  });
  it('each level asks at least what the one below asks', () => {
    for (const kind of QUIZ_KINDS) for (const g of GROUNDS) {
      const [a, b, c] = QUIZ_LEVELS.map((l) => new Set(ruleOfKind(kind).facts(g, l)));
      expect([...a!].every((f) => b!.has(f)) && [...b!].every((f) => c!.has(f))).toBe(true);
    } // prettier-ignore
  });
});

describe('answers against brute force over the neck', () => {
  it('find: every place of the note in the frets asked, and no other', () => {
    for (const [g, q] of everywhere('find')) {
      const chroma = Note.chroma(String(q.about.note));
      expect(sorted(placesOf(q))).toEqual(
        sorted(
          board(g)
            .filter(within(g, q.level))
            .filter((p) => midi(g, p) % 12 === chroma),
        ),
      );
    }
  });
  it('name, degree: as tonal names and measures the pitch', () => {
    for (const [g, q] of everywhere('name')) expect(Note.chroma(rightTexts(q)[0]!)).toBe(midi(g, q.at as Place) % 12);
    for (const [g, q] of everywhere('degree')) {
      const note = Scale.get(`${g.scale.tonic} ${String(g.scale.scale)}`).notes.find((n) => Note.chroma(n) === midi(g, q.at as Place) % 12);
      const interval = Interval.get(Interval.distance(g.scale.tonic, String(note)));
      const number = String(interval.simple).replace('-', '');
      expect(rightTexts(q)[0]!.replace(/^[b#]+/, '')).toBe(number);
      expect((midi(g, q.at as Place) - midiOf(`${g.scale.tonic}2`) + 120) % 12).toBe(((interval.semitones ?? 0) + 12) % 12);
    }
  });
  it('roots: the places of the tonic on that string', () => {
    for (const [g, q] of everywhere('roots')) {
      const asked = board(g).filter(
        (p) => p.string === q.about.string && p.fret >= g.from && p.fret <= g.to && midi(g, p) % 12 === Note.chroma(String(q.about.tonic)),
      );
      expect(sorted(placesOf(q))).toEqual(sorted(asked));
    }
  });
  it('octave: twelve half steps above; unison: the same pitch, on every other string that has it', () => {
    for (const [g, q] of everywhere('octave')) {
      const from = midi(g, { string: Number(q.about.string), fret: Number(q.about.fret) });
      expect(sorted(placesOf(q))).toEqual(sorted(board(g).filter((p) => midi(g, p) === from + 12)));
    }
    for (const [g, q] of everywhere('unison')) {
      const own = { string: Number(q.about.string), fret: Number(q.about.fret) };
      expect(sorted(placesOf(q))).toEqual(sorted(board(g).filter((p) => midi(g, p) === midi(g, own) && p.string !== own.string)));
    }
  });
  it('put: the shape on its strings without the root that is shown; next-cell: what the next string carries', () => {
    for (const [g, q] of everywhere('put')) {
      const strings = String(q.about.strings).split(', ').map(Number);
      const shape = g.shapes.find((s) => s.label === q.about.label);
      const asked = [...placesOf(q), q.shown[0]!];
      expect(sorted(asked)).toEqual(sorted((shape?.notes ?? []).filter((n) => strings.includes(n.string))));
    }
    for (const [g, q] of everywhere('next-cell')) {
      const own = g.shapes.filter((s) => s.notes.some((n) => samePlace(n, placesOf(q)[0])));
      expect(own.some((s) => sorted(s.notes.filter((n) => n.string === q.about.string)).join() === sorted(placesOf(q)).join())).toBe(true);
      const [low, shown] = [midi(g, placesOf(q)[0]!), q.shown.map((p) => midi(g, p))];
      expect(shown.every((m) => m < low + 12)).toBe(true);
    }
  });
  it('above, shared: the next shape of the layout, and what both hold', () => {
    for (const [g, q] of everywhere('above')) {
      const k = g.shapes.findIndex((s) => s.label === q.about.label);
      expect(rightTexts(q)).toEqual([g.shapes[k + 1]!.label]);
    }
    for (const [g, q] of everywhere('shared')) {
      const k = g.shapes.findIndex((s) => s.label === q.about.below);
      const both = g.shapes[k]!.notes.filter((a) => g.shapes[k + 1]!.notes.some((b) => samePlace(a, b)));
      expect(sorted(placesOf(q))).toEqual(sorted([...new Map(both.map((p) => [`${p.string}/${p.fret}`, p])).values()]));
    }
  });
  it('under: every shape that holds the grip is right, and the grip is a triad of the scale', () => {
    for (const [g, q] of everywhere('under')) {
      const holding = g.shapes.filter((s) => q.shown.every((p) => s.notes.some((n) => samePlace(n, p)))).map((s) => s.label);
      expect(new Set(rightTexts(q))).toEqual(new Set(holding));
      expect(new Set(q.shown.map((p) => p.string)).size).toBe(3);
    }
  });
  it('jog: in fourths nothing shifts; in standard tuning the two thin strings do, one fret up from a thick one', () => {
    const standard = ground();
    const fourths = ground(neck('E2 A2 D3 G3 C4 F4'));
    expect([1, 2, 3, 4, 5, 6].map((s) => shiftWords(shiftsFrom(fourths, s)))).toEqual(new Array(6).fill('none'));
    expect([6, 5, 4, 3].map((s) => shiftWords(shiftsFrom(standard, s)))).toEqual(new Array(4).fill('strings 2, 1: 1 fret up'));
    expect([2, 1].map((s) => shiftWords(shiftsFrom(standard, s)))).toEqual(new Array(2).fill('strings 6, 5, 4, 3: 1 fret down'));
    // Dropped: the thickest string a whole step down; seen from it all others sit two frets lower, and the thin ones one up of that.
    expect(shiftWords(shiftsFrom(ground(neck('D2 A2 D3 G3 B3 E4')), 6))).toBe('strings 5, 4, 3: 2 frets down; strings 2, 1: 1 fret down');
  });
  it('jog, by sounding it: a root shape of one fret pattern, moved by the shifts, sounds as it would in fourths', () => {
    for (const g of GROUNDS) for (let root = 1; root <= g.instrument.strings.length; root++) {
      const open = g.instrument.strings.map((s) => midiOf(s.open));
      const shifts = new Map(shiftsFrom(g, root).map((s) => [s.string, s.frets]));
      open.forEach((m, k) => expect(m + (shifts.get(k + 1) ?? 0)).toBe(open[root - 1]! + 5 * (root - (k + 1))));
    } // prettier-ignore
  });
  it('modes: tonal has the same notes for the one named; the change turns one into the other', () => {
    const q = all(GROUNDS[0]!, 'mode', 2);
    expect(q).toHaveLength(7);
    for (const one of q) {
      const notes = Mode.notes(String(rightTexts(one)[0]).toLowerCase(), 'F#').map(Note.chroma);
      expect(new Set(one.shown.map((p) => midi(GROUNDS[0]!, p) % 12))).toEqual(new Set(notes));
      expect(one.shown.filter((p) => p.root).every((p) => midi(GROUNDS[0]!, p) % 12 === 6)).toBe(true);
    }
    const words = Object.fromEntries(all(GROUNDS[0]!, 'change', 1).map((c) => [c.fact, rightTexts(c)[0]]));
    expect(words).toMatchObject({ 'change/dorian>aeolian': '6 → b6', 'change/dorian>mixolydian': 'b3 → 3', 'change/ionian>lydian': '4 → #4', 'change/phrygian>locrian': '5 → b5' }); // prettier-ignore
  });
  it('ear: what is heard is the mode from its tonic up and home', () => {
    for (const one of all(GROUNDS[0]!, 'ear', 2)) {
      const chromas = new Set((one.heard ?? []).map((m) => m % 12));
      expect(chromas).toEqual(new Set(Mode.notes(String(rightTexts(one)[0]).toLowerCase(), 'F#').map(Note.chroma)));
      expect([one.heard?.[0], one.heard?.at(-1)].map((m) => Number(m) % 12)).toEqual([6, 6]);
    }
  });
  it('spell, relative: as tonal spells and relates them', () => {
    for (const q of all(GROUNDS[0]!, 'spell', 3))
      expect((q.answer as { names: string[] }).names).toEqual(Scale.get(`${String(q.about.tonic)} dorian`).notes);
    for (const q of all(GROUNDS[0]!, 'relative', 3)) expect(rightTexts(q)[0]).toBe(Note.transpose(String(q.about.tonic), '3m'));
    expect(all(GROUNDS[0]!, 'relative', 1).map((q) => [q.about.tonic, rightTexts(q)[0]])).toContainEqual(['A', 'C']);
  });
  it('fingers: as the shape itself is fingered', () => {
    for (const [g, q] of everywhere('fingers')) {
      const at = q.at as Place;
      const cell = g.shapes.filter((s) => s.label === q.about.label).flatMap((s) => s.cells).find((c) => c.string === at.string && c.frets[0] === at.fret); // prettier-ignore
      expect(rightTexts(q)).toEqual([cell?.fingers.join('-')]);
    }
  });
  it('play: rises along the shape and comes back', () => {
    for (const [g, q] of everywhere('play')) {
      const line = q.answer.by === 'line' ? q.answer.line : [];
      expect(line.every((n) => n.midi === midi(g, n))).toBe(true);
      expect(q.shown[0]!.root).toBe(true);
      expect(line.length).toBeLessThanOrEqual([4, 6, 9][q.level - 1]!);
    }
  });
});

it('triads of the quiz are what the harmony calls them', () => {
  const [q] = all(ground(SIX, { tonic: 'C', scale: 'ionian' }), 'under', 1);
  const sounds = q!.shown.map((p) => midi(ground(), p) % 12).sort((a, b) => a - b);
  const triads = ['C', 'Dm', 'Em', 'F', 'G', 'Am', 'Bdim'].map((s) => chordNotes(s).map((n) => Note.chroma(n)).sort((a, b) => a - b)); // prettier-ignore
  expect(triads).toContainEqual(sounds);
});
