import { renderTake, type OfflineTake } from '../sound/offline';
import { writeWav } from '../../formats/wav';
import { serveSearch } from './serve-search';

/** What is rendered to a file. */
export interface WavJob {
  readonly take: OfflineTake;
  readonly sampleRate: number;
}

function* rendering({ take, sampleRate }: WavJob): Generator<number, Uint8Array[]> {
  const blocks: Float32Array[] = [];
  for (const { done, block } of renderTake(take, sampleRate)) {
    blocks.push(block);
    yield done;
  }
  return [writeWav(blocks, sampleRate)];
}

serveSearch<WavJob, Uint8Array[]>(rendering);
