import { useCallback, useMemo, useState } from 'react';
import type { DrillForm } from '../../../contract';
import { standingAfter, type Climb, type Standing } from '../../../core';
import { LOOSE } from '../../store/editor';
import { usePassHistoryQuery } from '../../store/practice/log-api';

/**
 * Where the player stands on the ladder of a shape in an order and rhythm: where the passes of the log left them, until something is rated or a tempo is
 * chosen here. A loose leaf has no log of its own and begins at the start.
 */
export function useStanding(
  id: string | null,
  key: string | null,
  { order, rhythm }: DrillForm,
  climb: Climb,
): [Standing, (s: Standing) => void] {
  const study = id === null || id === LOOSE ? null : id;
  const { data } = usePassHistoryQuery({ studies: study === null ? [] : [study], since: [] }, { skip: study === null });
  const [here, setHere] = useState<{ readonly of: string; readonly standing: Standing } | null>(null);
  const of = `${study}/${key}/${order}/${rhythm}/${JSON.stringify(climb)}`;
  const logged = useMemo(
    () => standingAfter(climb, (data?.last ?? []).filter((p) => p.study === study && p.shape === key && p.order === order && p.rhythm === rhythm)), // prettier-ignore
    [climb, data, study, key, order, rhythm],
  );
  const set = useCallback((standing: Standing) => setHere({ of, standing }), [of]);
  return [here?.of === of ? here.standing : logged, set];
}
