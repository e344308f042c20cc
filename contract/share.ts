/** A device that was let in by a code. */
export interface Device {
  readonly id: string;
  /** As the player called it. */
  readonly name: string;
  /** Milliseconds since 1970. */
  readonly createdAt: number;
  readonly usedAt: number;
}

/** What other devices of the network are offered; told to this machine only. */
export interface Offer {
  /** Addresses at which the notebook answers on the network; empty where it is not shared. */
  readonly urls: string[];
  /** Whether a certificate encrypts the connection. */
  readonly encrypted: boolean;
  /** The code that lets a device in; null where none is good now. */
  readonly code: { readonly text: string; readonly until: number; readonly wrong: number } | null;
  /** The first address with its code, as a square code for a camera: an SVG. */
  readonly square: string | null;
  readonly devices: Device[];
}

/** One change that the server kept, as it tells it to windows that follow. */
export type ServerEvent =
  /** A record; its revision is null where it was deleted, and a whole notebook is "all". */
  | { readonly kind: 'studies' | 'instruments' | 'scales' | 'drills' | 'all'; readonly id: string | null; readonly revision: number | null }
  /** Windows that follow just now, this one too. */
  | { readonly kind: 'present'; readonly count: number };

/** Longest name of a device. */
export const MOST_DEVICE_NAME = 40;
/** Devices that may be let in. */
export const MOST_DEVICES = 20;
