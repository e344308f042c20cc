import { useLayoutEffect, useState, type RefObject } from 'react';

/** Measures an element in whole pixels, kept up to date; draws anew only when what is measured changes. `first` holds until it is measured. */
function useMeasured(ref: RefObject<HTMLElement | null>, measure: (element: HTMLElement) => number, first: () => number): number {
  const [value, setValue] = useState(first);
  useLayoutEffect(() => {
    const element = ref.current;
    if (!element) return undefined;
    const look = (): void => setValue(Math.floor(measure(element)));
    look();
    const observer = new ResizeObserver(look);
    observer.observe(element);
    return () => observer.disconnect();
  }, [ref, measure]);
  return value;
}

const widthOf = (e: HTMLElement): number => e.clientWidth;
const heightOf = (e: HTMLElement): number => e.clientHeight;

const unknown = (): number => 0;

/** The width of an element in pixels; before it is known, 0 or what it will be most likely. */
export const useWidth = (ref: RefObject<HTMLElement | null>, first = unknown): number => useMeasured(ref, widthOf, first);

/** Its height. */
export const useHeight = (ref: RefObject<HTMLElement | null>): number => useMeasured(ref, heightOf, unknown);
