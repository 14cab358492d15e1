/** The word by which a worker is asked for the files that it is made of. */
const ASKED = 'made of';

/** Hands on what a worker is asked to do, and answers by itself which files it was loaded from: a device keeps them for the pit. */
export function onTask<Task>(work: (task: Task) => void): void {
  self.onmessage = ({ data, ports }: MessageEvent) => {
    if (data !== ASKED) return work(data as Task);
    const files = performance.getEntriesByType('resource').map(({ name }) => name);
    ports[0]?.postMessage([self.location.href.split('#')[0], ...files]);
  };
}
