import { useEffect, useState } from 'react';

/** Where no view says that it stands, what waits for one goes on after so long, in ms. */
const PATIENCE_MS = 3000;

const waiting: (() => void)[] = [];
let stands = false;

/** Calls back once the first view has been painted: until then its drawing has the machine to itself. */
export function whenFirstView(then: () => void): void {
  if (stands) then();
  else waiting.push(then);
}

/** A view stands: once it is painted, what waited goes on. */
export function viewStands(): void {
  if (stands) return;
  requestAnimationFrame(() => setTimeout(goOn));
}

/** One after the other, each with the machine let go of before the next. */
function goOn(): void {
  stands = true;
  const then = waiting.shift();
  if (!then) return;
  then();
  setTimeout(goOn);
}

if (typeof document === 'object') setTimeout(goOn, PATIENCE_MS);

/** Whether the first view has been painted. */
export function useFirstView(): boolean {
  const [seen, setSeen] = useState(stands);
  useEffect(() => whenFirstView(() => setSeen(true)), []);
  return seen;
}
