/*
 * Workers that reckon beside the page. The bundler starts all of them by one script, which learns from the fragment of its address
 * which module it is to run; the browser keeps a script by its address without the fragment, so that whichever worker began first
 * was what every later one ran. Here each has an address of its own.
 */

/** Starts a worker under an address of its own: `start` holds the `new Worker(new URL(…))` that the bundler looks for. */
export function inBackground(name: string, start: () => Worker): Worker {
  const Plain = globalThis.Worker;
  globalThis.Worker = class extends Plain {
    constructor(address: string | URL, options?: WorkerOptions) {
      super(addressOfItsOwn(address, name), { ...options, name });
    }
  };
  try {
    return start();
  } finally {
    globalThis.Worker = Plain;
  }
}

/** The name stands in the query, before the fragment that the script reads. */
function addressOfItsOwn(address: string | URL, name: string): URL {
  const own = new URL(address, window.location.href);
  own.searchParams.set('worker', name);
  return own;
}

const STARTERS: (() => Worker)[] = [];

/** A worker that is wanted in the pit too: what it is made of is fetched with the page's own parts. */
export function wantedInThePit(start: () => Worker): () => Worker {
  STARTERS.push(start);
  return start;
}

/** The word by which a worker is asked for the files that it is made of; `workers/madeOf` answers. */
const ASKED = 'made of';
const PATIENCE_MS = 20_000;

/** The addresses of all that the known workers are made of. Each is begun for it, and ended again. */
export async function filesOfWorkers(): Promise<readonly string[]> {
  const lists: (readonly string[])[] = [];
  // One after the other: nobody waits for them, and the page has other things to do.
  for (const start of STARTERS) lists.push(await filesOf(start()));
  return [...new Set(lists.flat())];
}

function filesOf(worker: Worker): Promise<readonly string[]> {
  return new Promise<readonly string[]>((resolve, reject) => {
    const { port1, port2 } = new MessageChannel();
    const late = setTimeout(() => reject(new Error('A worker doesn’t begin.')), PATIENCE_MS);
    const settle = () => clearTimeout(late);
    worker.addEventListener('error', () => {
      settle();
      reject(new Error('A worker can’t begin.'));
    });
    port1.onmessage = ({ data }: MessageEvent<readonly string[]>) => {
      settle();
      resolve(data);
    };
    worker.postMessage(ASKED, [port2]);
  }).finally(() => worker.terminate());
}
