/** A device that was let in by a code. */
export interface Device {
  id: string;
  /** As the player called it. */
  name: string;
  /** Milliseconds since 1970. */
  createdAt: number;
  usedAt: number;
}

/** What other devices of the network are offered; told to this machine only. */
export interface Offer {
  /** Addresses at which the notebook answers on the network; empty where it is not shared. */
  urls: string[];
  /** Whether a certificate encrypts the connection. */
  encrypted: boolean;
  /** The code that lets a device in; null where none is good now. */
  code: { text: string; until: number; wrong: number } | null;
  /** The first address with its code, as a square code for a camera: an SVG. */
  square: string | null;
  devices: Device[];
}

/** One change that the server kept, as it tells it to windows that follow. */
export type ServerEvent =
  /** A record; its revision is null where it was deleted, and a whole notebook is "all". */
  | { kind: 'studies' | 'instruments' | 'scales' | 'drills' | 'all'; id: string | null; revision: number | null }
  /** Windows that follow just now, this one too. */
  | { kind: 'present'; count: number };

/** Longest name of a device. */
export const MOST_DEVICE_NAME = 40;
/** Devices that may be let in. */
export const MOST_DEVICES = 20;
