import { useMemo, useState } from 'react';
import type { StudyBody } from '../../../contract';
import { BORDER_FRET, type Place, type Shape } from '../../../core';
import { Button } from '../../ui/Button';
import { Panel } from '../../ui/Panels';
import { Segmented } from '../../ui/Segmented';
import { Select } from '../../ui/Select';
import { Signs } from '../../letters/Signs';
import { HARMONY } from '../../words/views/harmony';
import type { GripsJob } from '../../workers/grips.worker';
import { useGrips } from '../../workers/useSearch';
import { Check } from '../practise/Choices';
import { SearchNote } from '../SearchNote';
import { GripGrid } from './GripGrid';

interface Props {
  readonly body: StudyBody;
  readonly shape: Shape | null;
  readonly symbol: string;
  readonly grip: readonly Place[];
}

const REGIONS = ['all', 'low', 'high', 'hand'] as const;
type Region = (typeof REGIONS)[number];
const CHOICES = ['omit', 'double', 'invert', 'open'] as const;
const FIRST = 12;
/** So many are handed over by the search; nobody looks at more. */
const MOST = 240;

/** Strings that lie side by side, so many at a time: the thick ones first. */
function stringSets(count: number): { readonly value: string; readonly strings: number[] }[] {
  return [4, 3].flatMap((size) =>
    Array.from({ length: Math.max(0, count - size + 1) }, (_, k) => Array.from({ length: size }, (__, j) => count - k - j)),
  ).map((strings) => ({ value: strings.join(' '), strings })); // prettier-ignore
}

/** Every grip of the chord that a hand can hold, the easiest first; where and how is the player's choice. */
export function GripsCard({ body, shape, symbol, grip }: Props) {
  const { instrument, hand } = body;
  const [region, setRegion] = useState<Region>('all');
  const [set, setSet] = useState('all');
  const [wanted, setWanted] = useState({ omit: true, double: true, invert: true, open: true });
  const [shown, setShown] = useState({ of: '', count: FIRST });
  const sets = useMemo(() => stringSets(instrument.strings.length), [instrument]);
  const near = region === 'hand' ? (shape?.handFret ?? 1) : null;
  const job = useMemo((): GripsJob => {
    const strings = sets.find((s) => s.value === set)?.strings;
    const frets = region === 'low' ? { toFret: BORDER_FRET } : region === 'high' ? { fromFret: BORDER_FRET + 1 } : near !== null ? { near } : {}; // prettier-ignore
    return { instrument, symbol, hand, ...frets, ...(strings ? { strings } : {}), ...wanted, count: MOST };
  }, [instrument, symbol, hand, region, near, set, sets, wanted]);
  const search = useGrips(job);
  const count = shown.of === symbol ? shown.count : FIRST;
  return (
    <Panel title={HARMONY.allGrips(symbol)}>
      <div className="mb-2 flex flex-wrap items-end gap-x-4 gap-y-2 text-[0.84375rem]">
        <Segmented<Region>
          label={HARMONY.region}
          value={region}
          options={REGIONS.map((value) => ({ value, label: HARMONY.regions[value] }))}
          onChange={setRegion}
        />
        <Select
          label={HARMONY.strings}
          value={sets.some((s) => s.value === set) ? set : 'all'}
          options={[{ value: 'all', label: HARMONY.allStrings }, ...sets.map(({ value }) => ({ value, label: value }))]}
          onChange={setSet}
        />
        <span className="flex flex-wrap gap-x-3">
          {CHOICES.map((key) => (
            <Check key={key} label={HARMONY[key]} checked={wanted[key]} onChange={(on) => setWanted((w) => ({ ...w, [key]: on }))} />
          ))}
        </span>
      </div>
      <SearchNote found={search} />
      <p role="status" className="mb-2 text-xs text-soft">
        {search.found.length >= MOST ? `${HARMONY.found(MOST)}+` : HARMONY.found(search.found.length)}
      </p>
      <GripGrid instrument={instrument} symbol={symbol} grips={search.found.slice(0, count)} held={grip} />
      <div className="mt-2 flex flex-wrap items-center gap-3">
        {search.found.length > count && <Button onClick={() => setShown({ of: symbol, count: count + FIRST })}>{HARMONY.more}</Button>}
        <p className="text-xs text-soft">
          <Signs>{HARMONY.care}</Signs>
        </p>
      </div>
    </Panel>
  );
}
