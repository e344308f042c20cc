import { useMemo, useState } from 'react';
import type { Lick, StudyBody } from '../../../contract';
import {
  BORDER_FRET,
  defaultSchool,
  lickPitches,
  lickTiming,
  placeKey,
  rankCopies,
  type Instrument,
  type LickCopy,
  keysOf,
} from '../../../core';
import { Button } from '../../ui/Button';
import { NumberField } from '../../ui/NumberField';
import { Panel } from '../../ui/Panels';
import { Select } from '../../ui/Select';
import { octaveWords, regionWords, toneWords } from '../../words/lick-text';
import type { CopiesJob } from '../../workers/copies.worker';
import { useCopies } from '../../workers/useSearch';
import { SearchNote } from '../SearchNote';
import { LICKS } from '../../words/views/licks';

interface Props {
  readonly body: StudyBody;
  readonly lick: Lick;
  readonly neck: Instrument;
  /** The copy drawn on the neck instead of the lick. */
  readonly shown: LickCopy | null;
  readonly onShow: (copy: LickCopy | null) => void;
  readonly onPut: (copy: LickCopy) => void;
}

type Order = 'effort' | 'fret' | 'tone' | 'width';
const ORDERS: Record<Order, { readonly label: string; readonly by: ((c: LickCopy) => number) | null }> = {
  effort: { label: LICKS.effortAtPitchFirst, by: null },
  fret: { label: LICKS.fretFromTheNutUp, by: (c) => c.lowFret },
  tone: { label: LICKS.toneWarmFirst, by: (c) => c.tone },
  width: { label: LICKS.widthNarrowFirst, by: (c) => c.widthMm },
};
const FIRST = 12;
const lineIn = (key: string) => JSON.parse(key) as Pick<CopiesJob, 'pitches' | 'joins' | 'bends' | 'ticks' | 'rests'>;

/** The search for the copies, begun anew only where what it depends on changes, not anything else of the lick. */
function useCopiesOf(body: StudyBody, lick: Lick, neck: Instrument, border: number) {
  const key = useMemo(() => JSON.stringify({ pitches: lickPitches(neck, lick.notes), ...lickTiming(lick.notes) }), [neck, lick.notes]);
  const weights = body.connection?.weights;
  const job = useMemo(() => {
    const line = lineIn(key);
    const school = body.school ?? defaultSchool(body.layout);
    return line.pitches.length ? { instrument: neck, ...line, ...(weights ? { weights } : {}), school, hand: body.hand, border } : null;
  }, [neck, key, weights, body.school, body.layout, body.hand, border]);
  return useCopies(job);
}

/** Every copy of the lick on the neck: at pitch and an octave away, ranked; one press shows it, another puts the lick there. */
export function CopiesPanel({ body, lick, neck, shown, onShow, onPut }: Props) {
  const [border, setBorder] = useState(BORDER_FRET);
  const [order, setOrder] = useState<Order>('effort');
  const [all, setAll] = useState(false);
  const search = useCopiesOf(body, lick, neck, border);
  const sorted = useMemo(() => {
    const { by } = ORDERS[order];
    return [...search.found].sort(by ? (a, b) => by(a) - by(b) : rankCopies);
  }, [search.found, order]);
  const listed = all ? sorted : sorted.slice(0, FIRST);
  const single = search.found[0]?.octave === 0 ? search.found[0].single : (search.found.find((c) => c.octave === 0)?.single ?? []);
  return (
    <Panel title={LICKS.everyCopyOnTheNeck}>
      <div className="no-print mb-2 flex flex-wrap items-end gap-3">
        <div className="w-48">
          <Select
            label={LICKS.inOrderOf}
            value={order}
            options={keysOf(ORDERS).map((value) => ({ value, label: ORDERS[value].label }))}
            onChange={setOrder}
          />
        </div>
        <div className="w-28">
          <NumberField label={LICKS.borderFret} value={border} min={1} max={neck.frets - 1} onChange={setBorder} />
        </div>
        {shown && <Button onClick={() => onShow(null)}>{LICKS.backToTheLick}</Button>}
      </div>
      <SearchNote found={search} />
      <OnlyPlaces single={single} />
      {listed.length > 0 && <CopiesTable copies={listed} border={border} shown={shown} onShow={onShow} onPut={onPut} />}
      {search.done === null && !search.found.length && !search.refused && <p className="text-soft">{LICKS.itFitsNowhereOnThis}</p>}
      {sorted.length > FIRST && (
        <Button look="quiet" className="mt-2" onClick={() => setAll(!all)}>
          {all ? LICKS.theFirstOnly(FIRST) : LICKS.allCopies(sorted.length)}
        </Button>
      )}
    </Panel>
  );
}

/** The notes that lie on one place only: they settle the region. */
function OnlyPlaces({ single }: { readonly single: readonly number[] }) {
  if (!single.length) return null;
  return (
    <p className="mb-2 text-xs text-soft">
      {single.length === 1 ? LICKS.noteHas(single[0]! + 1) : LICKS.notesHave(single.map((k) => k + 1).join(', '))}{' '}
      {LICKS.onlyOnePlaceOnThis}
    </p>
  );
}

interface RowProps extends Pick<Props, 'shown' | 'onShow' | 'onPut'> {
  readonly border: number;
}

function CopiesTable({ copies, ...rest }: RowProps & { readonly copies: readonly LickCopy[] }) {
  return (
    <div className="overflow-x-auto">
      <table className="num w-full text-left text-[0.8125rem]">
        <thead>
          <tr className="text-xs text-soft">
            {['Frets', 'Strings', 'Pitch', 'Region', 'Effort', 'Shifts', 'Width', 'Tone', ''].map((h) => (
              <th key={h} scope="col" className="pr-3 font-normal whitespace-nowrap">
                {h || <span className="sr-only">{LICKS.whatToDo}</span>}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {copies.map((c) => (
            <CopyRow key={c.steps.map(placeKey).join()} c={c} {...rest} />
          ))}
        </tbody>
      </table>
    </div>
  );
}

function CopyRow({ c, border, shown, onShow, onPut }: RowProps & { readonly c: LickCopy }) {
  return (
    <tr className={`border-t border-line/70 ${c === shown ? 'bg-feather-wash' : ''}`}>
      <th scope="row" className="py-1 pr-3 font-semibold whitespace-nowrap">
        {LICKS.toWord(c.lowFret, c.highFret)}
      </th>
      <td className="pr-3 whitespace-nowrap">{c.strings.join(' ')}</td>
      <td className="pr-3 whitespace-nowrap">{octaveWords(c.octave)}</td>
      <td className="pr-3 whitespace-nowrap">{regionWords(c, border)}</td>
      <td className="pr-3">{Math.round(c.cost)}</td>
      <td className="pr-3">{c.shifts}</td>
      <td className="pr-3 whitespace-nowrap">{LICKS.mm(Math.round(c.widthMm))}</td>
      <td className="pr-3 whitespace-nowrap">{toneWords(c.tone)}</td>
      <td className="no-print py-1 whitespace-nowrap">
        <Button
          aria-label={LICKS.showTheCopy(c.lowFret, c.highFret)}
          aria-pressed={c === shown}
          onClick={() => onShow(c === shown ? null : c)}
        >
          {LICKS.show}
        </Button>{' '}
        <Button aria-label={LICKS.putItHereAt(c.lowFret, c.highFret)} look="link" onClick={() => onPut(c)}>
          {LICKS.putItHere}
        </Button>
      </td>
    </tr>
  );
}
