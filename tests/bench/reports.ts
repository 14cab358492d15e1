import fs from 'node:fs';
import path from 'node:path';
import { decideUnit } from '@/server/decide/decide';
import { setGrade } from '@/server/grade/setGrade';
import { derivedPhotograph } from '@/server/photos/readPhotograph';
import { storePhotograph } from '@/server/photos/storePhotograph';
import { issueReport, readReport } from '@/server/report/issueReport';
import { printReport } from '@/server/report/printReport';
import { noteFinding } from '@/server/strip/noteFinding';
import {
  bookTestUnit,
  captureHead,
  openTestShop,
  sha256Of,
  streamOf,
  type TestShop,
} from '../unit/fixtures/shop';
import { peakMegabytes } from './peak';

/** A job whose one broken part was photographed so many times; what follows the end of a JPEG makes another file of it. */
async function photographed(jpeg: Buffer, count: number) {
  const shop = openTestShop();
  const jobId = bookTestUnit(shop);
  const { inspector, lead } = shop.people;
  const digests: string[] = [];
  for (let index = 0; index < count; index += 1) {
    const bytes = Buffer.concat([jpeg, Buffer.from(`no. ${index}`)]);
    const digest = sha256Of(bytes);
    digests.push(digest);
    const capture = {
      ...captureHead(jobId, inspector),
      ...{ positionId: 'ring-gear', fileName: `flank-${index}.jpg`, bytes: bytes.length, digest },
    };
    await storePhotograph(inspector, shop.context, { capture, body: streamOf(bytes) });
  }
  noteFinding(inspector, shop.context, {
    ...captureHead(jobId, inspector),
    ...{ positionId: 'ring-gear', mode: 'overload-fracture', place: 'root', severity: 'severe' },
  });
  setGrade(inspector, shop.context, {
    jobId,
    entry: { positionId: 'ring-gear', version: 0, grade: 5, reason: 'broken' },
  });
  decideUnit(lead, shop.context, {
    ...captureHead(jobId, lead),
    ...{ version: 0, decision: 'repair', reason: 'New gears.', watch: '' },
  });
  return { shop, jobId, digests };
}

const forgetSmall = ({ context }: TestShop) =>
  fs.rmSync(path.join(context.dataFolder, 'derived'), { recursive: true, force: true });

/** The customer's PDF with so many photographs, none made small before; and the making small alone, as many at once. Milliseconds. */
export async function pdfAgainstResizing(
  jpeg: Buffer,
  count: number,
): Promise<{ readonly ours: number; readonly bare: number }> {
  const { shop, jobId, digests } = await photographed(jpeg, count);
  try {
    const { number } = issueReport(shop.people.lead, shop.context, { jobId, reason: 'for the bench' });
    const issue = readReport(shop.people.lead, shop.context, { jobId, number });
    const timed = async (work: () => Promise<unknown>) => {
      forgetSmall(shop);
      const began = performance.now();
      await work();
      return performance.now() - began;
    };
    const resized = () => Promise.all(digests.map((digest) => derivedPhotograph(shop.context, digest, 1280)));
    const printed = () => printReport(shop.context, issue, 'A4');
    await timed(resized);
    let [ours, bare] = [Number.POSITIVE_INFINITY, Number.POSITIVE_INFINITY];
    for (let round = 0; round < 3; round += 1) {
      ours = Math.min(ours, await timed(printed));
      bare = Math.min(bare, await timed(resized));
    }
    return { ours, bare };
  } finally {
    shop.close();
  }
}

/** The most memory that taking a bundle out and in takes, MB, by how many photographs it has. */
export async function bundlePeak(jpeg: Buffer, count: number): Promise<number> {
  const { shop, jobId } = await photographed(jpeg, count);
  try {
    shop.context.db.pragma('wal_checkpoint(TRUNCATE)');
    return peakMegabytes('tests/bench/moveBundle.ts', [shop.context.dataFolder, jobId], '');
  } finally {
    shop.close();
  }
}
