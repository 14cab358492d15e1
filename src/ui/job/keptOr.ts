import type { Taken } from './queue';

/** Empty when it is safe on this device; else what is to be done about it. */
export const keptOr = (taken: Taken, again: string): Promise<string> =>
  taken.kept.then(
    () => '',
    () => `This device can’t keep it: it has no room, or can’t read its own store. See to that and ${again}.`,
  );
