import { Dialog } from 'radix-ui';
import { Button } from '../ui/Button';
import type { KeyCommand } from './keys';

/** The list of keys of the view that is up. Opened with "?". */
export function KeyList({
  commands,
  open,
  onOpenChange,
}: {
  commands: KeyCommand[];
  open: boolean;
  onOpenChange: (open: boolean) => void;
}) {
  return (
    <Dialog.Root open={open} onOpenChange={onOpenChange} modal={false}>
      <Dialog.Portal>
        <Dialog.Content
          aria-describedby={undefined}
          className="fixed top-1/2 left-1/2 z-30 max-h-[90vh] w-[min(30rem,94vw)] -translate-x-1/2 -translate-y-1/2 overflow-auto rounded-lg border border-line bg-sheet p-5 shadow-2xl"
        >
          <Dialog.Title className="mb-3 text-lg font-semibold">Keys</Dialog.Title>
          <table className="w-full text-sm">
            <tbody>
              {commands.map((c) => (
                <tr key={c.shown} className="border-b border-line/60">
                  <th scope="row" className="py-1 pr-4 text-left font-semibold whitespace-nowrap">
                    {c.shown}
                  </th>
                  <td className="py-1 text-soft">{c.does}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <Dialog.Close asChild>
            <Button className="mt-4">Close</Button>
          </Dialog.Close>
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
