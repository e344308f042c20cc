import type { ReactNode } from 'react';
import { LABELS, type Labels } from '../../../contract';
import { useAppDispatch } from '../../store';
import { edited } from '../../store/editor';
import { Segmented } from '../../ui/Segmented';
import { HearButton, Tempo } from '../HearTools';
import { MAP } from '../../words/views/map';

interface Props {
  readonly labels: Labels;
  readonly tempo: number;
  readonly hearing: boolean;
  readonly canHear: boolean;
  readonly onHear: () => void;
  readonly children: ReactNode;
}

const LABEL_OPTIONS = LABELS.map((value) => ({ value, label: value[0]!.toUpperCase() + value.slice(1) }));

/** What the marks say, what lies over the shape (`children`), tempo, and hearing it. */
export function Toolbar({ labels, tempo, hearing, canHear, onHear, children }: Props) {
  const dispatch = useAppDispatch();
  return (
    <div className="no-print after-neck my-3 flex flex-wrap items-center gap-2">
      <Segmented<Labels>
        label={MAP.whatTheMarksSay}
        value={labels}
        options={LABEL_OPTIONS}
        onChange={(next) => dispatch(edited({ labels: next }))}
      />
      {children}
      <span className="grow" />
      <Tempo tempo={tempo} onTempo={(next) => dispatch(edited({ tempo: next }))} />
      <HearButton on={hearing} disabled={!canHear} onHear={onHear} />
    </div>
  );
}
