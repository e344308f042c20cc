import { useEffect, useRef } from 'react';
import { useLocation } from 'react-router';
import { isLost } from '../ui/focus';
import { panelNow } from './panels';

export const VIEW_ID = 'view';

const view = (): HTMLElement | null => document.getElementById(VIEW_ID);
/** A press may take away what had the focus, or close what is laid over; it has come to rest after this long. Milliseconds. */
const REST_MS = 120;

/** The focus moves to the view when another is gone to (unless something laid over it has it), and back to it when what had it is no longer there. */
export function useViewFocus(): void {
  const { pathname } = useLocation();
  const first = useRef(true);
  useEffect(() => {
    if (first.current) first.current = false;
    else if (!panelNow() && !document.activeElement?.closest('[role=dialog]')) view()?.focus({ preventScroll: true });
  }, [pathname]);
  useEffect(() => {
    let had: Element | null = null;
    let timer: ReturnType<typeof setTimeout> | undefined;
    const onFocus = (e: FocusEvent): void => void (had = e.target instanceof Element ? e.target : null);
    const look = (): void => {
      clearTimeout(timer);
      timer = setTimeout(() => {
        if (had && !had.isConnected && isLost()) view()?.focus({ preventScroll: true });
      }, REST_MS);
    };
    const observer = new MutationObserver(() => {
      if (had && !had.isConnected && isLost()) look();
    });
    observer.observe(document.body, { childList: true, subtree: true });
    addEventListener('focusin', onFocus);
    return () => {
      observer.disconnect();
      clearTimeout(timer);
      removeEventListener('focusin', onFocus);
    };
  }, []);
}
