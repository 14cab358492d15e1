import type { JobAnswer } from '@/model/jobStream';

/** What the tabs of one device tell each other: that the queue changed, and what the server answered about a job. */
export type Told =
  | { readonly kind: 'queue' }
  | {
      readonly kind: 'answer';
      readonly jobId: string;
      readonly since: string | undefined;
      readonly answer: JobAnswer;
    };

const channel = typeof BroadcastChannel === 'undefined' ? undefined : new BroadcastChannel('stereotome-job');
// Outside a browser nothing keeps a program running that has nothing else to do.
(channel as { unref?: () => void } | undefined)?.unref?.();

export const tellTabs = (told: Told): void => channel?.postMessage(told);

/** Listens to the other tabs; answers how to stop. */
export function hearTabs(hear: (told: Told) => void): () => void {
  const listen = ({ data }: MessageEvent<Told>) => hear(data);
  channel?.addEventListener('message', listen);
  return () => channel?.removeEventListener('message', listen);
}
