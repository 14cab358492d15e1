import type { UnitType } from '@/model/unitType';
import { BadInput } from '../badInput';
import { trainInGear } from '../gearing/trainOfType';
import type { Fault } from './fault';

const NEUTRAL = /^(n|neutral)$/i;

/** Gears that can't be engaged as they are described, and gears that drive nothing; neutral is meant to. */
export function trainFaults(type: UnitType): Fault[] {
  if (!type.power || type.meshes.length === 0) return [];
  return type.states.flatMap(({ gear }, index): Fault[] => {
    const path = `states.${index}`;
    try {
      const found = trainInGear(type, gear);
      if (!found.described) return [];
      if (found.train.status === 'locked')
        return [{ path, message: `the train is locked in ${gear}`, blocks: 'train' }];
      if (found.train.status === 'free' && !NEUTRAL.test(gear))
        return [
          {
            path,
            message: `nothing drives ${(found.train.free ?? []).join(', ')} in ${gear}`,
            blocks: 'nothing',
          },
        ];
      return [];
    } catch (error) {
      if (error instanceof BadInput) return [{ path, message: `${gear}: ${error.message}`, blocks: 'train' }];
      throw error;
    }
  });
}
