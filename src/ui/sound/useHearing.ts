import { useEffect, useState } from 'react';
import type { ToldOfRecording } from '@/model/recording';
import type { UnitType } from '@/model/unitType';
import type { HeardRecording, SoundMessage, SoundTask } from '@/workers/sound';
import { endSoundWorker, soundWorker } from './soundWorker';

/** Tasks of all recordings that were in hand: an answer that was overtaken is told by its number. */
let tasks = 0;

export type Hearing =
  | { readonly state: 'at work'; readonly words: string }
  | { readonly state: 'heard'; readonly result: HeardRecording }
  | { readonly state: 'failed'; readonly message: string };

/** A worker that says nothing for so long has died without a word. */
const SILENT_MS = 120_000;
const FAILED = { state: 'failed', message: 'The recording could not be worked through; it is kept' } as const;

/** What is in a recording, worked out beside the page's own thread; anew whenever something else is told of it. */
export function useHearing(
  source: string | Blob | undefined,
  unitType: UnitType,
  told: ToldOfRecording | undefined,
): Hearing {
  const [hearing, setHearing] = useState<Hearing>({ state: 'at work', words: 'Fetching the recording …' });
  useEffect(() => {
    if (source === undefined) return;
    const own = soundWorker();
    tasks += 1;
    const id = tasks;
    setHearing({ state: 'at work', words: 'Fetching the recording …' });
    const fail = () => {
      endSoundWorker();
      setHearing(FAILED);
    };
    const silent = setTimeout(fail, SILENT_MS);
    own.onmessage = ({ data }: MessageEvent<SoundMessage>) => {
      if (data.id !== id) return;
      if ('step' in data) return setHearing({ state: 'at work', words: 'Listening to it …' });
      clearTimeout(silent);
      setHearing(
        data.ok ? { state: 'heard', result: data.result } : { state: 'failed', message: data.message },
      );
    };
    own.onerror = fail;
    own.onmessageerror = fail;
    own.postMessage({ id, source, unitType, told } satisfies SoundTask);
    return () => clearTimeout(silent);
  }, [source, unitType, told]);
  return hearing;
}
