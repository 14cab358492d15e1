import { type ChildProcess, spawn } from 'node:child_process';
import fs from 'node:fs';
import net from 'node:net';
import path from 'node:path';

export const ROOT = path.resolve(import.meta.dirname, '../..');
/** Where one run keeps its shops: the one that is seeded once, and each worker's copy of it. */
export const TEST_DATA = path.join(ROOT, '.test-data');
export const SEEDED = path.join(TEST_DATA, 'seeded');

const SETTINGS = {
  ...{ NEXT_TELEMETRY_DISABLED: '1', STEREOTOME_LOG: 'warn' },
  ...{ STEREOTOME_LAB_ANSWERS_MS: '3000', STEREOTOME_PRICES_ANSWER_MS: '300' },
};

/** A shop of its own: an address that only this process's server listens on, and its folder. */
export interface OwnShop {
  readonly url: string;
  readonly data: string;
  readonly close: () => Promise<void>;
  /** Ends it at once, in the middle of whatever it does. */
  readonly kill: () => Promise<void>;
}

/** A copy of the seeded folder under this name; nobody else writes to it. */
export function copyOfSeeded(name: string): string {
  const data = path.join(TEST_DATA, name);
  fs.rmSync(data, { recursive: true, force: true });
  fs.cpSync(SEEDED, data, { recursive: true, mode: fs.constants.COPYFILE_FICLONE });
  return data;
}

/** Starts the built application over a copy of the seeded folder. */
export const openOwnShop = (name: string): Promise<OwnShop> => startOn(copyOfSeeded(name));

/**
 * Starts the built application over this folder. It chooses its port itself and says which: a server that listens
 * somewhere already can't be mistaken for it.
 */
export async function startOn(data: string): Promise<OwnShop> {
  const child = spawn(process.execPath, ['cli/start.mjs', '--port', '0'], {
    ...{ cwd: ROOT, detached: true, stdio: ['ignore', 'pipe', 'pipe'] },
    env: { ...process.env, ...SETTINGS, STEREOTOME_DATA: data },
  });
  const url = await said(child, /(http:\/\/127\.0\.0\.1:\d+)[\s\S]*Ready/);
  return { url, data, close: () => ended(child), kill: () => ended(child, 'SIGKILL') };
}

/** Waits until the process has printed something of this form, or says what it printed when it ended instead. */
export function said(child: ChildProcess, pattern: RegExp, seconds = 60): Promise<string> {
  return new Promise((resolve, reject) => {
    let output = '';
    const late = setTimeout(
      () => reject(new Error(`not ready after ${seconds} s:\n${output}`)),
      seconds * 1000,
    );
    const take = (chunk: Buffer) => {
      output += chunk;
      const found = pattern.exec(output);
      if (!found) return;
      clearTimeout(late);
      resolve(found[1] ?? found[0]);
    };
    child.stdout?.on('data', take);
    child.stderr?.on('data', take);
    child.on('exit', (code) => reject(new Error(`ended with ${code} before it was ready:\n${output}`)));
  });
}

/** Ends the process and whatever it started, and waits until it is gone. */
export function ended(child: ChildProcess, signal: NodeJS.Signals = 'SIGTERM'): Promise<void> {
  return new Promise((resolve) => {
    if (child.exitCode !== null || child.signalCode !== null) return resolve();
    child.on('exit', () => resolve());
    try {
      process.kill(-child.pid!, signal);
    } catch {
      child.kill(signal);
    }
  });
}

/** A port that nothing listens on at this moment, for programs that can't choose one themselves. */
export const freePort = (): Promise<number> =>
  new Promise((resolve, reject) => {
    const probe = net.createServer();
    probe.once('error', reject);
    probe.listen(0, '127.0.0.1', () => {
      const { port } = probe.address() as net.AddressInfo;
      probe.close(() => resolve(port));
    });
  });
