import type { SpeedSaid } from '@/model/recording';
import type { Turning } from './analyse';

/** What lies between a road speed and the unit's output. */
export interface Road {
  /** What the wheel rolls in one turn, m. */
  readonly wheelRolls: number;
  /** Turns of the unit's output for one of the wheel. */
  readonly outputPerWheel: number;
}

/** Hz of the input at a road speed in km/h. */
const atRoad = (kmh: number, ratio: number, { wheelRolls, outputPerWheel }: Road): number =>
  (kmh / 3.6 / wheelRolls) * outputPerWheel * ratio;

/**
 * How the input turned, from what was said of the speed.
 * @param ratio turns of the input for one of the output
 * @param seconds length of the recording
 */
export function turningOf(
  said: SpeedSaid,
  {
    ratio,
    seconds,
    doubt,
    road,
  }: { readonly ratio: number; readonly seconds: number; readonly doubt: number; readonly road: Road },
): Turning {
  switch (said.by) {
    case 'road':
      return { reference: atRoad(said.kmh, ratio, road), doubt };
    case 'turns':
      return { reference: (said.perMinute / 60) * (said.of === 'input' ? 1 : ratio), doubt };
    case 'hand':
      return { reference: (said.revolutions / seconds) * (said.of === 'input' ? 1 : ratio), doubt };
    case 'run-up': {
      const [from, to] = [said.from, said.to];
      const slope = (to.kmh - from.kmh) / (to.second - from.second);
      // Straight on to both ends of the recording, and never slower than a tenth of the slower mark.
      const least = Math.min(from.kmh, to.kmh) / 10;
      const at = (second: number) => Math.max(least, from.kmh + slope * (second - from.second));
      const mean = (at(0) + at(seconds)) / 2;
      return {
        ...{ reference: atRoad(mean, ratio, road), doubt },
        course: [0, seconds].map((second) => ({ second, speed: at(second) / mean })),
      };
    }
  }
}
