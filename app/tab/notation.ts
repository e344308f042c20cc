import { Accidental, Formatter, Renderer, Stave, StaveNote, Voice, VexFlow, Beam } from 'vexflow/core';
import type { PitchName } from '../../core';
import bravuraUrl from '@vexflow-fonts/bravura/bravura.woff2?url';

let font: Promise<void> | null = null;

/** The music font ships with the application and loads when a staff is first drawn. */
async function loadFont(): Promise<void> {
  const face = new FontFace('Bravura', `url(${bravuraUrl})`);
  document.fonts.add(await face.load());
  VexFlow.setFonts('Bravura');
}

const HEIGHT = 150;
/** Room above the staff for ledger lines. */
const ABOVE = 22;
const NOTE_PX = 36;
const CLEF_PX = 66;

/** A guitar is written an octave above its sound. */
function noteOf(pitch: PitchName): StaveNote {
  const [, name, octave] = /^([A-G][#b]*)(-?\d+)$/.exec(pitch)!;
  const note = new StaveNote({ keys: [`${name!.toLowerCase()}/${Number(octave) + 1}`], duration: '8', autoStem: true });
  if (name!.length > 1) note.addModifier(new Accidental(name!.slice(1)), 0);
  return note;
}

/** Draws a line as eighth notes into an element, broken to its width. The clef says that it sounds an octave lower. */
export async function drawStaff(into: HTMLElement, pitches: PitchName[], width: number, ink: string): Promise<void> {
  font ??= loadFont();
  await font;
  into.replaceChildren();
  const fit = Math.max(4, Math.floor((width - CLEF_PX - 12) / NOTE_PX));
  const rows = Math.max(1, Math.ceil(pitches.length / fit));
  const renderer = new Renderer(into as HTMLDivElement, Renderer.Backends.SVG);
  renderer.resize(width, rows * HEIGHT);
  const context = renderer.getContext();
  context.setFillStyle(ink);
  context.setStrokeStyle(ink);
  for (let row = 0; row < rows; row++) {
    const line = pitches.slice(row * fit, (row + 1) * fit).map(noteOf);
    const stave = new Stave(0, row * HEIGHT + ABOVE - 18, CLEF_PX + line.length * NOTE_PX + 8);
    stave.addClef('treble', 'default', '8vb').setContext(context).draw();
    const voice = new Voice({ numBeats: line.length, beatValue: 8 }).setStrict(false).addTickables(line);
    const beams = Beam.generateBeams(line);
    const style = { fillStyle: ink, strokeStyle: ink };
    line.forEach((n) =>
      n
        .setStyle(style)
        .setStemStyle(style)
        .setLedgerLineStyle({ ...style, lineWidth: 1.4 }),
    );
    beams.forEach((b) => b.setStyle(style));
    new Formatter().joinVoices([voice]).format([voice], line.length * NOTE_PX - 16);
    voice.draw(context, stave);
    beams.forEach((b) => b.setContext(context).draw());
  }
}
