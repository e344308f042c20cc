import { Fragment, memo } from 'react';
import type { Cell, Instrument, Place, Shape } from '../../core';
import { fretNumber, glyphs } from '../../core';
import type { NeckGeometry } from './geometry';
import { DRAWING } from '../words/views/drawing';

interface Props {
  readonly shape: Shape;
  readonly instrument: Instrument;
  readonly g: NeckGeometry;
  /** A finger was pressed: why it is that one, and others for it. */
  readonly onFinger: (place: Place, button: HTMLElement) => void;
}

/** Frets, steps and fingers, each row in line with its string; for a screen reader, the neck itself. */
export const CellTable = memo(function CellTable({ shape, instrument, g, onFinger }: Props) {
  const cell = (string: number) => shape.cells.find((c) => c.string === string);
  const jog = (above: number) => shape.jogs.find((j) => j.above === above);
  return (
    <table className="num w-full self-start border-collapse" style={{ marginTop: Math.max(0, g.rows[0]! - g.gap / 2 - 20) }}>
      <caption className="sr-only">
        {glyphs(shape.label)}
        {DRAWING.stringByString}
      </caption>
      <thead>
        <tr className="h-5 text-left text-[0.75rem] text-soft">
          <th scope="col" className="font-normal lg:sr-only">
            {DRAWING.string}
          </th>
          <th scope="col" className="font-normal">
            {DRAWING.frets}
          </th>
          <th scope="col" className="font-normal">
            {DRAWING.steps}
          </th>
          <th scope="col" className="font-normal">
            {DRAWING.fingers}
          </th>
          <th scope="col" className="sr-only">
            {DRAWING.notes}
          </th>
        </tr>
      </thead>
      <tbody>
        {instrument.strings.map((s, k) => {
          const c = cell(k + 1);
          const j = jog(k + 1);
          return (
            <tr key={k} className="relative border-b border-line/70 text-sm last:border-0" style={{ height: Math.max(g.gap, 30) }}>
              <th scope="row" className="w-12 text-left font-normal text-soft lg:sr-only">
                <span aria-hidden>{`${k + 1} ${glyphs(s.open.replace(/-?\d$/, ''))}`}</span>
                <span className="sr-only">{DRAWING.string2(k + 1, glyphs(s.open))}</span>
              </th>
              <td className={`pr-3 ${fit(c?.frets.length)}`}>{c ? c.frets.map((f) => fretNumber(instrument, f)).join(' ') : '–'}</td>
              <td className={`pr-3 text-soft ${fit(c?.frets.length)}`}>{c?.steps.join(' ')}</td>
              <td className={`font-semibold text-feather ${fit(c?.frets.length)}`}>{c && <Fingers c={c} onFinger={onFinger} />}</td>
              <td className="sr-only">{notesOn(shape, k + 1)}</td>
              <td aria-hidden={!j} className="relative w-0 p-0">
                {j && (
                  <span className="absolute right-0 -bottom-[9px] z-[1] whitespace-nowrap bg-sheet pl-2 text-[0.75rem] leading-4 text-clay">
                    {DRAWING.jog(j.frets > 0 ? '+' : '−', Math.abs(j.frets), Math.abs(j.frets) === 1 ? 'fret' : 'frets')}
                  </span>
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
});

/** Each finger can be pressed. */
const Fingers = ({ c, onFinger }: { readonly c: Cell } & Pick<Props, 'onFinger'>) =>
  c.fingers.map((finger, k) => (
    <Fragment key={k}>
      {k > 0 && '-'}
      <button
        type="button"
        className="min-w-[1.1em] cursor-pointer rounded hover:bg-feather-wash"
        aria-label={DRAWING.fingerOnStringFretWhy(finger, c.string, c.frets[k]!)}
        onClick={(e) => onFinger({ string: c.string, fret: c.frets[k]! }, e.currentTarget)}
      >
        {finger}
      </button>
    </Fragment>
  ));

/** A whole string of notes wraps small; a cell of a hand stays on one line, closer where it is full. */
function fit(notes = 0): string {
  if (notes > 6) return 'text-[0.75rem] leading-[0.75rem] break-words';
  return notes > 4 ? 'whitespace-nowrap text-[0.75rem] tracking-tighter' : 'whitespace-nowrap';
}

const notesOn = (shape: Shape, string: number): string =>
  shape.notes
    .filter((n) => n.string === string)
    .map((n) => glyphs(`${n.name}, degree ${n.degree}`))
    .join('; ');
