import type { ReactNode } from 'react';
import type { ChooserProps } from './ChooserBox';
import { COMING } from './coming';
import { later } from './later';

export type { Choice } from './ChooserBox';

const Box = later(async () => (await import('./ChooserBox')).ChooserBox, COMING);

/**
 * A list that can be typed into: the first match is taken with Enter, others with the arrow keys or a click. What it is made of
 * loads when the first one is opened; keys typed until then are its first ones.
 */
export const Chooser = Box as <T>(props: ChooserProps<T>) => ReactNode;
