import { lazy, Suspense, type ReactNode } from 'react';

export interface Choice<T> {
  readonly key: string;
  readonly value: T;
  readonly title: string;
  readonly detail?: string;
}

export interface ChooserProps<T> {
  readonly label: string;
  readonly placeholder: string;
  /** The choices for what has been typed, best first. */
  readonly find: (text: string) => Choice<T>[];
  readonly onChoose: (value: T) => void;
  readonly current?: string;
  /** Said when nothing matches what was typed. */
  readonly empty: string | ((text: string) => string);
  /** Said over what is offered all the same, such as what is wrong with what was typed; null for nothing. */
  readonly note?: (text: string) => string | null;
  readonly render: (text: string) => ReactNode;
}

const Box = lazy(async () => ({ default: (await import('./ChooserBox')).ChooserBox })) as <T>(props: ChooserProps<T>) => ReactNode;

/**
 * A list that can be typed into: the first match is taken with Enter, others with the arrow keys or a click. What it is made of
 * loads when the first one is opened; keys typed until then are its first ones.
 */
export function Chooser<T>(props: ChooserProps<T>) {
  return (
    <Suspense fallback={<p data-coming aria-busy="true" />}>
      <Box {...props} />
    </Suspense>
  );
}
