import { usePrefs } from '../store/prefs';
import { Button } from '../ui/Button';
import { commandsHere, shownKey } from './keys';
import { openPanel } from './panels';

/** The keys of the view that is up, as this player presses them. */
export function KeyList() {
  const { keys } = usePrefs();
  const rows = commandsHere().flatMap((c) => {
    const shown = c.shown && shownKey(c, keys);
    return shown ? [{ ...c, shown }] : [];
  });
  return (
    <>
      {keys !== 'alone' && (
        <p className="text-soft">
          {keys === 'alt' ? 'Letters, digits and signs are pressed with Alt.' : 'Keys of one letter, digit or sign are off.'}{' '}
          <Button look="quiet" onClick={() => openPanel('settings')}>
            Settings
          </Button>
        </p>
      )}
      <table className="w-full text-sm">
        <tbody>
          {rows.map((c) => (
            <tr key={`${c.id} ${c.shown}`} className="border-b border-line/60">
              <th scope="row" className="py-1 pr-4 text-left font-semibold whitespace-nowrap">
                {c.shown}
              </th>
              <td className="py-1 text-soft">{c.does}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
