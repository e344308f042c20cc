import { port } from '../../workers/port';
import { PitchDetector } from 'pitchy';
import { Detector } from './detector';
import type { Block, EarTask, FromEar, ToEar } from './messages';
import { Onsets } from './onsets';

/** Samples that the pitch of a ringing string is read off: five periods of a low B at 48 kHz. */
const TUNER_WINDOW = 8192;
const TUNER_EVERY_MS = 60;
/** Quieter than this no string is read. */
const TUNER_SILENT = 0.003;
const LEVEL_EVERY_MS = 90;

const tell = (message: FromEar): void => port.postMessage(message);

let rate = 48_000;
let task: EarTask = 'notes';
let range = { lowest: 23, highest: 88 };
let detector: Detector | null = null;
let onsets: Onsets | null = null;
/** The frame of the first sample given to either, and the one that comes next. */
let base = 0;
let next = 0;
let peak = 0;
let toldAt = 0;
const ringing = new Float32Array(TUNER_WINDOW);
const tuner = PitchDetector.forFloat32Array(TUNER_WINDOW);
const clicks: number[] = [];

const msOf = (frame: number): number => (frame / rate) * 1000;

/** Forgets what was heard: another task, another range, or a gap in the samples. */
function begin(frame: number): void {
  base = frame;
  detector = task === 'notes' ? new Detector(rate, { lowestMidi: range.lowest, highestMidi: range.highest }) : null;
  onsets = task === 'onsets' ? new Onsets(rate) : null;
  for (const ms of clicks) detector?.click(ms - msOf(base));
}

function take({ frame, samples }: Block): void {
  if (frame !== next || (!detector && !onsets && task !== 'tuner')) begin(frame);
  next = frame + samples.length;
  for (const v of samples) peak = Math.max(peak, Math.abs(v));
  if (detector) {
    const notes = detector.feed(samples).map((n) => ({ ...n, atMs: n.atMs + msOf(base) }));
    if (notes.length) tell({ notes });
  }
  if (onsets) for (const o of onsets.feed(samples)) tell({ onset: msOf(base + o.at) });
  if (task === 'tuner') {
    ringing.copyWithin(0, samples.length);
    ringing.set(samples, TUNER_WINDOW - samples.length);
  }
  const every = task === 'tuner' ? TUNER_EVERY_MS : LEVEL_EVERY_MS;
  if (msOf(frame - toldAt) < every && frame > toldAt) return;
  toldAt = frame;
  tell({ level: peak, pitch: task === 'tuner' && peak > TUNER_SILENT ? pitchOf() : null });
  peak = 0;
}

function pitchOf(): { readonly hz: number; readonly clarity: number } | null {
  const [hz, clarity] = tuner.findPitch(ringing, rate);
  return hz > 0 ? { hz, clarity } : null;
}

self.onmessage = ({ data }: MessageEvent<ToEar>) => {
  if ('open' in data) {
    ({ rate } = data.open);
    data.open.port.onmessage = (e: MessageEvent<Block>) => take(e.data);
  } else if ('clicks' in data) {
    clicks.push(...data.clicks);
    clicks.splice(0, Math.max(0, clicks.length - 200));
    for (const ms of data.clicks) detector?.click(ms - msOf(base));
  } else {
    if ('task' in data) ({ task } = data);
    else ({ range } = data);
    detector = onsets = null;
    ringing.fill(0);
  }
};
