import { usePrefs } from '../store/prefs';
import { Button } from '../ui/Button';
import { commandsHere, shownKey } from './keys';
import { openPanel } from './panels';
import { FRAME } from '../words/views/shell';

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
          {keys === 'alt' ? FRAME.lettersDigitsAndSignsAre : FRAME.keysOfOneLetterDigit}{' '}
          <Button look="quiet" onClick={() => openPanel('settings')}>
            {FRAME.settings}
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
