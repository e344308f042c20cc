import { useAppDispatch } from '../../store';
import { HARMONY_PAGES, harmonySet, type HarmonyPage } from '../../store/harmony';
import { Segmented } from '../../ui/Segmented';
import { HARMONY } from '../../words/views/harmony';
import { useGo } from '../useGo';

type Page = HarmonyPage | 'progression';
const PAGES: readonly Page[] = [...HARMONY_PAGES, 'progression'];

/** The pages of Harmony; the progression has an address of its own. */
export function HarmonyPages({ page }: { readonly page: Page }) {
  const dispatch = useAppDispatch();
  const go = useGo();
  const turn = (next: Page): void => {
    if (next === 'progression') return go('progression');
    dispatch(harmonySet({ page: next }));
    if (page === 'progression') go('harmony');
  };
  return (
    <Segmented<Page>
      label={HARMONY.pages}
      value={page}
      options={PAGES.map((value) => ({ value, label: HARMONY.page[value] }))}
      onChange={turn}
    />
  );
}
