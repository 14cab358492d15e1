import type { RecordOf } from '@/model/recordKinds';
import { formatNumber } from '../quantity/format';

/** Litres against what belongs in it, and the rest in one line; litres that nobody measured are said so. */
export function tellDrained(
  { litres, colour, smell, water, magnet, glitter, note }: RecordOf<'drained'>,
  capacity: number | undefined,
): string {
  const share = capacity === undefined ? '' : ` of ${formatNumber(capacity, 1)}`;
  const short =
    capacity !== undefined && litres !== undefined && litres < capacity * 0.8 ? ', too little' : '';
  return [
    litres === undefined ? 'litres not measured' : `${formatNumber(litres, 2)}${share} litres${short}`,
    `${colour}, smells ${smell}`,
    water === 'none' ? 'no water' : `water: ${water}`,
    `magnet: ${magnet.join(', ')}`,
    ...(glitter === 'none' ? [] : [`glitters ${glitter}`]),
    ...(note === '' ? [] : [note]),
  ].join('; ');
}
