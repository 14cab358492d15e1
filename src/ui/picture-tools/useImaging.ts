'use client';

import { useCallback, useEffect, useRef, useState } from 'react';
import type { ImagingMessage, ImagingTask, ImagingWork, ResultOf } from '@/workers/imaging';
import type { LookedAt } from '../picture/PicturePane';

export type ImagingAnswer<Result> =
  | { readonly ok: true; readonly result: Result }
  | { readonly ok: false; readonly message: string };

export interface Imaging {
  /** What the worker is doing now, in words; undefined while it rests. */
  readonly doing: string | undefined;
  readonly run: <Work extends ImagingWork>(work: Work) => Promise<ImagingAnswer<ResultOf<Work>>>;
  readonly stop: () => void;
}

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
      worker.current ??= new Worker(new URL('../../workers/imaging.ts', import.meta.url), { type: 'module' });
      const own = worker.current;
      tasks.current += 1;
      const id = tasks.current;
      setDoing('Fetching the picture …');
      return new Promise((resolve) => {
        const settle = (answer: ImagingAnswer<never>) => {
          setDoing(undefined);
          giveUp.current = undefined;
          resolve(answer);
        };
        giveUp.current = () => settle({ ok: false, message: 'Stopped' });
        own.onmessage = ({ data }: MessageEvent<ImagingMessage>) => {
          if (data.id !== id) return;
          if ('step' in data) setDoing(STEPS[data.step]);
          else if (data.ok) settle({ ok: true, result: data.result as never });
          else settle({ ok: false, message: data.message });
        };
        own.onerror = () => settle({ ok: false, message: 'The measurement failed; the picture is kept' });
        own.postMessage({ id, source, work } satisfies ImagingTask);
      });
    },
    [source],
  );
  return { doing, run, stop };
}

export const pixelsAddress = ({ jobId, id }: Pick<LookedAt, 'jobId' | 'id'>): string =>
  `/api/v1/jobs/${jobId}/photographs/${id}/pixels`;
