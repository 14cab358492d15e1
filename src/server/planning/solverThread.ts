import path from 'node:path';
import { Worker } from 'node:worker_threads';
import type { CoverProgram, Solved } from '@/core/planning/solveProgram.mjs';

const WORKER = path.join(process.cwd(), 'src/server/planning/solverWorker.mjs');

interface Waiting {
  readonly done: (solved: Solved) => void;
  readonly failed: (error: Error) => void;
}
interface Answer {
  readonly id: number;
  readonly solved?: Solved;
  readonly message?: string;
}

let thread: Worker | undefined;
let last = 0;
const waiting = new Map<number, Waiting>();

/** Solves in a thread of its own, one program after the other, so that no other request waits. It is started once and stays warm. */
export function solveInThread(
  program: CoverProgram,
  { signal, seconds }: { readonly signal?: AbortSignal | undefined; readonly seconds: number },
): Promise<Solved> {
  const own = started();
  const stop = new SharedArrayBuffer(4);
  const flag = new Int32Array(stop);
  const halt = () => Atomics.store(flag, 0, 1);
  if (signal?.aborted) halt();
  signal?.addEventListener('abort', halt, { once: true });
  last += 1;
  const id = last;
  return new Promise<Solved>((done, failed) => {
    waiting.set(id, { done, failed });
    own.ref();
    own.postMessage({ id, program, seconds, stop });
  }).finally(() => signal?.removeEventListener('abort', halt));
}

function started(): Worker {
  if (thread) return thread;
  // Without the loaders of whoever starts it: it is plain JavaScript.
  const own = new Worker(WORKER, { execArgv: [] });
  own.unref();
  own.on('message', ({ id, solved, message }: Answer) => {
    const asked = waiting.get(id);
    waiting.delete(id);
    // Idle, it never keeps the program from ending.
    if (waiting.size === 0) own.unref();
    if (solved) asked?.done(solved);
    else asked?.failed(new Error(message));
  });
  own.on('error', (error) => lost(own, error));
  own.on('exit', () => lost(own, new Error('the solver’s thread ended')));
  thread = own;
  return own;
}

/** A thread that died takes its questions with it; the next one starts another. */
function lost(own: Worker, error: Error): void {
  if (thread !== own) return;
  thread = undefined;
  for (const { failed } of waiting.values()) failed(error);
  waiting.clear();
}
