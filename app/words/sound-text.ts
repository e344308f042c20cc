/** Why nothing sounds, and what a player can do about it. */
export const NO_SOUND = {
  blocked:
    'No sound came on: the browser holds it back, or there is no audio output. Look at the system’s sound settings, then press again.',
  elsewhere: 'Another window of Crow Ladder is playing.',
  broken: 'No sound: this browser could not open its audio. Reload the page, or try another browser.',
} as const;
