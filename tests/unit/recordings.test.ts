import fs from 'node:fs';
import path from 'node:path';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { rangedResponse } from '@/app/api/rangedResponse';
import { gatherEvidence } from '@/core/causes/evidence/gathered';
import { placeNetwork } from '@/core/causes/placeNetwork';
import { composeReport } from '@/core/report/composeReport';
import { recordingsOf } from '@/core/sound/recordingsOf';
import { wavOf } from '@/core/sound/wav';
import { partStates } from '@/core/wear/partStates';
import type { ToldOfRecording } from '@/model/recording';
import type { RecordContent } from '@/model/recordKinds';
import { lookThrough } from '@/server/backup/lookThrough';
import { readCauses } from '@/server/causes/readCauses';
import { gatherSnapshot } from '@/server/job/readSnapshot';
import { readRecording } from '@/server/recordings/readRecording';
import { storeRecording } from '@/server/recordings/storeRecording';
import { keepRecord } from '@/server/strip/keepRecord';
import { strikeCapture } from '@/server/strip/strikeCapture';
import {
  bookTestUnit,
  captureHead,
  filesIn,
  openTestShop,
  sha256Of,
  streamOf,
  type TestShop,
} from './fixtures/shop';

const DEMO = fs.readFileSync(path.join(import.meta.dirname, '../../demo/recordings/pass-road-60.wav'));
const SMALL = Buffer.from(wavOf([Float32Array.from({ length: 800 }, (_, at) => Math.sin(at / 3))], 8000));

let shop: TestShop;
let jobId: string;
beforeEach(() => {
  shop = openTestShop();
  jobId = bookTestUnit(shop);
});
afterEach(() => shop.close());

const captureOf = (bytes: Buffer, over: object = {}) => ({
  ...captureHead(jobId, shop.people.inspector),
  ...{ fileName: 'howl.wav', bytes: bytes.length, digest: sha256Of(bytes), station: 'book-in' as const },
  ...over,
});
const store = (bytes: Buffer, capture = captureOf(bytes)) =>
  storeRecording(shop.people.inspector, shop.context, { capture, body: streamOf(bytes) });
const snapshot = () => gatherSnapshot(shop.context.db, jobId);
const keep = (content: RecordContent): string => {
  const capture = { ...captureHead(jobId, shop.people.inspector), content };
  keepRecord(shop.people.inspector, shop.context, capture);
  return capture.id;
};
const told: ToldOfRecording = {
  ...{
    where: 'on the road',
    place: '',
    gear: 'Drive',
    load: 'drive',
    doubt: 0.02,
    wheelRolls: 2.2,
    outputPerWheel: 1,
  },
  speed: { by: 'road', kmh: 60 },
};
const heard = (place: string, ratio: number, kind: 'outer' | 'mesh' = 'outer') => ({
  ...{ place, kind, of: `${place}, heard`, order: 6.8, frequency: 190 + ratio, level: 20, share: 0.9, ratio },
  in: 'spectrum' as const,
});

describe('a recording that is stored', () => {
  it('lies under its digest, is read with its length, and sent twice is one', async () => {
    const capture = captureOf(SMALL);
    expect((await store(SMALL, capture)).stored).toBe('now');
    expect((await store(SMALL, capture)).stored).toBe('already');
    expect(snapshot().recordings).toMatchObject([
      { fileName: 'howl.wav', rate: 8000, channels: 1, seconds: 0.1, station: 'book-in' },
    ]);
    expect(filesIn(path.join(shop.context.dataFolder, 'recordings'))).toEqual([sha256Of(SMALL)]);
    expect(filesIn(path.join(shop.context.dataFolder, 'incoming'))).toEqual([]);
  });

  it.each([
    ['no WAV', Buffer.from('This is a letter, not a noise.'), 'it is no WAV file'],
    ['an MP3 called one', Buffer.from([0xff, 0xfb, 0x90, 0x00, ...new Array(100).fill(7)]), 'it is an MP3'],
  ])('as %s is refused with nothing left behind', async (_, bytes, words) => {
    await expect(store(bytes)).rejects.toThrow(words);
    expect(snapshot().recordings).toEqual([]);
    expect(filesIn(path.join(shop.context.dataFolder, 'incoming'))).toEqual([]);
    expect(filesIn(path.join(shop.context.dataFolder, 'recordings'))).toEqual([]);
  });

  it('that did not arrive whole is sent again', async () => {
    await expect(store(SMALL.subarray(0, 900), captureOf(SMALL))).rejects.toMatchObject({
      message: expect.stringContaining('did not arrive whole'),
    });
  });

  it('is given piece by piece, to its own job alone', async () => {
    const { id } = await store(SMALL);
    const kept = await readRecording(shop.people.inspector, shop.context, { jobId, recordingId: id });
    const asked = (range?: string) =>
      rangedResponse(kept, 'audio/wav', { headers: new Headers(range ? { range } : {}) });
    const piece = asked('bytes=44-143');
    expect([piece.status, piece.headers.get('content-range')]).toEqual([206, `bytes 44-143/${SMALL.length}`]);
    expect(Buffer.from(await piece.arrayBuffer()).equals(SMALL.subarray(44, 144))).toBe(true);
    const last = asked('bytes=-10');
    expect(Buffer.from(await last.arrayBuffer()).equals(SMALL.subarray(-10))).toBe(true);
    const all = asked();
    expect([all.status, Number(all.headers.get('content-length'))]).toEqual([200, SMALL.length]);
    expect(asked('bytes=99999-').status).toBe(416);
    await all.body?.cancel();
    const other = bookTestUnit(shop, { peg: 502 });
    expect(() =>
      readRecording(shop.people.inspector, shop.context, { jobId: other, recordingId: id }),
    ).toThrow('There is no such recording in this job');
  });

  it('is looked through with the shop: a file that was changed is told', async () => {
    await store(SMALL);
    const digest = sha256Of(SMALL);
    expect(await lookThrough(shop.context.dataFolder)).toMatchObject({
      recordings: 1,
      missing: [],
      altered: [],
    });
    fs.appendFileSync(path.join(shop.context.dataFolder, 'recordings', digest.slice(0, 2), digest), 'x');
    expect(await lookThrough(shop.context.dataFolder)).toMatchObject({ altered: [digest] });
  });
});

