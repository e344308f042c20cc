import { Dialog } from 'radix-ui';
import type { ComponentType } from 'react';
import { later } from '../ui/later';
import { Button } from '../ui/Button';
import { closePanel, focusedBefore, panelNow, useOpenPanel, type PanelName } from './panels';
import { VIEW_ID } from './view-focus';
import { FRAME } from '../words/views/shell';

const CommandLine = later(async () => (await import('./command-line/CommandLine')).CommandLine);
const KeyList = later(async () => (await import('./KeyList')).KeyList);
const WordList = later(async () => (await import('./WordList')).WordList);
const Devices = later(async () => (await import('./Devices')).Devices);
const Settings = later(async () => (await import('./Settings')).Settings);

const PANELS: Record<PanelName, { readonly title: string; readonly Body: ComponentType; readonly wide?: boolean }> = {
  commands: { title: FRAME.commands, Body: CommandLine, wide: true },
  keys: { title: FRAME.keys, Body: KeyList },
  words: { title: FRAME.words, Body: WordList, wide: true },
  devices: { title: FRAME.devices, Body: Devices },
  settings: { title: FRAME.settings, Body: Settings },
};

/** What the shell lays over a view: one at a time; Escape closes it, and the focus goes back to where it was. */
export function Panels() {
  const open = useOpenPanel();
  const { title, Body, wide = false } = PANELS[open ?? 'keys'];
  return (
    <Dialog.Root open={open !== null} onOpenChange={(next) => !next && closePanel()} modal={false}>
      <Dialog.Portal>
        <Dialog.Content
          aria-describedby={undefined}
          // A focus that comes late from what was there before does not close it; a press outside does.
          onFocusOutside={(e) => e.preventDefault()}
          onCloseAutoFocus={(e) => {
            e.preventDefault();
            // Another one may be open by now; the focus is its own then.
            if (!panelNow()) (focusedBefore() ?? document.getElementById(VIEW_ID))?.focus({ preventScroll: true });
          }}
          className={`fixed top-1/2 left-1/2 z-30 flex max-h-[92vh] -translate-x-1/2 -translate-y-1/2 flex-col gap-3 overflow-auto rounded-lg border border-line bg-sheet p-5 shadow-2xl short:p-2 ${wide ? 'w-[min(40rem,94vw)]' : 'w-[min(32rem,94vw)]'}`}
        >
          <div className="flex items-center gap-3">
            <Dialog.Title className="grow text-lg font-semibold">{title}</Dialog.Title>
            <Dialog.Close asChild>
              <Button>{FRAME.close}</Button>
            </Dialog.Close>
          </div>
          {open && <Body />}
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
