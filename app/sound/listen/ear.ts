import { useSyncExternalStore } from 'react';
import type { HeardPitch } from './detector';
import { holdAwake, openOutput, wake } from '../output';
import { become, earState, tellHeard } from './ear-state';
import workletUrl from './ear.worklet.ts?worker&url';
import { listenPrefs, setListenPrefs, type SourceName } from './listen-prefs';
import type { EarTask, FromEar, ToEar } from './messages';
import type { MeantNote } from './simulated';
import { EarError, lacking, PLAYER_DELAY, type EarProblem, type OpenSource, type Source } from './source';

/** Each loads when it is first opened. */
const OPEN: Readonly<Record<SourceName, () => Promise<OpenSource>>> = {
  microphone: async () => (await import('./microphone')).openMicrophone,
  midi: async () => (await import('./midi')).openMidi,
  simulated: async () => (await import('./player-in')).openPlayer,
};

let loud: { readonly level: number; readonly pitch: { readonly hz: number; readonly clarity: number } | null } = { level: 0, pitch: null };
const loudWatchers = new Set<() => void>();
const onOnsets = new Set<(ms: number) => void>();

let open: { readonly context: AudioContext; readonly source: Source; readonly worker: Worker | null; readonly close: () => void } | null =
  null;
let turn = 0;
let task: EarTask = 'notes';
let range = { lowest: 23, highest: 88 };

const send = (message: ToEar, transfer: Transferable[] = []): void => open?.worker?.postMessage(message, transfer);
const tellNote = (n: HeardPitch): void => tellHeard({ ...n, atMs: n.atMs - latencyNow() });

/** Begins to listen to a source. Nothing is rejected: what went wrong stands in the state. */
export async function listenTo(name: SourceName): Promise<void> {
  stopListening();
  const mine = ++turn;
  setListenPrefs({ source: name });
  become({ source: name, state: 'opening', problem: null, device: '' });
  try {
    const { context } = await openOutput().catch(() => {
      throw new EarError('broken');
    });
    if (name !== 'midi' && !('audioWorklet' in context)) throw new EarError(lacking('no-worklet'));
    // The question for the microphone comes before the sound is woken: a browser that asks may take minutes.
    const told = { note: tellNote, gone: () => turn === mine && fail('gone') };
    const prefs = listenPrefs.get();
    const source = await (await OPEN[name]())(context, told, name === 'simulated' ? '' : prefs[name]);
    if (!(await wake(context))) {
      source.close();
      throw new EarError('blocked');
    }
    const ear = source.node ? await openEar(context, source.node) : null;
    if (turn !== mine) return close(source, ear, () => undefined);
    const rest = holdAwake(context);
    open = { context, source, worker: ear?.worker ?? null, close: () => close(source, ear, rest) };
    send({ task });
    send({ range });
    become({ state: 'on', device: source.device });
  } catch (e) {
    if (turn === mine) fail(e instanceof EarError ? e.why : 'broken');
  }
}

export function stopListening(): void {
  turn++;
  open?.close();
  open = null;
  loud = { level: 0, pitch: null };
  loudWatchers.forEach((w) => w());
  if (earState().source !== null || earState().problem !== null) become({ source: null, state: 'off', problem: null, device: '' });
}

function fail(problem: EarProblem): void {
  const { source } = earState();
  stopListening();
  become({ problem, source: null });
  if (source) setListenPrefs({ source });
}

interface Ear {
  readonly worker: Worker;
  readonly node: AudioWorkletNode;
}
const prepared = new WeakSet<AudioContext>();

/** The way from a node of the audio graph to the worker that listens. */
async function openEar(context: AudioContext, from: AudioNode): Promise<Ear> {
  if (!prepared.has(context)) await context.audioWorklet.addModule(workletUrl);
  prepared.add(context);
  // One channel in; a silent one out, since what leads nowhere may not run.
  const node = new AudioWorkletNode(context, 'crow-ladder-ear', { channelCount: 1, channelCountMode: 'explicit', outputChannelCount: [1] });
  const worker = new Worker(new URL('./ear.worker.ts', import.meta.url), { type: 'module' });
  const { port1, port2 } = new MessageChannel();
  node.port.postMessage({ port: port1 }, [port1]);
  worker.onmessage = ({ data }: MessageEvent<FromEar>) => {
    if ('notes' in data) return data.notes.forEach(tellNote);
    if ('onset' in data) return onOnsets.forEach((f) => f(data.onset));
    loud = data;
    loudWatchers.forEach((w) => w());
  };
  worker.postMessage({ open: { port: port2, rate: context.sampleRate } } satisfies ToEar, [port2]);
  from.connect(node).connect(context.destination);
  return { worker, node };
}

function close(source: Source, ear: Ear | null, rest: () => void): void {
  source.close();
  ear?.node.disconnect();
  ear?.worker.terminate();
  rest();
}

/** What the ear listens for from now on. */
export function setEarTask(next: EarTask): void {
  task = next;
  send({ task });
}
/** MIDI numbers that may be played from now on. */
export function setEarRange(lowest: number, highest: number): void {
  if (range.lowest === lowest && range.highest === highest) return;
  range = { lowest, highest };
  send({ range });
}
/** Clicks that will sound, in ms of the audio clock; they are heard later by the latency. */
export const tellClicks = (ms: readonly number[]): void => send({ clicks: ms.map((m) => m + latencyNow()) });

/** Onsets as they come in, in ms of the audio clock, nothing set off. */
export function onOnset(f: (ms: number) => void): () => void {
  onOnsets.add(f);
  return () => onOnsets.delete(f);
}

/** The audio clock in ms; 0 while nothing listens. */
export const earNow = (): number => (open ? open.context.currentTime * 1000 : 0);

/** A microphone that was not measured: what the browser says of its output, and as much again. */
const guessed = (): number => {
  const { baseLatency = 0, outputLatency = 0 } = open?.context ?? {};
  return Math.round(2000 * (baseLatency + outputLatency));
};

/** What is set off, in ms. */
export function latencyNow(): number {
  const { latency, asMidi, source } = listenPrefs.get();
  const of = earState().source ?? source;
  if (of === 'simulated') return asMidi ? 0 : (latency.simulated ?? PLAYER_DELAY);
  return latency[of] ?? (of === 'midi' ? 0 : guessed());
}

/** The simulated player, where it is what is listened to. */
export const canPerform = (): boolean => earState().state === 'on' && open?.source.perform !== undefined;
export const prepareToPlay = async (notes: readonly MeantNote[]): Promise<void> => open?.source.prepare?.(notes);
export const perform = (notes: readonly MeantNote[], startMs: number, exactly = false): void =>
  open?.source.perform?.(notes, startMs, exactly);
export const hush = (): void => open?.source.hush?.();

const subscribe =
  (all: Set<() => void>) =>
  (f: () => void): (() => void) => {
    all.add(f);
    return () => all.delete(f);
  };
const watchLoud = subscribe(loudWatchers);
/** Told each time that the level, or what rings, was measured. */
export const onLoudness = (f: (now: typeof loud) => void): (() => void) => watchLoud(() => f(loud));
/** How loud it is (peak, 0 to 1), and in the tuner's task what rings. */
export const useLoudness = (): typeof loud => useSyncExternalStore(watchLoud, () => loud);
