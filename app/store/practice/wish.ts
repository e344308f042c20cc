/** A warm-up that was asked for from the day's list: its shape, slow and without scoring, until something else is chosen. */
let warmUp: string | null = null;
const listeners = new Set<() => void>();

export const askWarmUp = (shape: string | null): void => {
  warmUp = shape;
  listeners.forEach((l) => l());
};
export const warmUpAsked = (): string | null => warmUp;
export const onWarmUp = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => void listeners.delete(listener);
};
