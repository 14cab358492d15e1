'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { ImagingMessage, ImagingTask, ImagingWork, ResultOf } from '@/workers/imaging';
import { inBackground, wantedInThePit } from '../kit/background';
import type { LookedAt } from '../picture/PicturePane';

const imagingWorker = wantedInThePit(() =>
  inBackground(
    'imaging',
    () => new Worker(new URL('../../workers/imaging.ts', import.meta.url), { type: 'module' }),
  ),
);

export type ImagingAnswer<Result> =
  | { readonly ok: true; readonly result: Result }
  | { readonly ok: false; readonly message: string };

export interface Imaging {
  /** What the worker is doing now, in words; undefined while it rests. */
  readonly doing: string | undefined;
  readonly run: <Work extends ImagingWork>(work: Work) => Promise<ImagingAnswer<ResultOf<Work>>>;
  readonly stop: () => void;
}

/** A worker that says nothing for so long has died without a word. */
const SILENT_MS = 60_000;

const STEPS = { fetched: 'Decoding the picture …', decoded: 'Measuring …' } as const;

/** A worker for one picture: one sum at a time, with what it is doing, and a way to stop it. */
export function useImaging(picture: LookedAt): Imaging {
  const [doing, setDoing] = useState<string>();
  const worker = useRef<Worker>(undefined);
  const giveUp = useRef<(() => void) | undefined>(undefined);
  const tasks = useRef(0);
  const source = picture.waiting ?? pixelsAddress(picture);
  const end = useCallback(() => {
    worker.current?.terminate();
    worker.current = undefined;
    giveUp.current?.();
  }, []);
  // A worker at rest holds the file for the next sum: only one that is at work is ended.
  const stop = useCallback(() => giveUp.current && end(), [end]);
  useEffect(() => end, [end]);
  const run: Imaging['run'] = useCallback(
    (work) => {
      giveUp.current?.();
      worker.current ??= imagingWorker();
      const own = worker.current;
      tasks.current += 1;
      const id = tasks.current;
      setDoing('Fetching the picture …');
      return new Promise((resolve) => {
        let silent: ReturnType<typeof setTimeout>;
        const settle = (answer: ImagingAnswer<never>) => {
          clearTimeout(silent);
          setDoing(undefined);
          giveUp.current = undefined;
          resolve(answer);
        };
        // What failed can't be asked again: the next sum begins with another worker.
        const fail = (message: string) => {
          own.terminate();
          if (worker.current === own) worker.current = undefined;
          settle({ ok: false, message });
        };
        const listen = () => {
          clearTimeout(silent);
          silent = setTimeout(
            () => fail('The measurement took too long and was stopped; the picture is kept'),
            SILENT_MS,
          );
        };
        listen();
        giveUp.current = () => settle({ ok: false, message: 'Stopped' });
        own.onmessage = ({ data }: MessageEvent<ImagingMessage>) => {
          if (data.id !== id) return;
          listen();
          if ('step' in data) setDoing(STEPS[data.step]);
          else if (data.ok) settle({ ok: true, result: data.result as never });
          else settle({ ok: false, message: data.message });
        };
        own.onerror = () => fail('The measurement failed; the picture is kept');
        own.onmessageerror = () => fail('The measurement failed; the picture is kept');
        own.postMessage({ id, source, work } satisfies ImagingTask);
      });
    },
    [source],
  );
  return { doing, run, stop };
}

export const pixelsAddress = ({ jobId, id }: Pick<LookedAt, 'jobId' | 'id'>): string =>
  `/api/v1/jobs/${jobId}/photographs/${id}/pixels`;
