import type { KeptGrip, KeptRoute, Lick, StudyBody } from '../../contract';
import {
  defaultSchool,
  fingerLick,
  holdGrip,
  isOnNeck,
  openMidis,
  pickStrokes,
  toneInChord,
  type Instrument,
  type Place,
  type Stroke,
} from '../../core';
import type { LineOut } from '../../formats/lines';
import type { Paper, Turn } from '../../formats/sheet/drawing';
import type { DrawnGrip } from '../../formats/sheet/grip';
import type { SheetRequest } from '../../formats/sheet/sheet';
import type { TabSheetRequest } from '../../formats/sheet/tab';
import { notesOfRoute, type RouteLine } from '../store/route-lick';
import { readingsOf } from '../words/grip-text';
import { layoutWords } from '../words/layout-text';

/** What of a study goes on paper and into files, as the writers take it. */

/** A line as files and paper take it: a lick, or a route in eighths. */
export type ExportLine = Omit<TabSheetRequest, 'school' | 'hand' | 'paper' | 'turn'>;

/** How shapes are put on paper, whatever the study. */
export type SheetChoice = Pick<SheetRequest, 'copies' | 'paper' | 'turn' | 'ink' | 'what' | 'shapeId'>;

export const sheetOf = (body: StudyBody, choice: SheetChoice): SheetRequest => ({
  instrument: body.instrument,
  scale: body.scale,
  layout: body.layout,
  layoutWords: layoutWords(body.layout),
  school: body.school,
  hand: body.hand,
  labels: body.labels,
  over: body.over,
  ...choice,
});

/** A line on paper: its neck, its tab and its fingers. */
export const tabSheetOf = (body: StudyBody, line: ExportLine, paper: Paper, turn: Turn): TabSheetRequest => ({
  ...line,
  school: body.school ?? defaultSchool(body.layout),
  hand: body.hand,
  paper,
  turn,
});

/** A route as files and paper take it: eighths in bars of four. */
export const lineOfRoute = (line: RouteLine, tempo: number): ExportLine => ({ ...line, notes: notesOfRoute(line), tempo, meter: [4, 4] });

/** A kept route, on the neck and in the scale that it was kept on. */
export const lineOfKept = (r: KeptRoute, tempo: number): ExportLine => lineOfRoute({ ...r, instrument: r.on.instrument, scale: r.on.scale }, tempo); // prettier-ignore

/** A lick, on its own neck and in the scale that it stayed in, where it has them. */
export const lineOfLick = (body: StudyBody, l: Lick): ExportLine => ({ ...l, instrument: l.instrument ?? body.instrument, scale: l.stayed ?? body.scale }); // prettier-ignore

/** Pick strokes of each note, down and up by turns; rests, ties and joined notes have none. */
function strokesOf(body: StudyBody, { instrument, notes }: ExportLine): (Stroke | null)[] {
  const steps = fingerLick(instrument, notes, { school: body.school ?? defaultSchool(body.layout), hand: body.hand });
  const struck = steps.filter((s) => s !== null);
  const strokes = pickStrokes(instrument, struck, body.connection?.picking ?? 'alternate');
  let k = 0;
  return steps.map((s, at) => {
    if (!s) return null;
    const stroke = strokes[k++]!;
    return notes[at]!.join ? null : stroke;
  });
}

/** A line as every format takes it, with its picking. */
export const lineOut = (body: StudyBody, line: ExportLine, channelPerString: boolean): LineOut => ({
  ...tabSheetOf(body, line, 'a4', 'portrait'),
  strokes: strokesOf(body, line),
  channelPerString,
});

/** What each place is in a chord, as it stands under a grip. */
export function degreesUnder(i: Instrument, symbol: string, places: readonly Place[]): string[] {
  const open = openMidis(i);
  return places.map((p) => toneInChord(symbol, open[p.string - 1]! + p.fret) ?? '');
}

/** A kept grip as it is drawn: with fingers where a hand can hold it on this neck. */
export function drawnGrip(body: StudyBody, kept: KeptGrip): DrawnGrip | null {
  const { instrument, hand, scale } = body;
  if (!kept.places.every((p) => isOnNeck(instrument, p))) return null;
  const held = holdGrip(instrument, kept.places, hand);
  const symbol = readingsOf(instrument, kept.places, scale)[0]!.symbol;
  return {
    title: kept.name,
    places: kept.places,
    fingers: 'why' in held ? kept.places.map(() => 0) : held.fingers,
    degrees: degreesUnder(instrument, symbol, kept.places),
    ...('barre' in held && held.barre ? { barre: held.barre } : {}),
  };
}
