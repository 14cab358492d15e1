import { inBackground, wantedInThePit } from '../kit/background';

const start = wantedInThePit(() =>
  inBackground(
    'sound',
    () => new Worker(new URL('../../workers/sound.ts', import.meta.url), { type: 'module' }),
  ),
);
let worker: Worker | undefined;

/** The one worker that listens: begun with the desk, so that it is here when the network isn't. */
export function soundWorker(): Worker {
  worker ??= start();
  return worker;
}

export function endSoundWorker(): void {
  worker?.terminate();
  worker = undefined;
}
