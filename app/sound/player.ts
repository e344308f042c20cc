import type { AtSeam, Score, Seam, Take } from './engine/score';
import { heardFrame, holdAwake, openOutput, wake, type Output } from './output';
import type { Rendered, RenderOrder } from './render.worker';

/** Why nothing sounds. */
export type NoSound = 'blocked' | 'elsewhere' | 'broken';
export class SoundError extends Error {
  constructor(readonly why: NoSound) {
    super(why);
  }
}

export interface Playing {
  readonly stop: () => void;
  /** From the next seam on. */
  readonly change: (atSeam: AtSeam) => void;
  /** Which pass is heard now and the beat in it; null before the first note is heard. */
  readonly where: () => { readonly pass: number; readonly beat: number; readonly tempo: number } | null;
}

export interface Listener {
  /** A pass begins: 0 is the lead-in. Told a little before it is heard, in the background too; `atMs` is its time on the audio clock. */
  readonly onSeam?: (seam: Seam, atMs: number) => void;
  /** Nothing sounds any more: the end, a stop, or because something else began to play, here or in another window. */
  readonly onEnd?: () => void;
}

const LOCK = 'crow-ladder:sound';
/** From the order to the first sound, in seconds: as much as the audio thread needs to hear of it. */
const LEAD = 0.08;

let current: { readonly stop: () => void; readonly end: () => void; readonly seams: Seam[]; readonly listener: Listener } | null = null;
let turn = 0;

/** Plays a take; whatever played before in this window stops. Rejects with a SoundError. `take over` stops another window. */
export async function play(take: Take, listener: Listener, takeOver = false): Promise<Playing> {
  const mine = ++turn;
  current?.stop();
  const output = await openOutput().catch(() => {
    throw new SoundError('broken');
  });
  const ready = await Promise.all([wake(output.context), prepare(output, [take.lead, take.score])]);
  if (!ready[0]) throw new SoundError('blocked');
  const release = await holdSound(takeOver, () => turn === mine && current?.stop());
  if (!release) throw new SoundError('elsewhere');
  if (turn !== mine) {
    release();
    return { stop: () => undefined, change: () => undefined, where: () => null };
  }
  return begin(output, take, listener, release);
}

function begin({ context, engine }: Output, take: Take, listener: Listener, release: () => void): Playing {
  const seams: Seam[] = [];
  const rest = holdAwake(context);
  let over = false;
  const end = (): void => {
    if (over) return;
    over = true;
    if (current === me) current = null;
    release();
    rest();
    listener.onEnd?.();
  };
  const stop = (): void => {
    if (over) return;
    engine.send({ stop: true });
    end();
  };
  const me = { stop, end, seams, listener };
  current = me;
  engine.listen((message) => {
    if (over) return;
    if ('end' in message) return seams.length ? end() : undefined;
    seams.push(message.seam);
    if (seams.length > 4) seams.shift();
    listener.onSeam?.(message.seam, (message.seam.frame / context.sampleRate) * 1000);
  });
  engine.send({ play: take, inFrames: Math.round(LEAD * context.sampleRate) });
  context.onstatechange = () => {
    if (current && context.state !== 'running' && context.state !== 'closed') void context.resume(); // the machine slept, the device changed
  };
  return {
    stop,
    change: (atSeam) => {
      void (async () => {
        if (atSeam.score) await prepare(await openOutput(), [atSeam.score]);
        if (!over) engine.send({ change: atSeam });
      })();
    },
    where: () => {
      const frame = heardFrame(context);
      const seam = seams.findLast((s) => s.frame <= frame);
      return seam && !over ? { pass: seam.pass, beat: (frame - seam.frame) / seam.perBeat, tempo: seam.tempo } : null;
    },
  };
}

/** One window sounds at a time: the lock is held while this one does. Null where another has it; `lost` where it is taken away. */
async function holdSound(takeOver: boolean, lost: () => void): Promise<(() => void) | null> {
  const { locks }: Partial<Navigator> = navigator;
  if (!locks) return () => undefined;
  return new Promise((answer) => {
    const held = (lock: Lock | null): Promise<void> | undefined => {
      if (!lock) return void answer(null);
      return new Promise((done) => answer(() => done()));
    };
    locks.request(LOCK, takeOver ? { steal: true } : { ifAvailable: true }, held).catch(lost);
  });
}

/** Sounds that the engine knows, the one used last at the end; of so many (some 80 MB) the oldest are forgotten. */
const known = new Set<string>();
const MOST_KNOWN = 110;

/** The names a score needs, moved to the end; the oldest beyond the limit go, never one that is needed now. */
function used(engine: Output['engine'], names: ReadonlySet<string>): void {
  for (const n of names) {
    known.delete(n);
    known.add(n);
  }
  const gone = [...known].slice(0, Math.max(0, known.size - Math.max(MOST_KNOWN, names.size)));
  gone.forEach((n) => known.delete(n));
  if (gone.length) engine.send({ forget: gone });
}
let renderer: Worker | null = null;
let orders = 0;
const waiting = new Map<number, (sounds: Rendered['sounds']) => void>();

/** Renders what the scores need and the engine does not know yet, in a worker. */
async function prepare({ context, engine }: Output, scores: readonly (Score | null)[]): Promise<void> {
  const names = new Set(scores.flatMap((s) => s?.events.map((e) => e.sound) ?? []));
  const sounds = [...names].filter((n) => !known.has(n));
  if (!sounds.length) return used(engine, names);
  if (!renderer) {
    renderer = new Worker(new URL('./render.worker.ts', import.meta.url), { type: 'module' });
    renderer.onmessage = ({ data }: MessageEvent<Rendered>) => {
      waiting.get(data.id)?.(data.sounds);
      waiting.delete(data.id);
    };
  }
  const id = ++orders;
  const done = new Promise<Rendered['sounds']>((ready) => waiting.set(id, ready));
  renderer.postMessage({ id, sounds, sampleRate: context.sampleRate } satisfies RenderOrder);
  const rendered = await done;
  engine.send({ sounds: rendered }, rendered.map(([, samples]) => samples.buffer)); // prettier-ignore
  used(engine, names);
}
