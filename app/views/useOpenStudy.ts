import { useEffect } from 'react';
import { useLocation } from 'react-router';
import { useAppSelector } from '../store';
import { LOOSE } from '../store/editor';
import { lastHere } from '../store/local';
import { openLoose, openStudy } from '../store/open';
import type { Opening } from '../store/opening';
import { useKeyed } from '../ui/useKeyed';
import { placeOfPath } from '../store/paths';
import { STUDY_VIEWS } from '../words/view-text';

/** Makes sure that a study, or the loose leaf, is the one that is open. */
export function useOpenStudy(id: string): Opening | 'opening' {
  const open = useAppSelector((s) => s.editor.id === id);
  const [failed, setFailed] = useKeyed<Opening | null>([id, open], null);
  useEffect(() => {
    if (open) return undefined;
    let wanted = true;
    const opened = id === LOOSE ? openLoose().then((): Opening => 'open') : openStudy(id);
    void opened.then((why) => wanted && why !== 'open' && setFailed(why));
    return () => {
      wanted = false;
    };
  }, [id, open, setFailed]);
  if (open) return 'open';
  return failed ?? 'opening';
}

/** On a view that needs no study, what this window had open stays so: files and instruments go there. */
export function useSomethingOpen(): void {
  const none = useAppSelector((s) => s.editor.id === null);
  // A view on a study opens its own.
  const { view } = placeOfPath(useLocation().pathname);
  const alone = view !== '' && !STUDY_VIEWS.some((v) => v === view);
  useEffect(() => {
    if (!none || !alone) return;
    const last = lastHere();
    void (last && last !== LOOSE ? openStudy(last) : Promise.resolve('missing' as const)).then((o) =>
      o === 'open' ? undefined : openLoose(),
    );
  }, [none, alone]);
}