describe('what is heard', () => {
  const evidence = () => {
    const job = snapshot();
    const { network } = readCauses(shop.people.inspector, shop.context, { jobId });
    return gatherEvidence(job, partStates(job), network, placeNetwork(network, job.unitType));
  };

  it('speaks for its places, softly, as long as nothing else is told of the recording', async () => {
    const { id } = await store(DEMO);
    const toldId = keep({ what: 'recording-told', recordingId: id, told });
    keep({
      ...{ what: 'recording-heard', recordingId: id, toldId, unexplained: 0, clipped: false, speedOff: 0 },
      heard: [
        heard('head-bearing', 12),
        heard('head-bearing', 5),
        heard('tail-bearing', 1),
        heard('pinion-head·ring-gear', 3, 'mesh'),
      ],
    });
    expect(evidence().soft).toMatchObject({
      ...{ 'bearing-heard@head-bearing': 12, 'mesh-heard@pinion-head·ring-gear': 3 },
    });
    expect(evidence().soft).not.toHaveProperty('bearing-heard@tail-bearing');
    expect(evidence().findings).not.toHaveProperty('bearing-heard@head-bearing');
    const report = composeReport({
      shop: { name: '', place: '', contact: '' },
      snapshot: snapshot(),
      parts: partStates(snapshot()),
    });
    expect(JSON.stringify(report.evidence)).toContain('It speaks for these places and proves none of them');
    // In another gear it is another hearing.
    keep({ what: 'recording-told', recordingId: id, told: { ...told, load: 'coast' } });
    expect(recordingsOf(snapshot())[0]!.heard).toBeUndefined();
    expect(evidence().soft).not.toHaveProperty('bearing-heard@head-bearing');
  });

  it('of one tone is shared among the places that it may be of', async () => {
    const { id } = await store(DEMO);
    const toldId = keep({ what: 'recording-told', recordingId: id, told });
    const one = (place: string, share: number) => ({ ...heard(place, 16), share });
    keep({
      ...{ what: 'recording-heard', recordingId: id, toldId, unexplained: 0, clipped: false, speedOff: 0 },
      heard: [one('head-bearing', 0.6), one('tail-bearing', 0.2)],
    });
    const { soft } = evidence();
    // By hand: three quarters and one quarter of what it says, 16^0.75 and 16^0.25.
    expect(soft['bearing-heard@head-bearing']).toBeCloseTo(8, 9);
    expect(soft['bearing-heard@tail-bearing']).toBeCloseTo(2, 9);
  });

  it('goes with the recording where that is struck out', async () => {
    const { id } = await store(DEMO);
    const toldId = keep({ what: 'recording-told', recordingId: id, told });
    keep({
      ...{ what: 'recording-heard', recordingId: id, toldId, unexplained: 0, clipped: false, speedOff: 0 },
      heard: [heard('head-bearing', 12)],
    });
    strikeCapture(shop.people.inspector, shop.context, {
      ...{ kind: 'recording', captureId: id, reason: 'another car', slip: false },
    });
    expect(recordingsOf(snapshot())).toEqual([]);
    expect(evidence().soft).not.toHaveProperty('bearing-heard@head-bearing');
  });

  it('is refused of a recording that another job has', async () => {
    const { id } = await store(SMALL);
    const other = bookTestUnit(shop, { peg: 503 });
    expect(() =>
      keepRecord(shop.people.inspector, shop.context, {
        ...captureHead(other, shop.people.inspector),
        content: { what: 'recording-told', recordingId: id, told },
      }),
    ).toThrow('There is no such recording in this job');
  });
});
