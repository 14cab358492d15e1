import { createHash } from 'node:crypto';
import fs from 'node:fs';
import path from 'node:path';
import { Readable } from 'node:stream';
import { analyse } from '@/core/sound/analyse';
import { keptHeard } from '@/core/sound/keptHeard';
import { ordersOfUnit } from '@/core/sound/orders';
import { turningOf } from '@/core/sound/turning';
import { readWavHeader, samplesOf } from '@/core/sound/wav';
import type { Actor } from '@/model/people';
import type { RecordContent } from '@/model/recordKinds';
import type { UnitType } from '@/model/unitType';
import type { Context } from '@/server/context';
import { storeRecording } from '@/server/recordings/storeRecording';
import type { DemoJob } from './scenario/scenario';

const RECORDINGS = path.join(import.meta.dirname, 'recordings');

/** The demonstration's recordings, told and, where the story says so, heard: by the same sums as a person's. */
export async function seedRecordings(
  {
    context,
    actor,
    jobId,
    unitType,
    deviceTime,
  }: {
    readonly context: Context;
    readonly actor: Actor;
    readonly jobId: string;
    readonly unitType: UnitType;
    readonly deviceTime: string;
  },
  recordings: DemoJob['recordings'],
  keep: (content: RecordContent) => string,
): Promise<void> {
  for (const { file, told, isHeard } of recordings) {
    const bytes = fs.readFileSync(path.join(RECORDINGS, file));
    const digest = createHash('sha256').update(bytes).digest('hex');
    const id = context.newId();
    await storeRecording(actor, context, {
      capture: {
        ...{ id, jobId, authorId: actor.id, deviceTime, station: 'book-in', fileName: file },
        ...{ bytes: bytes.length, digest },
      },
      body: Readable.from([bytes]),
    });
    const toldId = keep({ what: 'recording-told', recordingId: id, told });
    const unit = ordersOfUnit(unitType, told.gear, told.load === 'coast');
    if (!isHeard || !unit || !told.speed) continue;
    const format = readWavHeader(bytes, bytes.length);
    const turning = turningOf(told.speed, {
      ...{ ratio: unit.ratio, seconds: format.seconds, doubt: told.doubt, road: told },
    });
    const whole = bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.byteLength) as ArrayBuffer;
    const analysis = analyse(samplesOf(whole, format), format.rate, { ...unit, turning });
    keep({ what: 'recording-heard', recordingId: id, toldId, ...keptHeard(analysis) });
  }
}
