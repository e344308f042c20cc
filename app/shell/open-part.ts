/** Keys pressed between a command that opens a chooser and the chooser's being there; they are its first ones. */
let early: { text: string; readonly stop: () => void } | null = null;
/** Nobody waits longer for a chooser; milliseconds. */
const PATIENCE_MS = 1500;

/** Gathers the keys that come before the chooser that was just asked for. */
export function gather(): void {
  early?.stop();
  const onKey = (e: KeyboardEvent): void => {
    if (!early || e.ctrlKey || e.metaKey || e.altKey) return;
    if (e.key === 'Escape') return early.stop();
    if (e.key.length !== 1 && e.key !== 'Backspace') return;
    e.preventDefault();
    e.stopImmediatePropagation();
    early.text = e.key === 'Backspace' ? early.text.slice(0, -1) : early.text + e.key;
  };
  const timer = setTimeout(() => early?.stop(), PATIENCE_MS);
  early = {
    text: '',
    stop: () => {
      clearTimeout(timer);
      removeEventListener('keydown', onKey, true);
      early = null;
    },
  };
  addEventListener('keydown', onKey, true);
}

/** What was typed before the chooser was there; from now on it hears for itself. */
export function typedEarly(): string {
  const text = early?.text ?? '';
  early?.stop();
  return text;
}

/** What a part opens stands beside it: the part has to be in sight. */
function show(part: HTMLElement): void {
  part.scrollIntoView({ block: 'nearest' });
  part.click();
}

/** Opens a part that is about to be drawn; keys that come in between are its first ones. */
export function openPartSoon(name: string): void {
  gather();
  const until = performance.now() + PATIENCE_MS;
  const look = (): void => {
    const part = document.querySelector<HTMLElement>(`[data-part="${name}"]`);
    if (part) show(part);
    else if (performance.now() < until) requestAnimationFrame(look);
  };
  requestAnimationFrame(look);
}

/** Opens a part of the view by its name: a chooser, or a chip. False where the view has none such. */
export function openPart(name: string): boolean {
  const part = document.querySelector<HTMLElement>(`[data-part="${name}"]`);
  if (!part) return false;
  gather();
  show(part);
  return true;
}
