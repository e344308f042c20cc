import { useEffect, useState } from 'react';
import { useAppSelector } from '../store';
import { useStudiesQuery } from '../store/api';
import { lastStudy } from '../store/drafts';
import { openStudy } from '../store/open';

export type Opening = 'opening' | 'open' | 'none' | 'offline';

/** Makes sure a study is open: the one that is, else the last one used, else the newest. */
export function useOpenStudy(): Opening {
  const open = useAppSelector((s) => s.editor.id !== null);
  const { data, isError } = useStudiesQuery(undefined, { skip: open });
  const [offline, setOffline] = useState(false);
  useEffect(() => {
    if (open || !data?.length) return;
    const last = lastStudy();
    const id = data.some((s) => s.id === last) ? (last as string) : data[0].id;
    void openStudy(id).then((result) => setOffline(result === 'offline'));
  }, [open, data]);
  if (open) return 'open';
  if (isError || offline) return 'offline';
  return data && !data.length ? 'none' : 'opening';
}
