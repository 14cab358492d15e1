// Plain JavaScript, since Node starts it as it stands: outside the bundle, in a thread of its own, warm from one plan to the next.
import { parentPort } from 'node:worker_threads';
import { solveProgram } from '../../core/planning/solveProgram.mjs';

parentPort.on('message', async ({ id, program, seconds, stop }) => {
  // The thread is deaf while it works: that it is to stop stands in memory that both see.
  const flag = new Int32Array(stop);
  try {
    const solved = await solveProgram(program, { seconds, shouldStop: () => Atomics.load(flag, 0) === 1 });
    parentPort.postMessage({ id, solved });
  } catch (error) {
    parentPort.postMessage({ id, message: String(error?.message ?? error) });
  }
});
