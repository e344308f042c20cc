import { openPart } from '../../shell/open-part';
import { useAppDispatch } from '../../store';
import { change } from '../../store/change';
import { setPrefs, usePrefs } from '../../store/prefs';
import { WAYS_IN, type WayIn } from '../../store/ways-in';
import { Button } from '../../ui/Button';
import { useGo } from '../useGo';
import { MAP } from '../../words/views/map';

/** On a first leaf: what a player may want to do, each a press away. Gone for good when it is sent away. */
export function WaysIn() {
  const { waysSeen } = usePrefs();
  const dispatch = useAppDispatch();
  const go = useGo();
  if (waysSeen) return null;
  const take = (way: WayIn): void => {
    dispatch(change(way.make));
    if (way.view !== 'map') return go(way.view);
    const { part } = way;
    if (part) setTimeout(() => openPart(part));
  };
  return (
    <section aria-labelledby="ways-in" className="no-print after-neck mb-3 max-sm:mt-3">
      <div className="mb-1 flex items-center gap-3">
        <h2 id="ways-in" className="grow font-text text-[0.84375rem] font-semibold">
          {MAP.whatDoYouWantTo}
        </h2>
        <Button look="quiet" onClick={() => setPrefs({ waysSeen: true })}>
          {MAP.doNotShowThisAgain}
        </Button>
      </div>
      <ul className="grid grid-cols-2 gap-2 lg:grid-cols-4">
        {WAYS_IN.map((way) => (
          <li key={way.id}>
            <button
              type="button"
              onClick={() => take(way)}
              className="h-full w-full cursor-pointer rounded-md border border-line bg-sheet px-3 py-2 text-left hover:border-feather"
            >
              <b className="block font-semibold text-feather">{way.title}</b>
              <span className="text-xs text-soft max-sm:hidden">{way.does}</span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
