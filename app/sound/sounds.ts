import { CLICKS, DRUMS, hertzOf, isOneOf, type Click, type Drum } from '../../core';
import { clickOf } from './click';
import { drumOf } from './drums';
import { pluck, ringOf } from './pluck';

/** A string's sound at a pitch, and a click, by name. Names tell all there is to render. */
export const stringSound = (string: number, midi: number): string => `string/${string}/${midi}`;
export const clickSound = (click: Click, accent: boolean): string => `click/${click}/${accent ? 'accent' : 'plain'}`;

export const bassSound = (midi: number): string => `bass/${midi}`;
export const drumSound = (drum: Drum): string => `drum/${drum}`;

/** A bass is plucked over the neck, and its overtones are gone before its tone (by ear, no published source). */
const BASS = { ring: 3.2, bright: 0.28, pickAt: 0.32 };

/** Thick strings are picked a little further from the bridge and sound duller (by ear, no published source). */
const pickAt = (string: number): number => 0.13 + 0.012 * Math.min(string, 8);
const brightness = (string: number): number => 0.95 - 0.06 * Math.min(string, 8);
/** Two notes alike would sound like a machine: each is up to so much softer. */
const UNEVEN = 0.06;

/** The samples of a named sound. */
export function render(name: string, sampleRate: number): Float32Array {
  const [kind, what, which] = name.split('/');
  if (kind === 'click') return clickOf(isOneOf(CLICKS, what) ? what : 'wood', which === 'accent', sampleRate);
  if (kind === 'drum') return drumOf(DRUMS.find((d) => d === what) ?? 'rim', sampleRate);
  if (kind === 'bass') return pluck({ hz: hertzOf(Number(what)), sampleRate, ...BASS, seed: Number(what), level: 1 });
  const [string, midi] = [Number(what), Number(which)];
  const hz = hertzOf(midi);
  const seed = string * 1000 + midi;
  const level = 1 - UNEVEN * ((seed * 7919) % 101) * 0.01;
  return pluck({ hz, sampleRate, ring: ringOf(hz), bright: brightness(string), pickAt: pickAt(string), seed, level });
}
