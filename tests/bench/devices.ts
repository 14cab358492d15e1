import { spawn } from 'node:child_process';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { v7 as uuidv7 } from 'uuid';
import { ended, said } from '../browser/ownServer';
import type { Caller } from '../faults/caller';
import { type Pictures, picturesToSend, wrongIn } from '../faults/sent';
import type { OnPage } from './page';

/*
 * Twenty devices at once, each with one reading a second and one photograph of 3 MB every twenty, whatever has been answered by
 * then; meanwhile the same thing is asked for twenty times a second, which lies in memory.
 */

const DEVICES = 20;
const WARM_UP_S = 10;
const SECONDS = 50;
const PHOTOGRAPH_EVERY_S = 20;
/** In step with nothing that is sent. */
const ASK_EVERY_MS = 47;

/** The revision of the unit type that a job pins: held in memory, as every device asks for it. */
async function askedFor(caller: Caller, jobId: string): Promise<string> {
  const { job } = (await (await caller.ask('GET', `/api/v1/jobs/${jobId}`)).json()) as {
    job: { unitTypeId: string; unitTypeRevision: number };
  };
  return `/api/v1/unit-types/${job.unitTypeId}/revisions/${job.unitTypeRevision}`;
}

export interface UnderLoad {
  /** 95th percentile of what is asked meanwhile, ms; from when it was due, not from when it could be sent. */
  readonly ours: number;
  readonly bare: number;
  readonly sent: number;
  /** What was sent and isn't there, or is there twice. */
  readonly wrong: number;
}

export async function devicesUnderLoad({ shop, caller }: OnPage): Promise<UnderLoad> {
  const pictures = await picturesToSend(Math.ceil((DEVICES * SECONDS) / PHOTOGRAPH_EVERY_S) + DEVICES);
  const jobs: string[] = [];
  for (let at = 0; at < DEVICES; at += 1) jobs.push(await caller.bookIn(`device ${at}`));
  const asked = await askedFor(caller, jobs[0]!);
  const sent = jobs.map((): { readings: string[]; photographs: string[] } => ({
    readings: [],
    photographs: [],
  }));
  const ours = await p95Of(`${shop.url}${asked}`, caller, (device) => ({
    reading: async () => {
      const id = uuidv7();
      sent[device]!.readings.push(id);
      const status = await caller.reading(jobs[device]!, id, '0.20');
      if (status !== 200) throw new Error(`a reading: ${status}`);
    },
    photograph: async () => {
      const id = uuidv7();
      sent[device]!.photographs.push(id);
      const answer = await caller.photograph(jobs[device]!, id, ...pictures.next());
      if (!answer.ok) throw new Error(`a photograph: ${answer.status} ${await answer.text()}`);
    },
  }));
  const wrong = await wrongIn(caller, jobs, sent);
  return {
    ...{ ours, bare: await bareP95(caller, pictures, asked), wrong },
    sent: sent.reduce((sum, { readings, photographs }) => sum + readings.length + photographs.length, 0),
  };
}

async function bareP95(caller: Caller, pictures: Pictures, asked: string): Promise<number> {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'bare-'));
  const held = path.join(folder, 'held.json');
  fs.writeFileSync(held, await (await caller.ask('GET', asked)).text());
  const child = spawn(process.execPath, ['tests/bench/bareServer.mjs', folder, held], {
    stdio: 'pipe',
    detached: true,
  });
  try {
    const url = await said(child, /(http:\/\/127\.0\.0\.1:\d+) Ready/);
    const put = async (to: string, body: Buffer | string) => {
      const answer = await fetch(`${url}/api/v1/${to}/${uuidv7()}`, {
        method: 'PUT',
        body: body as BodyInit,
      });
      await answer.text();
    };
    return await p95Of(`${url}${asked}`, caller, () => ({
      reading: () => put('captures/readings', '{"raw":"0.20","unit":"mm","positionId":"ring-gear"}'),
      photograph: () => put('photographs', pictures.next()[0]),
    }));
  } finally {
    await ended(child);
    fs.rmSync(folder, { recursive: true, force: true });
  }
}

interface Device {
  readonly reading: () => Promise<void>;
  readonly photograph: () => Promise<void>;
}

/** A shop's computer has been running for a while: the first seconds load what is needed, and are not counted. */
async function p95Of(asked: string, caller: Caller, deviceOf: (device: number) => Device): Promise<number> {
  const waiting: Promise<unknown>[] = [];
  const times: number[] = [];
  const began = performance.now();
  // Counted from the same moment, however long setting the thousands of them takes.
  const later = (due: number, work: () => Promise<void>) =>
    waiting.push(
      new Promise<void>((resolve, reject) =>
        setTimeout(() => work().then(resolve, reject), due - (performance.now() - began)),
      ),
    );
  for (let device = 0; device < DEVICES; device += 1) {
    const { reading, photograph } = deviceOf(device);
    const after = (device * 1000) / DEVICES;
    for (let second = 0; second < SECONDS; second += 1) later(after + second * 1000, reading);
    for (let second = device % PHOTOGRAPH_EVERY_S; second < SECONDS; second += PHOTOGRAPH_EVERY_S)
      later(after + second * 1000 + 500, photograph);
  }
  for (let due = 0; due < SECONDS * 1000; due += ASK_EVERY_MS)
    later(due, async () => {
      const answer = await fetch(asked, { headers: caller.headers });
      if (!answer.ok) throw new Error(`what was asked for meanwhile: ${answer.status}`);
      await answer.text();
      if (due >= WARM_UP_S * 1000) times.push(performance.now() - began - due);
    });
  await Promise.all(waiting);
  return times.sort((a, b) => a - b)[Math.floor(0.95 * times.length)]!;
}
