import fs from 'node:fs';
import http from 'node:http';
import os from 'node:os';
import path from 'node:path';
import { Worker } from 'node:worker_threads';

/*
 * The shop's front: a thread of its own that callers reach. What the application has called unchanging it answers itself, so that a tablet
 * that opens a job doesn't wait until another's photograph is stored; everything else it hands in by a socket that only this person's programs reach.
 */

/**
 * @typedef {object} FrontSettings
 * @property {string} host
 * @property {number} port 0 for any that is free
 * @property {string} inner where the application listens
 * @property {{ key: string | Buffer, cert: string | Buffer }} [tls]
 * @property {Readonly<Record<string, string>>} headers said with every answer
 */

/**
 * Opens it; callers are told that it is starting until the application is there.
 * @param {Omit<FrontSettings, 'inner'>} settings
 * @returns {Promise<{ port: number, serve: (application: http.RequestListener) => Promise<void>, close: () => Promise<void> }>}
 * @throws an error with a sentence where nothing can listen there
 */
export async function openFront(settings) {
  const folder = fs.mkdtempSync(path.join(os.tmpdir(), 'stereotome-'));
  const tidy = () => fs.rmSync(folder, { recursive: true, force: true });
  process.once('exit', tidy);
  const inner =
    process.platform === 'win32' ? `\\\\.\\pipe\\${path.basename(folder)}` : path.join(folder, 'shop.sock');
  const thread = new Worker(new URL('./frontThread.mjs', import.meta.url), {
    workerData: { ...settings, inner },
  });
  const port = await new Promise((resolve, reject) => {
    thread.once('message', ({ port, refused }) => {
      if (refused === undefined) return resolve(port);
      const taken = `Something listens on port ${settings.port} already. Close it, or choose another with --port.`;
      reject(new Error(refused === 'taken' ? taken : refused));
    });
    thread.once('error', reject);
  });
  /** @type {http.Server | undefined} */
  let server;
  return {
    port,
    serve: (application) =>
      new Promise((resolve, reject) => {
        server = http.createServer((request, response) => {
          // What was answered before all of it was read is read to its end: the line is used again for the next.
          response.on('finish', () => request.unpipe().resume());
          application(request, response);
        });
        // Lines from the front stay open: it alone closes them.
        server.keepAliveTimeout = 0;
        server.on('error', reject).listen(inner, resolve);
      }),
    close: () =>
      new Promise((resolve) => {
        thread.once('exit', () => {
          server?.close();
          process.off('exit', tidy);
          tidy();
          resolve();
        });
        thread.postMessage('close');
      }),
  };
}
