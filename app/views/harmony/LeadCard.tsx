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

/** Chords one after another, with the least way for the fingers. */
export function LeadCard({ body, chords, grip }: Props) {
  const dispatch = useAppDispatch();
  const typed = useAppSelector((s) => s.harmony.line);
  const { instrument, hand } = body;
  const hold = useHold();
  const [region, setRegion] = useState<Region>('all');
  const [fromHeld, setFromHeld] = useState(true);
  const [sameStrings, setSameStrings] = useState(false);
  const [way, setWay] = useState(0);
  const usual = useMemo(() => [0, 3, 4, 0].flatMap((k) => (chords[k] ? [chords[k].symbol] : [])).join(' '), [chords]);
  const { symbols, problem } = useMemo(() => readChords(typed || usual), [typed, usual]);
  const long = symbols.length > MOST_CHORDS;
  const begins = fromHeld && grip.length > 0;
  const job = useMemo((): LeadJob | null => {
    if (!symbols.length || symbols.length > MOST_CHORDS) return null;
    const frets = region === 'low' ? { toFret: BORDER_FRET } : region === 'high' ? { fromFret: BORDER_FRET + 1 } : {};
    const from = begins ? { from: grip, ...(sameStrings ? { strings: grip.map((p) => p.string) } : {}) } : {};
    return { instrument, symbols, hand, count: WAYS, ...frets, ...from };
  }, [instrument, symbols, hand, region, begins, sameStrings, grip]);
  const search = useLead(job);
  // What was found last stays in sight while the next search runs: it may be of other chords.
  const last = search.found[Math.min(way, search.found.length - 1)] as Lead | undefined;
  const shown = last?.grips.length === symbols.length ? last : null;
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
      {(problem ?? (long ? HARMONY.tooMany(MOST_CHORDS) : null)) && (
        <p role="alert" className="mt-1 text-[0.84375rem] text-clay">
          {problem ?? HARMONY.tooMany(MOST_CHORDS)}
        </p>
      )}
      <div className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2 text-[0.84375rem]">
        <Segmented<Region>
          label={HARMONY.region}
          value={region}
          options={REGIONS.map((value) => ({ value, label: HARMONY.regions[value] }))}
          onChange={setRegion}
        />
        {grip.length > 0 && <Check label={HARMONY.fromHeld} checked={fromHeld} onChange={setFromHeld} />}
        {begins && <Check label={HARMONY.sameStrings} checked={sameStrings} onChange={setSameStrings} />}
      </div>
      <SearchNote found={search} />
      {shown && !problem && (
        <>
          <div className="my-2 flex flex-wrap gap-2">
            {search.found.map((w, k) => (
              <Button
                key={k}
                aria-pressed={w === shown}
                className="aria-pressed:border-brass-deep aria-pressed:font-semibold"
                onClick={() => setWay(k)}
              >
                {HARMONY.way(k + 1)}: {HARMONY.travel(Math.round(w.travelMm))}
              </Button>
            ))}
          </div>
          <ol
            aria-label={HARMONY.travelIs(Math.round(shown.travelMm))}
            className="grid grid-cols-[repeat(auto-fill,minmax(7rem,1fr))] gap-2"
          >
            {shown.grips.map((g, k) => (
              <li key={k} className="flex flex-col">
                <GripTile instrument={instrument} symbol={symbols[k] ?? ''} grip={g} on={sameGrip(g.places, grip)} onHold={hold} />
              </li>
            ))}
          </ol>
        </>
      )}
    </Panel>
  );
}
