import type { MovePreview } from '../../../contract';
import { useEffect, useMemo, type ReactNode } from 'react';
import { glyphs, neckNotes } from '../../../core';
import { fretX, type NeckGeometry } from '../../neck/geometry';
import { linksBetween, type Link } from '../../neck/links';
import { Legend } from '../../neck/Legend';
import { Neck } from '../../neck/Neck';
import { NeckScroll, StringNames } from '../../neck/NeckScroll';
import type { NeckMark } from '../../neck/marks';
import { degreeMarks } from '../../neck/path';
import { keepInSight, useNeckGeometry, useNeckUnder } from '../../neck/useNeckGeometry';
import { usePrefs } from '../../store/prefs';
import { Panel } from '../../ui/Panels';
import { Signs } from '../../letters/Signs';
import { scaleName } from '../../words/scale-text';
import { pitchesOf, stringChanges } from '../../words/transpose-text';
import { instrumentWords } from '../../words/tuning-text';
import { TRANSPOSE } from '../../words/views/transpose';

const GAPS = { wide: 27, close: 24, beside: 23.75 };

/** Two necks, one over the other fret by fret, what moved drawn between them, and what changed string by string. */
export function BeforeAfter({ preview, children }: { readonly preview: MovePreview; readonly children: ReactNode }) {
  return (
    <div className="grid grid-cols-1 items-start gap-3 max-sm:contents xl:grid-cols-[minmax(0,1fr)_23rem]">
      <Necks preview={preview} />
      <div className="after-tools grid min-w-0 grid-cols-1 gap-3">
        {children}
        <Changes preview={preview} />
      </div>
    </div>
  );
}

type Side = NonNullable<MovePreview['after']>;

function useSideMarks({ instrument, scale, places }: Side, gone: MovePreview['gone']): NeckMark[] {
  const naming = usePrefs();
  const notes = useMemo(() => neckNotes(instrument, scale), [instrument, scale]);
  return useMemo(() => degreeMarks(notes, places, gone, naming), [notes, places, gone, naming]);
}

const NONE: MovePreview['gone'] = [];

function Necks({ preview: { before, after, gone } }: { readonly preview: MovePreview }) {
  const then = after ?? before;
  const span = Math.max(before.instrument.frets, then.instrument.frets);
  const neck = useNeckGeometry(before.instrument, GAPS, span);
  const upper = useSideMarks(before, gone);
  const { holder, width, g } = neck;
  const below = useNeckUnder(neck, then.instrument, GAPS, span);
  const lower = useSideMarks(then, NONE);
  const links = useMemo(() => (after ? linksBetween(before, after) : []), [before, after]);
  const marks = useMemo(() => [...upper, ...(after ? lower : [])], [upper, lower, after]);
  const frets = [...before.places, ...then.places].map((p) => p.fret);
  const [from, to] = [Math.min(...frets), Math.max(...frets)];
  useEffect(() => keepInSight(holder.current, width, g, Number.isFinite(from) ? { from, to } : null), [holder, width, g, from, to]);
  return (
    <section aria-label={TRANSPOSE.beforeAndAfter} className="min-w-0 rounded-[10px] border border-line bg-sheet p-3">
      <NeckScroll neck={neck} instrument={before.instrument} label={TRANSPOSE.necksBeforeAndAfter} names={false}>
        <Card title={TRANSPOSE.before} side={before} g={g} scrolls={width < g.width} marks={upper} />
        {after ? (
          <>
            <Links links={links} before={g} after={below} />
            <Card title={TRANSPOSE.after} side={after} g={below} scrolls={width < g.width} marks={lower} />
          </>
        ) : (
          <p className="sticky left-0 p-3 text-clay">{TRANSPOSE.itHasNoPlaceThere}</p>
        )}
      </NeckScroll>
      <Legend marks={marks} />
    </section>
  );
}

const MOVED_PX = 26;

/** From which fret to which, between the necks. */
function Links({ links, before, after }: { readonly links: Link[]; readonly before: NeckGeometry; readonly after: NeckGeometry }) {
  return (
    <svg aria-hidden width={before.width} height={MOVED_PX} className="block" data-links={links.length}>
      <defs>
        <marker
          id="arrives"
          viewBox="0 0 8 8"
          refX="6"
          refY="4"
          markerWidth="7"
          markerHeight="7"
          orient="auto"
          markerUnits="userSpaceOnUse"
        >
          <path d="M0 0L8 4L0 8Z" fill="var(--brass-deep)" />
        </marker>
      </defs>
      {links.map(({ from, to, count }) => (
        <line
          key={`${from} ${to}`}
          x1={fretX(before, from)}
          x2={fretX(after, to)}
          y1={1}
          y2={MOVED_PX - 3}
          stroke="var(--brass-deep)"
          strokeWidth={1 + Math.min(2.5, count / 2)}
          markerEnd="url(#arrives)"
        />
      ))}
    </svg>
  );
}

interface CardProps {
  readonly title: string;
  readonly side: Side;
  readonly g: NeckGeometry;
  readonly scrolls: boolean;
  readonly marks: NeckMark[];
}

function Card({ title, side: { instrument, scale }, g, scrolls, marks }: CardProps) {
  return (
    <>
      <h2 className="sticky left-0 w-max text-[0.875rem] leading-5 font-semibold">
        {title}{' '}
        <span className="num ml-2 font-text text-xs font-normal text-soft">
          <Signs>{`${scaleName(scale)} · ${instrumentWords(instrument)}`}</Signs>
        </span>
      </h2>
      {scrolls && <StringNames g={g} instrument={instrument} />}
      <Neck
        g={g}
        instrument={instrument}
        marks={marks}
        title={glyphs(TRANSPOSE.onTheTableHasEvery(title, scaleName(scale), instrumentWords(instrument)))}
      />
    </>
  );
}

function Changes({ preview }: { readonly preview: MovePreview }) {
  const { before, gone } = preview;
  const changes = useMemo(() => stringChanges(preview), [preview]);
  return (
    <Panel title={TRANSPOSE.stringByString}>
      <table className="num w-full text-left text-[0.8125rem]">
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
          <Signs>
            {TRANSPOSE.toExist(gone.length === 1 ? 'One note ceases' : `${gone.length} notes cease`, pitchesOf(before.instrument, gone))}
          </Signs>
        </p>
      )}
    </Panel>
  );
}
