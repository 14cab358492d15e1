import { BadInput } from '@/core/badInput';
import { HEADER_BYTES, MOST_RECORDING_BYTES, readWavHeader } from '@/core/sound/wav';
import type { StationId } from '@/model/job';
import { queueCapture } from '../job/queue';
import type { BenchJob } from '../job/useJob';
import { sha256Of } from '../photographs/pictureFiles';

/**
 * Keeps a recording on this device at once, once its header says that it can be read; answers its capture's id, or what is wrong with it.
 */
export async function takeRecording(
  job: BenchJob,
  author: { readonly id: string; readonly name: string },
  station: StationId,
  file: File,
): Promise<{ readonly id: string } | { readonly trouble: string }> {
  const refusal = await refuseRecording(file);
  if (refusal) return { trouble: `“${file.name}”: ${refusal}. Nothing was taken.` };
  const digest = await sha256Of(file);
  const { id: jobId, peg } = job.snapshot.job;
  const twin = job.snapshot.recordings.find((each) => each.digest === digest && !each.struck);
  if (twin) return { trouble: `“${file.name}” is here already, and was not taken again.` };
  const id = await queueCapture({
    ...{ kind: 'recording' as const, jobId, peg, author, blob: file },
    content: { fileName: file.name.slice(0, 160), bytes: file.size, digest, station },
  });
  void job.sendWaiting();
  return { id };
}

async function refuseRecording(file: Blob): Promise<string | undefined> {
  if (file.size > MOST_RECORDING_BYTES) return 'it is larger than any recording of ten minutes';
  const head = new Uint8Array(await file.slice(0, HEADER_BYTES).arrayBuffer());
  try {
    readWavHeader(head, file.size);
    return undefined;
  } catch (error) {
    if (!(error instanceof BadInput)) throw error;
    return error.message;
  }
}
