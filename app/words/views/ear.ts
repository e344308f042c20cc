/** The words of the chip that says whether something is listened to: every view that hears has it. */
export const EAR = {
  listening: 'Listening',
  short: { off: 'off', microphone: 'microphone', midi: 'MIDI', simulated: 'simulated player' },
} as const;
