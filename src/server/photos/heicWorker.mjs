// Plain JavaScript, since Node starts it as it stands: outside the bundle, in a thread of its own.
import { parentPort, workerData } from 'node:worker_threads';
import decode from 'heic-decode';

/** Pixels of the first picture of a HEIC file, or its size alone where that is more than is wanted. */
const pictures = await decode.all({ buffer: workerData.file });
const first = pictures[0];
if (!first) parentPort.postMessage(undefined);
else if (first.width * first.height > workerData.mostPixels)
  parentPort.postMessage({ width: first.width, height: first.height });
else {
  const { data, width, height } = await first.decode();
  // A copy: the decoder's own memory stays with it.
  const pixels = Uint8Array.from(data);
  parentPort.postMessage({ width, height, pixels }, [pixels.buffer]);
}
