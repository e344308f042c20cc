import { EarError, lacking, type EarProblem, type OpenSource } from './source';

/** What a browser calls what went wrong (Media Capture and Streams, W3C, getUserMedia). */
const WHY: Readonly<Record<string, EarProblem>> = {
  NotAllowedError: 'refused',
  SecurityError: 'refused',
  NotFoundError: 'none',
  OverconstrainedError: 'none',
  NotReadableError: 'busy',
  AbortError: 'busy',
};

/** The microphone as it is: whatever a browser does to speech harms strings. */
const plain = (device: string): MediaTrackConstraints => ({
  echoCancellation: false,
  noiseSuppression: false,
  autoGainControl: false,
  ...(device ? { deviceId: { exact: device } } : {}),
});

export const openMicrophone: OpenSource = async (context, { gone }, device) => {
  const { mediaDevices: devices }: Partial<Navigator> = navigator;
  if (!devices) throw new EarError(lacking('none'));
  const stream = await devices.getUserMedia({ audio: plain(device) }).catch((e: unknown) => {
    throw new EarError(WHY[(e as DOMException).name] ?? 'broken');
  });
  const [track] = stream.getAudioTracks();
  track!.addEventListener('ended', gone);
  const node = context.createMediaStreamSource(stream);
  return {
    device: track!.label,
    node,
    close: () => {
      track!.removeEventListener('ended', gone);
      node.disconnect();
      stream.getTracks().forEach((t) => t.stop());
    },
  };
};

/** The microphones there are; names only once the player has let one in. */
export async function microphones(): Promise<{ readonly id: string; readonly name: string }[]> {
  const { mediaDevices: devices }: Partial<Navigator> = navigator;
  const all = (await devices?.enumerateDevices().catch(() => [])) ?? [];
  return all.flatMap((d) => (d.kind === 'audioinput' && d.deviceId && d.label ? [{ id: d.deviceId, name: d.label }] : []));
}
