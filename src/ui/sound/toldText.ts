import type { ToldOfRecording } from '@/model/recording';
import { figureOf } from '../kit/figureOf';

export const SPEED_WAYS = ['road', 'run-up', 'turns', 'hand'] as const;
export type SpeedWay = (typeof SPEED_WAYS)[number];

/** As it was typed. */
export interface TypedTold {
  readonly where: ToldOfRecording['where'];
  readonly place: string;
  readonly gear: string;
  readonly load: ToldOfRecording['load'];
  readonly by: SpeedWay;
  readonly of: 'input' | 'output';
  readonly kmh: string;
  readonly fromSecond: string;
  readonly fromKmh: string;
  readonly toSecond: string;
  readonly toKmh: string;
  readonly perMinute: string;
  readonly revolutions: string;
  readonly doubt: string;
  readonly wheelRolls: string;
  readonly outputPerWheel: string;
}
type Figure = Exclude<keyof TypedTold, 'where' | 'place' | 'gear' | 'load' | 'by' | 'of'>;

export const EMPTY_TOLD: TypedTold = {
  ...{ where: 'on the road', place: '', gear: '', load: 'drive', by: 'road', of: 'input' },
  ...{ kmh: '', fromSecond: '', fromKmh: '', toSecond: '', toKmh: '', perMinute: '', revolutions: '' },
  ...{ doubt: '2', wheelRolls: '2.2', outputPerWheel: '1' },
};

export const SPEED_FIELDS: Readonly<Record<SpeedWay, readonly (readonly [Figure, string])[]>> = {
  road: [['kmh', 'road speed, km/h']],
  'run-up': [
    ['fromSecond', 'at second'],
    ['fromKmh', 'it went, km/h'],
    ['toSecond', 'and at second'],
    ['toKmh', 'it went then, km/h'],
  ],
  turns: [['perMinute', 'turns a minute']],
  hand: [['revolutions', 'turns in all of it']],
};

export function typedOf({
  where,
  place,
  gear,
  load,
  speed,
  doubt,
  wheelRolls,
  outputPerWheel,
}: ToldOfRecording): TypedTold {
  const base = {
    ...EMPTY_TOLD,
    ...{ where, place, gear, load, doubt: String(Number((doubt * 100).toFixed(2))) },
    ...{ wheelRolls: String(wheelRolls), outputPerWheel: String(outputPerWheel) },
  };
  switch (speed?.by) {
    case 'road':
      return { ...base, by: 'road', kmh: String(speed.kmh) };
    case 'run-up':
      return {
        ...{ ...base, by: 'run-up', fromSecond: String(speed.from.second), fromKmh: String(speed.from.kmh) },
        ...{ toSecond: String(speed.to.second), toKmh: String(speed.to.kmh) },
      };
    case 'turns':
      return { ...base, by: 'turns', of: speed.of, perMinute: String(speed.perMinute) };
    case 'hand':
      return { ...base, by: 'hand', of: speed.of, revolutions: String(speed.revolutions) };
    default:
      return base;
  }
}

/** What the schema is asked about; a speed of which nothing was typed isn't known. */
export function readTold(typed: TypedTold): unknown {
  const { where, place, gear, load, by } = typed;
  const nothing = SPEED_FIELDS[by].every(([name]) => typed[name].trim() === '');
  const doubt = figureOf(typed.doubt);
  return {
    ...{ where, place, gear, load },
    ...(nothing ? {} : { speed: speedOf(typed) }),
    ...{ doubt: doubt === undefined ? undefined : doubt / 100 },
    ...{ wheelRolls: figureOf(typed.wheelRolls), outputPerWheel: figureOf(typed.outputPerWheel) },
  };
}

function speedOf(typed: TypedTold): unknown {
  const { by, of } = typed;
  switch (by) {
    case 'road':
      return { by, kmh: figureOf(typed.kmh) };
    case 'run-up':
      return {
        by,
        from: { second: figureOf(typed.fromSecond), kmh: figureOf(typed.fromKmh) },
        to: { second: figureOf(typed.toSecond), kmh: figureOf(typed.toKmh) },
      };
    case 'turns':
      return { by, of, perMinute: figureOf(typed.perMinute) };
    case 'hand':
      return { by, of, revolutions: figureOf(typed.revolutions) };
  }
}
