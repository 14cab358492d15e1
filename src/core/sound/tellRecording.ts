import type { SpeedSaid, ToldOfRecording } from '@/model/recording';
import type { RecordOf } from '@/model/recordKinds';
import { formatNumber } from '../quantity/format';

/** How fast it turned, as it was said. */
export function tellSpeed(said: SpeedSaid | undefined): string {
  switch (said?.by) {
    case 'road':
      return `${said.kmh} km/h`;
    case 'run-up':
      return `${said.from.kmh} to ${said.to.kmh} km/h`;
    case 'turns':
      return `${said.perMinute} turns of the ${said.of} a minute`;
    case 'hand':
      return `${said.revolutions} turns of the ${said.of} by hand`;
    default:
      return 'speed not known';
  }
}

/** “on the road, in 3, on drive, 80 km/h”. */
export const tellTold = ({ where, gear, load, speed }: ToldOfRecording): string =>
  [
    where,
    gear === '' ? 'gear not known' : `in ${gear}`,
    load === 'float' ? 'on float' : `on ${load}`,
    tellSpeed(speed),
  ].join(', ');

type Heard = RecordOf<'recording-heard'>['heard'][number];

/** The likeliest order of each place that says something, the strongest evidence first. */
export function heardPlaces<Each extends Pick<Heard, 'place' | 'ratio'>>(heard: readonly Each[]): Each[] {
  const best = new Map<string, Each>();
  for (const each of heard)
    if (each.ratio > 1 && each.ratio > (best.get(each.place)?.ratio ?? 0)) best.set(each.place, each);
  return [...best.values()].sort((a, b) => b.ratio - a.ratio);
}

/** “Head bearing, outer race, 17 dB over the noise nearby”. */
export const tellHeard = ({ of, level }: Heard): string =>
  `${of}, ${formatNumber(level, 0)} dB over the noise nearby`;
