import { heardMsAt } from '../output';
import { noteBegun } from './midi-note';
import { EarError, lacking, type OpenSource } from './source';

/** Asks for the instruments that send MIDI. Rejects with an EarError. */
async function access(): Promise<MIDIAccess> {
  if (!('requestMIDIAccess' in navigator)) throw new EarError(lacking('no-midi'));
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
export const midiInputs = async (): Promise<{ readonly id: string; readonly name: string }[]> =>
  access().then(
    (midi) => [...midi.inputs.values()].map((i) => ({ id: i.id, name: i.name ?? i.id })),
    () => [],
  );
