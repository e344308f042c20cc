import {
  createColumnHelper,
  flexRender,
  getCoreRowModel,
  getSortedRowModel,
  useReactTable,
  type Header,
  type Row,
  type SortingState,
} from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { FolderOpen } from 'lucide-react';
import { useMemo, useRef, useState } from 'react';
import { useAppSelector } from '../../store';
import { Button } from '../../ui/Button';
import { Signs } from '../../letters/Signs';
import { counted } from '../../words/count-text';
import { dayWords } from '../../words/date-text';
import type { Entry } from '../../words/notebook-text';
import { StudyActions } from './StudyActions';
import { isolated } from '../../words/name-text';
import { NOTEBOOK } from '../../words/views/notebook';

interface Props {
  readonly entries: Entry[];
  /** Keys of the studies and licks that are ticked. */
  readonly chosen: ReadonlySet<string>;
  readonly onChosen: (chosen: ReadonlySet<string>) => void;
  readonly onOpen: (entry: Entry) => void;
  readonly onDelete: (study: { readonly id: string; readonly name: string }) => void;
  readonly onProblem: (message: string) => void;
  /** Studies whose licks are shown, by id; null: licks are shown as they are found. */
  readonly unfolded: ReadonlySet<string> | null;
  readonly onFold: (study: string) => void;
}

const ROW_PX = 68;
const column = createColumnHelper<Entry>();
const byTime = (a: Row<Entry>, b: Row<Entry>, id: string): number =>
  (a.getValue<number | null>(id) ?? 0) - (b.getValue<number | null>(id) ?? 0);

const COLUMNS = [
  column.accessor('name', { header: 'Name', sortingFn: (a, b) => a.original.name.localeCompare(b.original.name) }),
  column.accessor((e) => e.tags.map(isolated).join(', '), { id: 'tags', header: 'Tags' }),
  column.accessor('practisedAt', { header: 'Practised', sortingFn: byTime, sortDescFirst: true }),
  column.accessor('changedAt', { header: 'Changed', sortingFn: byTime, sortDescFirst: true }),
];

/** The entries in the order asked for, and which of their rows are in sight. */
function useRows(entries: Entry[]) {
  const [sorting, setSorting] = useState<SortingState>([]);
  const table = useReactTable({
    data: entries,
    columns: COLUMNS,
    state: { sorting },
    onSortingChange: setSorting,
    getRowId: (e) => e.key,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
  });
  const { rows } = table.getRowModel();
  const holder = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => holder.current,
    estimateSize: () => ROW_PX,
    overscan: 8,
    getItemKey: (k) => rows[k]!.id,
  });
  return { table, rows, holder, virtual };
}

/** Studies and licks, sorted by any column. Only the rows in sight are drawn, so thousands stay quick. */
export function EntryTable({ entries, chosen, onChosen, ...rest }: Props) {
  const { table, rows, holder, virtual } = useRows(entries);
  const items = virtual.getVirtualItems();
  const above = items[0]?.start ?? 0;
  const below = virtual.getTotalSize() - (items[items.length - 1]?.end ?? 0);
  const openId = useAppSelector((s) => s.editor.id);
  const keys = useMemo(() => entries.map((e) => e.key), [entries]);
  const toggle = (ids: string[], on: boolean): void =>
    onChosen(new Set(on ? [...chosen, ...ids] : [...chosen].filter((id) => !ids.includes(id))));
  return (
    <div
      ref={holder}
      className="relative max-h-[70vh] overflow-auto rounded-[10px] border border-line bg-sheet"
      tabIndex={0}
      role="region"
      aria-label={NOTEBOOK.studiesAndLicks}
    >
      <table className="w-full text-left" aria-rowcount={rows.length + 1}>
        <thead className="sticky top-0 z-[2] bg-sheet text-xs text-soft shadow-[0_1px_0_var(--line)]">
          <tr>
            <th scope="col" className="w-8 py-2 pr-3 pl-4">
              <Tick
                label={NOTEBOOK.chooseAllThatAreListed}
                on={keys.length > 0 && keys.every((key) => chosen.has(key))}
                onTick={(on) => toggle(keys, on)}
              />
            </th>
            {table.getHeaderGroups()[0]!.headers.map((h) => (
              <SortHead key={h.id} h={h} sorted={h.column.getIsSorted()} />
            ))}
            <th scope="col" className="sr-only">
              {NOTEBOOK.whatToDo}
            </th>
          </tr>
        </thead>
        <tbody>
          {above > 0 && <Filler height={above} />}
          {items.map((v) => (
            <EntryRow
              key={v.key}
              e={rows[v.index]!.original}
              at={v.index}
              measured={virtual.measureElement}
              openId={openId}
              chosen={chosen.has(rows[v.index]!.original.key)}
              onTick={(on) => toggle([rows[v.index]!.original.key], on)}
              {...rest}
            />
          ))}
          {below > 0 && <Filler height={below} />}
        </tbody>
      </table>
    </div>
  );
}

