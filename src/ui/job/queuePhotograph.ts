import type { StationId } from '@/model/job';
import { queueCapture } from './queue';

/** Where on the unit and where in the work a photograph was taken, as far as it is known. */
export interface Whereabouts {
  readonly positionId?: string;
  readonly station?: StationId;
  readonly stepId?: string;
}

interface PhotographOf {
  readonly jobId: string;
  readonly peg: number;
  readonly author: { readonly id: string; readonly name: string };
  readonly file: File;
  /** SHA-256 of the file, in hex. */
  readonly digest: string;
  readonly at: Whereabouts;
}

/** Keeps a photograph on this device until the shop's computer has it; answers its capture's id. */
export async function queuePhotograph({
  jobId,
  peg,
  author,
  file,
  digest,
  at,
}: PhotographOf): Promise<string> {
  const content = {
    fileName: file.name.slice(0, 160),
    bytes: file.size,
    digest,
    ...at,
  };
  return queueCapture({ kind: 'photograph', jobId, peg, author, content, blob: file });
}
