import { useEffect, useMemo, useRef, useState } from 'react';
import { glyphs, type Instrument, type Stroke } from '../../core';
import { useWidth } from '../neck/useWidth';
import { TabStaff } from '../tab/TabStaff';
import { COLUMN, columnWidth, systemOf, tabGeometry, type TabColumn } from '../tab/layout';
import { later } from '../ui/later';
import { STUDY } from '../words/views/study';

interface Props {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly title: string;
  readonly instrument: Instrument;
  readonly columns: TabColumn[];
  readonly strokes?: Stroke[];
  readonly words: string[];
  readonly sounding: number;
}

const Stand = later(async () => (await import('./Stand')).Stand, { spare: true });

/** Columns at which bars begin; a line without bars has one every eight notes. */
const barsOf = (columns: readonly TabColumn[]): number[] =>
  columns.some((c) => c.bar)
    ? [...new Set([0, ...columns.flatMap((c, k) => (c.bar ? [k] : []))])]
    : columns.flatMap((_, k) => (k % 8 ? [] : [k]));

/** A line as tab, large enough for the music stand, turned bar by bar. */
export function TabStand(props: Props) {
  const { open, onClose, title, columns } = props;
  const [bar, setBar] = useState(0);
  const bars = useMemo(() => barsOf(columns), [columns]);
  const at = Math.min(bar, bars.length - 1);
  const turn = (by: 1 | -1) => () => setBar(Math.max(0, Math.min(bars.length - 1, at + by)));
  return (
    <Stand
      open={open}
      onClose={onClose}
      title={glyphs(title)}
      before={at > 0 ? `bar ${at}` : ''}
      after={at < bars.length - 1 ? `bar ${at + 2}` : ''}
      onBefore={turn(-1)}
      onAfter={turn(1)}
    >
      <Page {...props} from={bars[at] ?? 0} to={(bars[at + 1] ?? columns.length) - 1} />
    </Stand>
  );
}

const FEWEST = 8;
const [SMALL, LARGE] = [1.4, 3];

function Page({ instrument, columns, strokes, words, sounding, from, to }: Props & { readonly from: number; readonly to: number }) {
  const holder = useRef<HTMLDivElement>(null);
  const width = useWidth(holder);
  const scale = Math.max(SMALL, Math.min(LARGE, width / ((FEWEST + 1) * COLUMN)));
  const g = useMemo(
    () => tabGeometry(columns.length, instrument.strings.length, width / scale, columnWidth(columns)),
    [columns, instrument, width, scale],
  );
  const seen = sounding >= 0 ? sounding : from;
  useEffect(() => {
    const s = columns.length ? systemOf(g, seen) : null;
    if (s) holder.current?.scrollTo({ top: s.top * scale });
  }, [g, seen, scale, columns.length]);
  return (
    <div ref={holder} className="h-full overflow-y-auto" tabIndex={0} role="group" aria-label={STUDY.tab}>
      {width > 0 && (
        <TabStaff
          g={g}
          scale={scale}
          instrument={instrument}
          columns={columns}
          strokes={strokes}
          words={words}
          label={STUDY.notesOfTheLine}
          chosen={-1}
          range={{ from, to }}
          sounding={sounding}
          onChoose={() => undefined}
        />
      )}
    </div>
  );
}
