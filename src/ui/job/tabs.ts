import type { JobAnswer } from '@/model/jobStream';

/** What the tabs of one device tell each other: that the queue changed, and what the server answered about a job. */
export type TabMessage =
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

export const postToTabs = (told: TabMessage): void => channel?.postMessage(told);

/** Listens to the other tabs; answers how to stop. */
export function listenToTabs(hear: (told: TabMessage) => void): () => void {
  const listen = ({ data }: MessageEvent<TabMessage>) => hear(data);
  channel?.addEventListener('message', listen);
  return () => channel?.removeEventListener('message', listen);
}
