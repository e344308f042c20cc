import { useLayoutEffect, useRef, useState, type RefObject } from 'react';

/** Measures an element in whole pixels, kept up to date; draws anew only when what is measured changes. `first` holds until it is measured. */
function useMeasured(ref: RefObject<HTMLElement | null>, measure: (element: HTMLElement) => number, first: () => number): number {
  const [value, setValue] = useState(first);
  const likely = useRef(value);
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return undefined;
    const look = (): void => setValue(Math.floor(measure(element)));
    // What is drawn as it will likely be is measured with the frame; to ask now would lay the whole page out once more.
    if (!likely.current) look();
    const observer = new ResizeObserver(look);
    observer.observe(element);
    return () => observer.disconnect();
  }, [ref, measure]);
  return value;
}

const widthOf = (e: HTMLElement): number => e.clientWidth;
const heightOf = (e: HTMLElement): number => e.clientHeight;

const unknown = (): number => 0;

/** The browser's own letter size against the usual one. */
export const letters = (): number => parseFloat(getComputedStyle(document.documentElement).fontSize) / 16 || 1;

/** From here on something may stand beside a card. */
const WIDE_WINDOW = '(min-width: 64rem)';

/**
 * How wide a holder will be in a card across the view: less its border and padding in pixels, and what stands beside it on a wide
 * window in rem. It is drawn so at once, in parts that the browser may look up between, and drawn again only where the holder then
 * measures otherwise.
 */
export function likelyWidth(card: number, beside: number): number {
  const main = document.querySelector('main');
  if (!main) return 0;
  const { paddingLeft, paddingRight } = getComputedStyle(main);
  const inside = main.clientWidth - parseFloat(paddingLeft) - parseFloat(paddingRight) - card;
  return Math.max(0, Math.floor(inside - (matchMedia(WIDE_WINDOW).matches ? beside * 16 * letters() : 0)));
}

/** The width of an element in pixels; before it is known, 0 or what it will be most likely. */
export const useWidth = (ref: RefObject<HTMLElement | null>, first = unknown): number => useMeasured(ref, widthOf, first);

/** Its height. */
export const useHeight = (ref: RefObject<HTMLElement | null>): number => useMeasured(ref, heightOf, unknown);
