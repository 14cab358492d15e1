import fs from 'node:fs';
import path from 'node:path';
import { Readable } from 'node:stream';
import { pipeline } from 'node:stream/promises';
import type { ReadableStream } from 'node:stream/web';
import { v7 as uuidv7 } from 'uuid';
import { listPeople } from '@/db/people';
import { exportBundle } from '@/server/bundle/exportBundle';
import { previewBundle, takeInBundle } from '@/server/bundle/takeIn';
import { openContext } from '@/server/instance';
import { openTestShop } from '../unit/fixtures/shop';

/* One job out of a shop and into another, for whoever measures what it takes. */

const [folder, jobId] = process.argv.slice(2) as [string, string];
const context = openContext(folder, () => new Date('2026-11-25T09:00:00.000Z'), uuidv7);
const lead = listPeople(context.db).find(({ role }) => role === 'lead')!;
const file = path.join(folder, 'out.zip');
const { stream } = exportBundle(lead, context, { jobId });
await pipeline(Readable.fromWeb(stream as ReadableStream), fs.createWriteStream(file));
context.db.close();

const shop = openTestShop();
const { bundleId, peg } = await previewBundle(shop.people.lead, shop.context, {
  body: fs.createReadStream(file),
});
await takeInBundle(shop.people.lead, shop.context, { bundleId, peg });
shop.close();
