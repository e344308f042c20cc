import { heardMsAt } from '../output';
import { EarError, type OpenSource } from './source';

/** The note that a MIDI message begins, or null: note on (0x9n) with a velocity above 0 (MIDI 1.0 Detailed Specification, channel voice messages). */
export function noteBegun(bytes: ArrayLike<number>): number | null {
  return bytes.length >= 3 && (bytes[0] & 0xf0) === 0x90 && bytes[2] > 0 && bytes[1] < 128 ? bytes[1] : null;
}

/** Asks for the instruments that send MIDI. Rejects with an EarError. */
async function access(): Promise<MIDIAccess> {
  if (!('requestMIDIAccess' in navigator)) throw new EarError('no-midi');
  return navigator.requestMIDIAccess().catch((e: unknown) => {
    throw new EarError((e as DOMException).name === 'NotSupportedError' ? 'no-midi' : 'refused');
  });
}

export const openMidi: OpenSource = async (context, { note, gone }, device) => {
  const midi = await access();
  const inputs = [...midi.inputs.values()].filter((i) => i.state === 'connected');
  const input = inputs.find((i) => i.id === device) ?? inputs.at(0);
  if (!input) throw new EarError('none');
  const onMessage = ({ data, timeStamp }: MIDIMessageEvent): void => {
    const begun = data && noteBegun(data);
    if (begun !== null) note({ midi: begun, atMs: heardMsAt(context, timeStamp), cents: 0, clarity: 1 });
  };
  const onState = ({ port }: MIDIConnectionEvent): void => {
    if (port?.id === input.id && port.state === 'disconnected') gone();
  };
  await input.open();
  input.addEventListener('midimessage', onMessage);
  midi.addEventListener('statechange', onState);
  return {
    device: input.name ?? '',
    node: null,
    close: () => {
      input.removeEventListener('midimessage', onMessage);
      midi.removeEventListener('statechange', onState);
      void input.close();
    },
  };
};

/** The instruments that send MIDI; none where it is not allowed. */
export const midiInputs = async (): Promise<{ id: string; name: string }[]> =>
  access().then(
    (midi) => [...midi.inputs.values()].map((i) => ({ id: i.id, name: i.name ?? i.id })),
    () => [],
  );
