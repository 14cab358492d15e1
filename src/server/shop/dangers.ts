import fs from 'node:fs';
import { format, parseISO } from 'date-fns';
import { dayAfter } from '@/core/time/shopDay';
import { newestCopy } from '../backup/dailyCopy';
import type { Context } from '../context';
import { log } from '../log';
import { shopToday } from '../shopDay';

/** Below this a day's photographs may not fit any more. */
const LITTLE_ROOM = 2e9;

/** What endangers the shop's records and shows nowhere at the bench: a full disk ahead, a daily copy that isn't made. In words; none is well. */
export function shopDangers(context: Context): string[] {
  return [roomDanger(context), copyDanger(context)].filter((words) => words !== '');
}

function roomDanger({ dataFolder }: Context): string {
  try {
    const { bavail, bsize } = fs.statfsSync(dataFolder);
    const room = bavail * bsize;
    return room >= LITTLE_ROOM
      ? ''
      : `The disk of the shop’s computer is nearly full: ${(room / 1e9).toFixed(1)} GB are left. Make room before captures are refused.`;
  } catch (error) {
    log.error({ err: error }, 'how much room is left can’t be told');
    return 'How much room the disk of the shop’s computer has left can’t be told. Have it looked at.';
  }
}

/** Yesterday's copy will do: today's is made in the course of the day. */
function copyDanger(context: Context): string {
  if (context.dailyCopyFolder === undefined) return '';
  const newest = newestOrNone(context.dailyCopyFolder);
  if (newest === undefined)
    return 'No daily copy of the shop is there. If this stays, look at the server’s log.';
  return newest >= dayAfter(shopToday(context), -1)
    ? ''
    : `The last daily copy of the shop is of ${format(parseISO(newest), 'd MMM yyyy')}. The server’s log says why there is none since.`;
}

/** A folder that can't be read harms no rack: then there is no copy that anybody could count on. */
function newestOrNone(folder: string): string | undefined {
  try {
    return newestCopy(folder);
  } catch (error) {
    log.error({ err: error }, 'the folder of the daily copies can’t be read');
    return undefined;
  }
}
