import { useMemo, useRef, type ReactNode } from 'react';
import { useMarkScale } from '../neck/useNeckGeometry';
import { likelyWidth, useWidth } from '../neck/useWidth';
import { TabStaff, type TabStaffProps } from '../tab/TabStaff';
import { columnWidth, tabGeometry } from '../tab/layout';
import { STUDY } from '../words/views/study';
import { TabStand } from './TabStand';

interface Props extends Omit<TabStaffProps, 'g' | 'scale'> {
  /** What the line is called on the music stand. */
  readonly title: string;
  /** Beside the heading, small. */
  readonly about: ReactNode;
  readonly standing: boolean;
  readonly onStand: () => void;
  /** Over the tab, as wide as it. */
  readonly above?: (width: number) => ReactNode;
  /** Under it, where there is something to say. */
  readonly children?: ReactNode;
}

/** In its card, with what SplitBelow puts beside it. */
const likely = (): number => likelyWidth(34, 22.75);

/** A line as tab on a view of its own, and the same across the whole screen on the music stand. */
export function LineTab({
  title,
  about,
  instrument,
  columns,
  strokes,
  words,
  sounding,
  standing,
  onStand,
  above,
  children,
  ...rest
}: Props) {
  const holder = useRef<HTMLDivElement>(null);
  const width = useWidth(holder, likely);
  const scale = useMarkScale();
  const strings = instrument.strings.length;
  const g = useMemo(() => tabGeometry(columns.length, strings, width / scale, columnWidth(columns)), [columns, strings, width, scale]);
  const line = { instrument, columns, strokes, words, sounding };
  return (
    <section className="min-w-0 rounded-[10px] border border-line bg-sheet p-4">
      <h2 className="mb-2 text-[0.875rem] font-semibold">
        {STUDY.asTab} <span className="num ml-2 font-text text-xs font-normal text-soft">{about}</span>
      </h2>
      <div ref={holder} className="overflow-x-auto">
        {width > 0 && above?.(width)}
        {width > 0 && <TabStaff g={g} scale={scale} {...line} {...rest} />}
      </div>
      <TabStand open={standing && columns.length > 0} onClose={onStand} title={title} {...line} />
      {children}
    </section>
  );
}
