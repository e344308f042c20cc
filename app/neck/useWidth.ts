import { useLayoutEffect, useState, type RefObject } from 'react';

/** Measures an element in whole pixels, kept up to date; draws anew only when what is measured changes. */
function useMeasured(ref: RefObject<HTMLElement | null>, measure: (element: HTMLElement) => number): number {
  const [value, setValue] = useState(0);
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

/** The width of an element in pixels; 0 before it is known. */
export const useWidth = (ref: RefObject<HTMLElement | null>): number => useMeasured(ref, widthOf);

/** Its height. */
export const useHeight = (ref: RefObject<HTMLElement | null>): number => useMeasured(ref, heightOf);
