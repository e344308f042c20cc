import { later } from './later';

/** A popup whose file loads once the first view is there, or when one is first opened. */
export const LaterPopup = later(async () => (await import('./Popup')).Popup);
