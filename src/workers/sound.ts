import { BadInput } from '@/core/badInput';
import { type Analysis, analyse, type HeardOrder } from '@/core/sound/analyse';
import { type Order, ordersOfUnit } from '@/core/sound/orders';
import { otherGears } from '@/core/sound/otherGears';
import { type Picture, pictureOf } from '@/core/sound/picture';
import { noiseNearby } from '@/core/sound/spectrum';
import type { Course } from '@/core/sound/steadied';
import { turningOf } from '@/core/sound/turning';
import { readWavHeader, samplesOf } from '@/core/sound/wav';
import type { ToldOfRecording } from '@/model/recording';
import type { UnitType } from '@/model/unitType';
import { onTask } from './madeOf';

export interface SoundTask {
  readonly id: number;
  /** Where the file comes from: the shop's computer, or this device while it waits. */
  readonly source: string | Blob;
  readonly unitType: UnitType;
  readonly told?: ToldOfRecording | undefined;
}

/** What the page shows of a recording. */
export interface HeardRecording
  extends Pick<Analysis, 'level' | 'clipped' | 'unmatched' | 'speedOff' | 'evenedOut' | 'missing'> {
  readonly seconds: number;
  readonly rate: number;
  readonly picture: Picture;
  /** dB over the noise nearby by line, and Hz from line to line. */
  readonly spectrum: { readonly step: number; readonly levels: Float32Array };
  readonly envelope: { readonly step: number; readonly levels: Float32Array };
  readonly matches: readonly HeardOrder[];
  /** What could be heard; empty where gear or speed isn't known. */
  readonly orders: readonly Order[];
  /** Hz of the input; undefined where gear or speed isn't known. */
  readonly reference: number | undefined;
  readonly course: Course | undefined;
  /** Where nothing fits: gears in which it would. */
  readonly otherGears: readonly { readonly gear: string; readonly tones: number }[];
  /** Why nothing is held against it. */
  readonly notHeld: string;
}

export type SoundMessage =
  | { readonly id: number; readonly step: 'fetched' }
  | { readonly id: number; readonly ok: true; readonly result: HeardRecording }
  | { readonly id: number; readonly ok: false; readonly message: string };

/** The file in hand, so that another gear needn't fetch it again. */
let held: { readonly source: string | Blob; readonly file: ArrayBuffer } | undefined;

onTask<SoundTask>(async (data) => {
  const { id, source } = data;
  try {
    const file = held?.source === source ? held.file : await fileOf(source);
    held = { source, file };
    self.postMessage({ id, step: 'fetched' } satisfies SoundMessage);
    self.postMessage({ id, ok: true, result: heardIn(file, data) } satisfies SoundMessage);
  } catch (error) {
    const message = error instanceof BadInput ? error.message : 'This recording can’t be read';
    self.postMessage({ id, ok: false, message } satisfies SoundMessage);
  }
});

async function fileOf(source: string | Blob): Promise<ArrayBuffer> {
  if (typeof source !== 'string') return source.arrayBuffer();
  const answer = await fetch(source);
  if (!answer.ok)
    throw new BadInput('recording', 'The shop’s computer didn’t give the recording; it is kept there');
  return answer.arrayBuffer();
}

function heardIn(file: ArrayBuffer, { unitType, told }: SoundTask): HeardRecording {
  const format = readWavHeader(new Uint8Array(file), file.byteLength);
  const { rate, seconds } = format;
  const samples = samplesOf(file, format);
  const against = againstWhat(unitType, told, seconds);
  const turning = typeof against === 'string' ? undefined : against.turning;
  const analysis = analyse(samples, rate, typeof against === 'string' ? undefined : against);
  const { level, clipped, unmatched, speedOff, evenedOut, missing, matches, spectrum, noise, envelope } =
    analysis;
  return {
    ...{ seconds, rate, level, clipped, unmatched, speedOff, evenedOut, missing, matches },
    picture: pictureOf(samples, rate),
    spectrum: { step: spectrum.step, levels: overNoise(spectrum.mean, noise) },
    envelope: { step: envelope.step, levels: overNoise(envelope.mean) },
    orders: typeof against === 'string' ? [] : against.orders,
    ...{ reference: turning?.reference, course: turning?.course },
    otherGears:
      told?.speed && turning && matches.length === 0
        ? otherGears(unitType, analysis.peaks, {
            ...{
              gear: told.gear,
              coast: told.load === 'coast',
              speed: told.speed,
              seconds,
              doubt: told.doubt,
            },
            road: told,
          })
        : [],
    notHeld: typeof against === 'string' ? against : '',
  };
}

/** What it is held against, or why against nothing. */
function againstWhat(unitType: UnitType, told: ToldOfRecording | undefined, seconds: number) {
  if (!told || told.gear === '') return 'In which gear it was made isn’t told yet.';
  const unit = ordersOfUnit(unitType, told.gear, told.load === 'coast');
  if (!unit)
    return `The train of this unit is not described in “${told.gear}”, or does not turn in it: it can be looked at and listened to.`;
  if (!told.speed) return 'How fast it turned isn’t told yet.';
  return {
    ...unit,
    turning: turningOf(told.speed, { ratio: unit.ratio, seconds, doubt: told.doubt, road: told }),
  };
}

const overNoise = (mean: Float64Array, noise?: Float64Array): Float32Array => {
  const floor = noise ?? noiseNearby(mean);
  return Float32Array.from(
    mean,
    (power, line) => 10 * Math.log10(Math.max(power, 1e-30) / (floor[line] || 1e-30)),
  );
};
