import type { Taken } from './queue';

/** Empty when it is safe on this device; else what is to be done about it. */
export const keptOr = (taken: Taken, again: string): Promise<string> =>
  taken.kept.then(
    () => '',
    () => `This device has no room to keep it. Free some space and ${again}.`,
  );
