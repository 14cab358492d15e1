import { forgetJobs } from './keptJobs';

/**
 * The session has run out, or was ended elsewhere: nothing of the job stays on this screen or on this device, and the door stands in its
 * place. What waits to be sent stays, and goes when its author signs in again.
 */
export async function closeBench(): Promise<void> {
  if (typeof window === 'undefined') return;
  await forgetJobs();
  window.location.reload();
}
