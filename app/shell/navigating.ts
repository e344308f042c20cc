let going = false;

/** Told by the router at once, before anything is drawn: whether another view is being gone to. */
export const noteNavigating = (now: boolean): void => void (going = now);

/** Whether another view is being gone to; what would write the address then waits or lets it be. */
export const isNavigating = (): boolean => going;
