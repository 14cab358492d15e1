import type { Actor } from '@/model/people';
import { queuePhotograph } from '../job/queuePhotograph';
import { sha256Of } from '../photographs/pictureFiles';

/** Puts the photographs of a unit that hangs now on their way; answers the names of those that this device can't keep. */
export async function keepPictures(
  { id: jobId, peg }: { readonly id: string; readonly peg: number },
  author: Actor,
  pictures: readonly File[],
): Promise<string[]> {
  const lost: string[] = [];
  for (const file of pictures) {
    try {
      await queuePhotograph({
        jobId,
        peg,
        author,
        file,
        digest: await sha256Of(file),
        at: { station: 'book-in' },
      });
    } catch {
      lost.push(file.name);
    }
  }
  return lost;
}
