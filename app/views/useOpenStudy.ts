import { useEffect, useState } from 'react';
import { useAppSelector } from '../store';
import { useStudiesQuery } from '../store/api';
import { lastStudy } from '../store/local';
import { openStudy } from '../store/open';
import type { Opening } from '../store/opening';

export type StudyThere = 'opening' | 'open' | 'none' | 'offline' | 'damaged';

/** The study used last, even where it was deleted, if this browser holds unsaved work of it; else the newest. Null where there is none. */
async function openOneOf(last: string | null, whole: readonly string[]): Promise<Opening | null> {
  const opened = last ? await openStudy(last) : 'missing';
  if (opened !== 'missing' && opened !== 'damaged') return opened;
  const next = whole.find((id) => id !== last);
  return next ? openStudy(next) : null;
}

/** Makes sure a study is open: the one that is, else the last one used here, else the newest; with the server away, what this browser kept of the last one. */
export function useOpenStudy(): StudyThere {
  const open = useAppSelector((s) => s.editor.id !== null);
  const { data, isError } = useStudiesQuery(undefined, { skip: open });
  const [why, setWhy] = useState<Opening>('open');
  useEffect(() => {
    if (open || (!data && !isError)) return;
    const whole = data?.filter((s) => !s.damaged).map((s) => s.id) ?? [];
    void openOneOf(lastStudy(), whole).then((opened) => setWhy(opened ?? (data?.length ? 'damaged' : isError ? 'offline' : 'missing')));
  }, [open, data, isError]);
  if (open) return 'open';
  if (why === 'damaged') return 'damaged';
  if (isError || why === 'offline') return 'offline';
  return data?.length === 0 ? 'none' : 'opening';
}
