import { useMemo } from 'react';
import type { StudyBody } from '../../../contract';
import { degreeOfNote, isScale, modeColour, parseChord, toneName, type ScaleRef } from '../../../core';
import { useAppDispatch } from '../../store';
import { edited } from '../../store/editor';
import { Button } from '../../ui/Button';
import { Panel } from '../../ui/Panels';
import { Signs } from '../../letters/Signs';
import { HARMONY } from '../../words/views/harmony';

interface Props {
  readonly body: StudyBody;
  readonly symbol: string;
}

/** The tones of the chord, counted from its root and from the mode's tonic, and the chord that shows the mode. */
export function ChordCard({ body, symbol }: Props) {
  return (
    <Panel title={`${HARMONY.thisChord}: ${symbol}`}>
      <Tones scale={body.scale} symbol={symbol} />
      <h3 className="mt-3 mb-1 text-[0.84375rem] font-semibold">{HARMONY.colour}</h3>
      <Colour scale={body.scale} />
    </Panel>
  );
}

function Tones({ scale, symbol }: { readonly scale: ScaleRef; readonly symbol: string }) {
  const { tones } = parseChord(symbol);
  const rows = [
    { head: HARMONY.note, cells: tones.map((t) => t.note) },
    { head: HARMONY.ofChord, cells: tones.map(toneName) },
    { head: HARMONY.ofMode, cells: tones.map((t) => degreeOfNote(scale.tonic, t.note)) },
  ];
  return (
    <div className="overflow-x-auto">
      <table className="num w-full text-left text-[0.84375rem]">
        <tbody>
          {rows.map(({ head, cells }) => (
            <tr key={head} className="border-b border-line last:border-0">
              <th scope="row" className="py-1 pr-3 font-normal whitespace-nowrap text-soft">
                {head}
              </th>
              {cells.map((c, k) => (
                <td key={k} className="px-2 py-1 font-semibold">
                  <Signs>{c}</Signs>
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** The chord that shows the mode, and those that betray it. */
function Colour({ scale }: { readonly scale: ScaleRef }) {
  const dispatch = useAppDispatch();
  const colour = useMemo(() => (isScale(scale.scale) ? modeColour(scale) : null), [scale]);
  const take = (chord: string) => () => void dispatch(edited({ chord }));
  if (!colour) return <p className="text-[0.84375rem] text-soft">{HARMONY.noColour}</p>;
  return (
    <>
      <p className="text-[0.84375rem]">
        <Signs>{HARMONY.shows(colour.symbol, colour.why)}</Signs>
      </p>
      <div className="mt-2 flex flex-wrap gap-2">
        <Button onClick={take(colour.symbol)}>
          <span>
            <Signs>{HARMONY.take(colour.symbol)}</Signs>
          </span>
        </Button>
      </div>
      {colour.betray.length > 0 && (
        <>
          <h3 className="mt-3 mb-1 text-[0.84375rem] font-semibold">{HARMONY.betray}</h3>
          <ul className="text-[0.84375rem]">
            {colour.betray.map((b) => (
              <li key={b.symbol}>
                <button type="button" className="tap cursor-pointer font-semibold text-feather underline" onClick={take(b.symbol)}>
                  <Signs>{b.symbol}</Signs>
                </button>
                <Signs>{`: ${b.why}`}</Signs>
              </li>
            ))}
          </ul>
        </>
      )}
    </>
  );
}
