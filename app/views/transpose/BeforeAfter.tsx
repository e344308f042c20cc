import { useEffect, useMemo, type ReactNode } from 'react';
import { glyphs, neckNotes, type Instrument, type Place, type ScaleRef } from '../../../core';
import { Neck } from '../../neck/Neck';
import { degreeMarks } from '../../neck/path';
import { keepInSight, useNeckGeometry } from '../../neck/useNeckGeometry';
import { Panel } from '../../ui/Panels';
import { Signs } from '../../ui/Signs';
import type { Preview } from '../../store/transpose-preview';
import { scaleName } from '../../words/scale-text';
import { pitchesOf, stringChanges } from '../../words/transpose-text';
import { instrumentWords } from '../../words/tuning-text';

const GAPS = { wide: 29, close: 26 };

/** Two necks, and what changed string by string. */
export function BeforeAfter({ preview, children }: { preview: Preview; children: ReactNode }) {
  const { before, after, gone } = preview;
  const changes = useMemo(() => stringChanges(preview), [preview]);
  return (
    <div className="grid grid-cols-1 items-start gap-3 xl:grid-cols-[1fr_23rem]">
      <div className="grid min-w-0 grid-cols-1 gap-3">
        <NeckCard title="Before" {...before} gone={gone} />
        {after && <NeckCard title="After" {...after} gone={[]} />}
      </div>
      <div className="grid min-w-0 grid-cols-1 gap-3">
        <Panel title="String by string">
          <table className="num w-full text-left text-[13px]">
            <thead>
              <tr className="text-xs text-soft">
                {['String', 'Before', 'After', 'What changed'].map((h) => (
                  <th key={h} scope="col" className="pr-3 font-normal">
                    {h}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {changes.map((c) => (
                <tr key={c.string} className="border-t border-line/70">
                  <th scope="row" className="py-1 pr-3 font-normal whitespace-nowrap">
                    <b className="font-semibold">{c.string}</b>{' '}
                    <span className="text-soft">
                      <Signs>{c.open}</Signs>
                    </span>
                  </th>
                  <td className="pr-3">{c.before.join(' ') || '–'}</td>
                  <td className="pr-3 font-semibold">{c.after.join(' ') || '–'}</td>
                  <td className="text-soft">{c.says}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {gone.length > 0 && (
            <p className="mt-2 text-clay">
              <Signs>{`${gone.length === 1 ? 'One note ceases' : `${gone.length} notes cease`} to exist: ${pitchesOf(before.instrument, gone)}.`}</Signs>
            </p>
          )}
        </Panel>
        {children}
      </div>
    </div>
  );
}

interface CardProps {
  title: string;
  instrument: Instrument;
  scale: ScaleRef;
  places: Place[];
  gone: Place[];
}

function NeckCard({ title, instrument, scale, places, gone }: CardProps) {
  const { holder, width, g } = useNeckGeometry(instrument, GAPS);
  const notes = useMemo(() => neckNotes(instrument, scale), [instrument, scale]);
  const marks = useMemo(() => degreeMarks(notes, places, gone), [notes, places, gone]);
  const frets = places.map((p) => p.fret);
  const [from, to] = [Math.min(...frets), Math.max(...frets)];
  useEffect(() => keepInSight(holder.current, width, g, Number.isFinite(from) ? { from, to } : null), [holder, width, g, from, to]);
  return (
    <section className="min-w-0 rounded-[10px] border border-line bg-sheet p-3">
      <h2 className="mb-1 text-[14px] font-semibold">
        {title}{' '}
        <span className="num ml-2 font-text text-xs font-normal text-soft">
          <Signs>{`${scaleName(scale)} · ${instrumentWords(instrument)}`}</Signs>
        </span>
      </h2>
      <div
        ref={holder}
        className="overflow-x-auto contain-content"
        role="group"
        aria-label={`${title}: neck`}
        tabIndex={width > 0 && width < g.width ? 0 : -1}
      >
        {width > 0 && (
          <Neck
            g={g}
            instrument={instrument}
            marks={marks}
            title={glyphs(`${title}: ${scaleName(scale)} on ${instrumentWords(instrument)}. The table has every fret.`)}
          />
        )}
      </div>
    </section>
  );
}
