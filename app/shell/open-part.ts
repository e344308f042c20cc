/** Keys pressed between a command that opens a chooser and the chooser's being there; they are its first ones. */
let early: { text: string; enter: boolean; readonly stop: () => void } | null = null;
/** Nobody waits longer for a chooser; milliseconds. What it is made of may still have to come. */
const PATIENCE_MS = 6000;
/** Nor for a part that is about to be drawn. */
const DRAWN_MS = 1500;

/** Gathers the keys that come before the chooser that was just asked for. */
export function gather(): void {
  early?.stop();
  const onKey = (e: KeyboardEvent): void => {
    if (!early || e.ctrlKey || e.metaKey || e.altKey) return;
    if (e.key === 'Escape') return early.stop();
    if (e.key.length !== 1 && e.key !== 'Backspace' && e.key !== 'Enter') return;
    e.preventDefault();
    e.stopImmediatePropagation();
    if (early.enter) return;
    if (e.key === 'Enter') {
      early.enter = true;
      return;
    }
    early.text = e.key === 'Backspace' ? early.text.slice(0, -1) : early.text + e.key;
  };
  const timer = setTimeout(() => early?.stop(), PATIENCE_MS);
  early = {
    text: '',
    enter: false,
    stop: () => {
      clearTimeout(timer);
      removeEventListener('keydown', onKey, true);
      early = null;
    },
  };
  addEventListener('keydown', onKey, true);
}

/** What was typed before the chooser was there, and whether its first match was taken with Enter; from now on it hears for itself. */
export function typedEarly(): { readonly text: string; readonly enter: boolean } {
  const { text = '', enter = false } = early ?? {};
  early?.stop();
  return { text, enter };
}

/** What a part opens stands beside it: the part has to be in sight. */
function show(part: HTMLElement): void {
  part.scrollIntoView({ block: 'nearest' });
  part.click();
}

/** Opens a part that is about to be drawn; keys that come in between are its first ones. */
export function openPartSoon(name: string): void {
  gather();
  const until = performance.now() + DRAWN_MS;
  const look = (): void => {
    const part = document.querySelector<HTMLElement>(`[data-part="${name}"]`);
    if (part) show(part);
    else if (performance.now() < until) requestAnimationFrame(look);
    else typedEarly(); // it does not come: the keys are commands again
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
