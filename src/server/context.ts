import type { Db } from '@/db/open';

/** What a use case works with. Clock and ids are passed in, so that tests and demo dates don't rot. */
export interface Context {
  readonly db: Db;
  readonly dataFolder: string;
  readonly now: () => Date;
  readonly newId: () => string;
  /** Where the daily copies go; undefined where the shop keeps none. */
  readonly dailyCopyFolder?: string | undefined;
  /** By which device a capture was sent, and what its clock said then. */
  readonly sentBy?: SentBy;
  /** Given up by whoever asked. */
  readonly signal?: AbortSignal;
}

export interface SentBy {
  readonly deviceId: string;
  /** Milliseconds since 1970, by the device as it sent, and by the shop as it began to hear: a large picture takes a while. */
  readonly deviceNow: number;
  readonly heardNow: number;
}

export const instant = (context: Context): string => context.now().toISOString();
