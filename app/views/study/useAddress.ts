import { useCallback, useEffect, useRef } from 'react';
import { useLocation, useNavigate } from 'react-router';
import type { StudyBody } from '../../../contract';
import { store, useAppDispatch, useAppSelector } from '../../store';
import { readAddress, writeAddress } from '../../store/address';
import { noteAddress, useAddressNote } from '../../store/address-note';
import { edited, LOOSE } from '../../store/editor';
import { harmonySet } from '../../store/harmony';
import type { StudyView } from '../../words/view-text';
import { transposingSet } from '../../store/transposing';

/** Choices made one after the other are one address; milliseconds. */
const REST_MS = 250;
/** Choices that only walk about: the address changes in its place, so that "back" is not a walk back. */
const WALKING = ['rung', 'labels', 'move', 'page', 'size', 'grip'];

const sorted = (query: string): string => [...new URLSearchParams(query)].map((p) => p.join('=')).sort().join('&'); // prettier-ignore

/** Whether two addresses differ only in where the player walks. */
function walks(a: string, b: string): boolean {
  const rest = (query: string): string => {
    const params = new URLSearchParams(query);
    WALKING.forEach((w) => params.delete(w));
    return sorted(params.toString());
  };
  return rest(a) === rest(b);
}

/**
 * Keeps the address of a view and its choices together: an address that is opened, or gone back to, sets the choices; choices
 * made set the address. Says what of an address could not be used.
 */
export function useAddress(
  body: StudyBody,
  view: StudyView,
  id: string,
): { readonly problems: readonly string[]; readonly dismiss: () => void } {
  // The place itself, not only its text: gone to and back from before anything was drawn, the text is what it was.
  const place = useLocation();
  const { search, pathname } = place;
  const navigate = useNavigate();
  const dispatch = useAppDispatch();
  const problems = useAddressNote(pathname);
  const dismiss = useCallback(() => noteAddress(pathname, []), [pathname]);
  useEffect(() => dismiss, [dismiss]);
  const loose = id === LOOSE;
  const trying = useAppSelector((s) => s.transposing);
  const harmony = useAppSelector((s) => s.harmony);
  const want = writeAddress(body, view, loose, { trying, harmony });
  const query = search.slice(1);
  /** The address that the choices were last brought together with. */
  const known = useRef<string | null>(null);

  useEffect(() => {
    const here = `${pathname}?${sorted(query)}`;
    if (known.current === here) return;
    known.current = here;
    const { editor: now, transposing, harmony: held } = store.getState();
    if (
      !query ||
      !now.body ||
      now.id !== id ||
      sorted(writeAddress(now.body, view, loose, { trying: transposing, harmony: held })) === sorted(query)
    )
      return;
    const read = readAddress(query, now.body, view, loose);
    if (read.trying) dispatch(transposingSet(read.trying));
    noteAddress(pathname, read.problems);
    if (Object.keys(read.fields).length) dispatch(edited(read.fields));
    if (read.harmony) dispatch(harmonySet(read.harmony)); // a new neck lifts the grip, so the grip comes after it
  }, [place, query, pathname, id, view, loose, dispatch]);

  useEffect(() => {
    if (sorted(want) === sorted(query)) return undefined;
    const write = (): void => {
      // Gone, or going: the other view is only not drawn yet, and an address written now would call the player back.
      if (location.pathname !== pathname) return;
      known.current = `${pathname}?${sorted(want)}`;
      void navigate({ pathname, search: want && `?${want}` }, { replace: !query || walks(want, query) });
    };
    const timer = setTimeout(write, REST_MS);
    return () => clearTimeout(timer);
  }, [place, want, query, pathname, navigate]);

  return { problems, dismiss };
}
