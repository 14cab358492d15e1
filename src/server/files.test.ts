import { createHash } from 'node:crypto';
import fs from 'node:fs';
import os from 'node:os';
import path from 'node:path';
import { Readable } from 'node:stream';
import { afterEach, beforeEach, describe, expect, it } from 'vitest';
import { derivedPath, photographPath, receiveAside, settle } from './files';

let folder: string;
beforeEach(() => {
  folder = fs.mkdtempSync(path.join(os.tmpdir(), 'files-'));
});
afterEach(() => fs.rmSync(folder, { recursive: true, force: true }));

const chunks = (...parts: string[]) => Readable.from(parts.map((part) => Buffer.from(part)));

describe('taking a file', () => {
  it('counts and hashes while it streams, and moves it to its place by content', async () => {
    const aside = path.join(folder, 'incoming/one');
    const received = await receiveAside(chunks('gear', 'box'), aside, 100);
    expect(received).toEqual({ bytes: 7, digest: createHash('sha256').update('gearbox').digest('hex') });
    const place = photographPath(folder, received.digest);
    settle(aside, place);
    expect(fs.readFileSync(place, 'utf8')).toBe('gearbox');
    expect(fs.existsSync(aside)).toBe(false);
  });

  it('stops at the limit and leaves nothing', async () => {
    const aside = path.join(folder, 'incoming/large');
    await expect(receiveAside(chunks('12345', '67890', '1'), aside, 10)).rejects.toMatchObject({
      code: 'too-large',
      status: 413,
    });
    expect(fs.existsSync(aside)).toBe(false);
  });

  it('leaves nothing when the line breaks', async () => {
    const aside = path.join(folder, 'incoming/broken');
    async function* breaking() {
      yield Buffer.from('half');
      throw new Error('connection reset');
    }
    await expect(receiveAside(breaking(), aside, 100)).rejects.toThrow('connection reset');
    expect(fs.readdirSync(path.dirname(aside))).toEqual([]);
  });

  it('never writes over what another upload is writing', async () => {
    const aside = path.join(folder, 'incoming/same');
    await receiveAside(chunks('first'), aside, 100);
    await expect(receiveAside(chunks('second'), aside, 100)).rejects.toThrow();
    expect(fs.readFileSync(aside, 'utf8')).toBe('first');
  });

  it('spreads photographs over folders, and keeps what is derived apart from them', () => {
    const digest = 'ab'.repeat(32);
    expect(photographPath('/d', digest)).toBe(`/d/photographs/ab/${digest}`);
    expect(derivedPath('/d', digest, 320)).toBe(`/d/derived/320/ab/${digest}.jpg`);
  });
});
