import { useMemo, useState } from 'react';
import type { StudyBody } from '../../../contract';
import { BORDER_FRET, type Lead, type ModeChord, type Place } from '../../../core';
import { useAppDispatch, useAppSelector } from '../../store';
import { harmonySet } from '../../store/harmony';
import { Button } from '../../ui/Button';
import { Panel } from '../../ui/Panels';
import { Segmented } from '../../ui/Segmented';
import { readChords, sameGrip } from '../../words/harmony-text';
import { HARMONY } from '../../words/views/harmony';
import type { LeadJob } from '../../workers/lead.worker';
import { useLead } from '../../workers/useSearch';
import { Check } from '../practise/Choices';
import { SearchNote } from '../SearchNote';
import { GripTile } from './GripTile';
import { useHold } from './useHold';

interface Props {
  readonly body: StudyBody;
  readonly chords: ModeChord[];
  readonly grip: Place[];
}

type Region = 'all' | 'low' | 'high';
const REGIONS: readonly Region[] = ['all', 'low', 'high'];
/** Chords in a row, and ways shown of playing them. */
const MOST_CHORDS = 64;
const WAYS = 3;

/** How the row is to be played. */
interface Wish {
  readonly region: Region;
  /** From the grip that is held, and on its strings. */
  readonly fromHeld: boolean;
  readonly sameStrings: boolean;
}

/** The ways through a row of chords, searched in a worker. */
function useLeading({ instrument, hand }: StudyBody, symbols: string[], grip: Place[], { region, fromHeld, sameStrings }: Wish) {
  const begins = fromHeld && grip.length > 0;
  const job = useMemo((): LeadJob | null => {
    if (!symbols.length || symbols.length > MOST_CHORDS) return null;
    const frets = region === 'low' ? { toFret: BORDER_FRET } : region === 'high' ? { fromFret: BORDER_FRET + 1 } : {};
    const from = begins ? { from: grip, ...(sameStrings ? { strings: grip.map((p) => p.string) } : {}) } : {};
    return { instrument, symbols, hand, count: WAYS, ...frets, ...from };
  }, [instrument, symbols, hand, region, begins, sameStrings, grip]);
  return useLead(job);
}

/** Chords one after another, with the least way for the fingers. */
export function LeadCard({ body, chords, grip }: Props) {
  const dispatch = useAppDispatch();
  const typed = useAppSelector((s) => s.harmony.line);
  const [wish, setWish] = useState<Wish>({ region: 'all', fromHeld: true, sameStrings: false });
  const usual = useMemo(() => [0, 3, 4, 0].flatMap((k) => (chords[k] ? [chords[k].symbol] : [])).join(' '), [chords]);
  const { symbols, problem } = useMemo(() => readChords(typed || usual), [typed, usual]);
  const search = useLeading(body, symbols, grip, wish);
  const said = problem ?? (symbols.length > MOST_CHORDS ? HARMONY.tooMany(MOST_CHORDS) : null);
  return (
    <Panel title={HARMONY.leading}>
      <p className="mb-2 text-[0.84375rem] text-soft">{HARMONY.leadingAbout}</p>
      <label className="flex flex-col gap-1 text-xs text-soft">
        {HARMONY.chords}
        <input
          value={typed}
          placeholder={usual}
          spellCheck={false}
          maxLength={600}
          aria-invalid={problem !== null}
          onChange={(e) => dispatch(harmonySet({ line: e.target.value }))}
          className="rounded-md border border-line bg-paper px-2 py-1.5 text-base text-ink placeholder:text-soft"
        />
      </label>
      {said && (
        <p role="alert" className="mt-1 text-[0.84375rem] text-clay">
          {said}
        </p>
      )}
      <Wishes wish={wish} held={grip.length > 0} onWish={(fields) => setWish({ ...wish, ...fields })} />
      <SearchNote found={search} />
      {!problem && <LeadWays body={body} symbols={symbols} found={search.found} grip={grip} />}
    </Panel>
  );
}

interface WishProps {
  readonly wish: Wish;
  readonly held: boolean;
  readonly onWish: (fields: Partial<Wish>) => void;
}

const Wishes = ({ wish, held, onWish }: WishProps) => (
  <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2 text-[0.84375rem]">
    <Segmented<Region>
      label={HARMONY.region}
      value={wish.region}
      options={REGIONS.map((value) => ({ value, label: HARMONY.regions[value] }))}
      onChange={(region) => onWish({ region })}
    />
    {held && <Check label={HARMONY.fromHeld} checked={wish.fromHeld} onChange={(fromHeld) => onWish({ fromHeld })} />}
    {held && wish.fromHeld && (
      <Check label={HARMONY.sameStrings} checked={wish.sameStrings} onChange={(sameStrings) => onWish({ sameStrings })} />
    )}
  </div>
);

interface WaysProps {
  readonly body: StudyBody;
  readonly symbols: string[];
  readonly found: readonly Lead[];
  readonly grip: Place[];
}

/** The ways there are, and the grips of the one that is looked at. */
function LeadWays({ body, symbols, found, grip }: WaysProps) {
  const [way, setWay] = useState(0);
  const hold = useHold();
  // What was found last stays in sight while the next search runs: it may be of other chords.
  const last = found[Math.min(way, found.length - 1)];
  if (last?.grips.length !== symbols.length) return null;
  return (
    <>
      <div className="my-2 flex flex-wrap gap-2">
        {found.map((w, k) => (
          <Button
            key={k}
            aria-pressed={w === last}
            className="aria-pressed:border-brass-deep aria-pressed:font-semibold"
            onClick={() => setWay(k)}
          >
            {HARMONY.way(k + 1)}: {HARMONY.travel(Math.round(w.travelMm))}
          </Button>
        ))}
      </div>
      <ol aria-label={HARMONY.travelIs(Math.round(last.travelMm))} className="grid grid-cols-[repeat(auto-fill,minmax(7rem,1fr))] gap-2">
        {last.grips.map((g, k) => (
          <li key={k} className="flex flex-col">
            <GripTile instrument={body.instrument} symbol={symbols[k] ?? ''} grip={g} on={sameGrip(g.places, grip)} onHold={hold} />
          </li>
        ))}
      </ol>
    </>
  );
}