interface TickProps {
  readonly label: string;
  readonly on: boolean;
  readonly onTick: (on: boolean) => void;
}

const Tick = ({ label, on, onTick }: TickProps) => (
  <input type="checkbox" aria-label={label} checked={on} onChange={(e) => onTick(e.target.checked)} className="accent-brass" />
);

const ARROWS = { asc: ' ↑', desc: ' ↓' };
const SORTED = { asc: 'ascending', desc: 'descending' } as const;

/** The order is given beside its column: the column itself is one object whatever the order. */
function SortHead({ h, sorted }: { readonly h: Header<Entry, unknown>; readonly sorted: 'asc' | 'desc' | false }) {
  return (
    <th scope="col" aria-sort={sorted ? SORTED[sorted] : undefined} className="py-2 pr-3 font-normal">
      <button type="button" className="cursor-pointer underline-offset-2 hover:underline" onClick={h.column.getToggleSortingHandler()}>
        {flexRender(h.column.columnDef.header, h.getContext())}
        <span aria-hidden>{sorted ? ARROWS[sorted] : ''}</span>
      </button>
    </th>
  );
}

interface RowProps extends Omit<Props, 'entries' | 'chosen' | 'onChosen'> {
  readonly e: Entry;
  /** Its place among the sorted, from 0. */
  readonly at: number;
  readonly measured: (row: HTMLTableRowElement | null) => void;
  readonly openId: string | null;
  readonly chosen: boolean;
  readonly onTick: (on: boolean) => void;
}

function EntryRow({ e, at, measured, openId, chosen, onTick, onOpen, onDelete, onProblem, unfolded, onFold }: RowProps) {
  const open = (): void => onOpen(e);
  return (
    <tr ref={measured} data-index={at} aria-rowindex={at + 2} className="border-b border-line/70 align-top last:border-0">
      <td className="py-3 pr-3 pl-4">
        <Tick label={NOTEBOOK.choose(e.kind === 'lick' ? 'the lick ' : '', isolated(e.name))} on={chosen} onTick={onTick} />
      </td>
      <th scope="row" className="min-w-56 py-2.5 pr-3 font-normal">
        <NameCell
          e={e}
          open={e.study.id === openId && e.kind === 'study'}
          onOpen={open}
          unfolded={unfolded?.has(e.study.id) ?? null}
          onFold={() => onFold(e.study.id)}
        />
      </th>
      <td className="py-3 pr-3 text-xs">{e.tags.map(isolated).join(', ')}</td>
      <td className="num py-3 pr-3 text-xs whitespace-nowrap text-soft">{e.practisedAt ? dayWords(e.practisedAt) : '–'}</td>
      <td className="num py-3 pr-3 text-xs whitespace-nowrap text-soft">{dayWords(e.changedAt)}</td>
      <td className="py-2.5 pr-3">
        {e.kind === 'study' ? (
          <StudyActions study={e.study} onOpen={open} onDelete={() => onDelete({ id: e.study.id, name: e.name })} onProblem={onProblem} />
        ) : (
          <Button
            look="link"
            icon={<FolderOpen size={14} aria-hidden />}
            aria-label={NOTEBOOK.openTheLick(isolated(e.name))}
            onClick={open}
          >
            {NOTEBOOK.open}
          </Button>
        )}
      </td>
    </tr>
  );
}

const Filler = ({ height }: { readonly height: number }) => (
  <tr aria-hidden>
    <td colSpan={6} style={{ height }} />
  </tr>
);

interface NameProps {
  readonly e: Entry;
  readonly open: boolean;
  readonly onOpen: () => void;
  readonly unfolded: boolean | null;
  readonly onFold: () => void;
}

function NameCell({ e, open, onOpen, unfolded, onFold }: NameProps) {
  const licks = e.kind === 'study' ? e.study.licks.length : 0;
  const look = e.kind === 'study' ? 'font-display text-[1.0625rem] font-semibold' : 'text-[0.875rem] font-semibold';
  return (
    <>
      <button type="button" onClick={onOpen} className={`cursor-pointer text-left hover:text-feather ${look}`}>
        <Signs>{isolated(e.name)}</Signs>
      </button>
      <span className={`block text-xs ${e.study.problems.length ? 'text-clay' : 'text-soft'}`}>
        {e.kind === 'lick' && <b className="mr-1 font-semibold">{NOTEBOOK.lick}</b>}
        {open && <b className="mr-2 font-semibold text-brass-deep">{NOTEBOOK.openNow}</b>}
        <Signs>{e.kind === 'study' && e.study.set ? `${e.study.set} · ${e.about}` : e.about}</Signs>
      </span>
      {licks > 0 && unfolded !== null && (
        <button type="button" aria-expanded={unfolded} onClick={onFold} className="tap cursor-pointer text-xs text-feather underline">
          {`${unfolded ? 'Hide' : 'Show'} ${counted(licks, 'lick')}`}
          <span className="sr-only">{NOTEBOOK.of(isolated(e.name))}</span>
        </button>
      )}
    </>
  );
}
