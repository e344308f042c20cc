import { useMemo } from 'react';
import type { StudyBody } from '../../../contract';
import { degreeOfNote, isScale, modeColour, parseChord, toneName } from '../../../core';
import { useAppDispatch } from '../../store';
import { edited } from '../../store/editor';
import { Button } from '../../ui/Button';
import { Panel } from '../../ui/Panels';
import { Signs } from '../../ui/Signs';
import { HARMONY } from '../../words/views/harmony';

/** The tones of the chord, counted from its root and from the mode's tonic, and the chord that shows the mode. */
export function ChordCard({ body, symbol }: { readonly body: StudyBody; readonly symbol: string }) {
  const dispatch = useAppDispatch();
  const { scale } = body;
  const known = isScale(scale.scale);
  const { tones } = parseChord(symbol);
  const colour = useMemo(() => (known ? modeColour(scale) : null), [known, scale]);
  const take = (chord: string) => () => void dispatch(edited({ chord }));
  return (
    <Panel title={`${HARMONY.thisChord}: ${symbol}`}>
      <div className="overflow-x-auto">
        <table className="num w-full text-left text-[0.84375rem]">
          <tbody>
            {[
              { head: HARMONY.note, cells: tones.map((t) => t.note) },
              { head: HARMONY.ofChord, cells: tones.map(toneName) },
              { head: HARMONY.ofMode, cells: tones.map((t) => degreeOfNote(scale.tonic, t.note)) },
            ].map(({ head, cells }) => (
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
      <h3 className="mt-3 mb-1 text-[0.84375rem] font-semibold">{HARMONY.colour}</h3>
      {colour ? (
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
      ) : (
        <p className="text-[0.84375rem] text-soft">{HARMONY.noColour}</p>
      )}
    </Panel>
  );
}
