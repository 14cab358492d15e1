import type { RecordOf } from '@/model/recordKinds';
import { formatNumber } from '../quantity/format';

/** Less than this share of what belongs in it is short. */
export const SHORT_OIL = 0.8;

type Oil = RecordOf<'drained'>;

/** Whether what came out tells how much was in it: not of a unit that came open, or stood otherwise than level. */
export const tellsLevel = ({ cameAs }: Pick<Oil, 'cameAs'>): boolean =>
  cameAs === undefined || cameAs === 'closed and level';

/** Litres against what belongs in it, and the rest in one line; litres that nobody measured are said so. */
export function tellDrained(
  { litres, colour, smell, water, magnet, glitter, cameAs, note }: Oil,
  capacity: number | undefined,
): string {
  const share = capacity === undefined ? '' : ` of ${formatNumber(capacity, 1)}`;
  const isShort = capacity !== undefined && litres !== undefined && litres < capacity * SHORT_OIL;
  const short = isShort && tellsLevel({ cameAs }) ? ', too little' : '';
  return [
    litres === undefined ? 'litres not measured' : `${formatNumber(litres, 2)}${share} litres${short}`,
    ...(tellsLevel({ cameAs }) ? [] : [`it came ${cameAs}: whether it was short can’t be told`]),
    `${colour}, smells ${smell}`,
    water === 'none' ? 'no water' : `water: ${water}`,
    `magnet: ${magnet.join(', ')}`,
    ...(glitter === 'none' ? [] : [`glitters ${glitter}`]),
    ...(note === '' ? [] : [note]),
  ].join('; ');
}
