import type { StudyView } from '../words/view-text';
import { LOOSE } from './editor';

/** Where a view of a study is; of the loose leaf (or of nothing) it stands alone. */
export const viewPath = (id: string | null, view: StudyView): string =>
  id === null || id === LOOSE ? `/${view}` : `/study/${encodeURIComponent(id)}/${view}`;

/** Which study and which view an address is of. */
export function placeOfPath(pathname: string): { readonly id: string; readonly view: string } {
  const [first = '', id = '', view = ''] = pathname.split('/').slice(1);
  return first === 'study' ? { id: decodeURIComponent(id), view } : { id: LOOSE, view: first };
}
