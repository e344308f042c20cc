/** Nothing has the focus: what had it is gone, or it was let go of. */
export const isLost = (): boolean => document.activeElement === null || document.activeElement === document.body;
