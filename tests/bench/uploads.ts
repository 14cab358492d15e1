import fs from 'node:fs';
import path from 'node:path';
import { derivedPhotograph, PHOTOGRAPH_SIZES } from '@/server/photos/readPhotograph';
import { storePhotograph } from '@/server/photos/storePhotograph';
import { bookTestUnit, captureHead, openTestShop, sha256Of, streamOf } from '../unit/fixtures/shop';

/** As many uploads of one picture, each a file of its own, with their thumbnails; and the same thumbnails made alone. Milliseconds. */
export async function uploadsAgainstThumbnails(
  jpeg: Buffer,
  count: number,
): Promise<{ readonly ours: number; readonly bare: number }> {
  const shop = openTestShop();
  try {
    const jobId = bookTestUnit(shop);
    // What follows the end of a JPEG is no part of the picture, and makes another file of it.
    const files = Array.from({ length: count }, (_, index) =>
      Buffer.concat([jpeg, Buffer.from(`no. ${index}`)]),
    );
    const thumbnails = async (digest: string) => {
      for (const size of PHOTOGRAPH_SIZES) await derivedPhotograph(shop.context, digest, size);
    };
    const times = { ours: 0, bare: 0 };
    // By turns, so that what else the machine does meets both alike.
    for (const bytes of files) {
      const digest = sha256Of(bytes);
      const capture = {
        ...captureHead(jobId, shop.people.inspector),
        ...{ fileName: 'flank.jpg', bytes: bytes.length, digest },
      };
      times.ours += await msOf(async () => {
        await storePhotograph(shop.people.inspector, shop.context, { capture, body: streamOf(bytes) });
        await thumbnails(digest);
      });
      fs.rmSync(path.join(shop.context.dataFolder, 'derived'), { recursive: true });
      times.bare += await msOf(() => thumbnails(digest));
    }
    return times;
  } finally {
    shop.close();
  }
}

async function msOf(work: () => Promise<unknown>): Promise<number> {
  const began = performance.now();
  await work();
  return performance.now() - began;
}
