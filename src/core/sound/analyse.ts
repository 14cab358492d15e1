import type { UnitType } from '@/model/unitType';
import { BadInput } from '../badInput';
import { envelopeSpectrum } from './envelope';
import { type Loudness, loudnessOf } from './loudness';
import { type Match, matchOrders } from './matching';
import { type Order, type OrderKind, ordersOfUnit } from './orders';
import { type Peak, peaksOf } from './peaks';
import { ratioOf } from './ratio';
import { noiseNearby, type Spectrum, sizeFor, spectrumOf } from './spectrum';
import { type Course, steadied, wandering } from './steadied';

/** How the unit turned while it was recorded. */
export interface Turning {
  /** Hz: turns of the input, in the mean of the recording. */
  readonly reference: number;
  /** By which that may be off, as a part of it. */
  readonly doubt: number;
  /** How the speed changed, where marks tell it. */
  readonly course?: Course;
}

export interface HeardOrder {
  /** For each turn of the input. */
  readonly order: number;
  readonly of: string;
  readonly place: string;
  readonly positions: readonly string[];
  readonly kind: OrderKind;
  readonly multiple: number;
  /** Hz, as heard. */
  readonly frequency: number;
  /** Over the noise nearby, dB. */
  readonly level: number;
  /** How likely the peak is this order's, of all within reach. */
  readonly share: number;
  /** P(heard like this | a fault there) : P(heard like this | none there). */
  readonly ratio: number;
  /** In the spectrum itself, or in how it comes and goes. */
  readonly in: 'spectrum' | 'envelope';
}

export interface Analysis extends Loudness {
  readonly matches: readonly HeardOrder[];
  readonly unmatched: readonly {
    readonly frequency: number;
    readonly level: number;
    readonly isMains: boolean;
  }[];
  /** By which part the speed seems to be off what was said. */
  readonly speedOff: number;
  /** The speed wandered, and was evened out by the clearest tone. */
  readonly evenedOut: boolean;
  readonly spectrum: Spectrum;
  readonly envelope: Spectrum;
  /** Bearings whose rollers and diameters are not described: they can't be told apart by ear. */
  readonly missing: readonly string[];
}

/** Sharper lines than this a road never gives. */
const PIECE_S = 1;
/** In the envelope noise beats too: an order is heard there by two of its multiples, or not at all. */
const MULTIPLES_IN_ENVELOPE = 2;

/**
 * What of a unit is heard in a recording of it.
 * @param samples −1 … 1
 * @throws BadInput for a gear that this unit doesn't turn in, and for nothing but silence
 */
export function analyse(
  samples: Float32Array,
  rate: number,
  type: UnitType,
  gear: string,
  { reference, doubt, course }: Turning,
  coast = false,
): Analysis {
  const loudness = loudnessOf(samples);
  if (loudness.silent)
    throw new BadInput(
      'recording',
      'there is nothing but silence in this recording: was the microphone covered, or off?',
    );
  const unit = ordersOfUnit(type, gear, coast);
  if (!unit)
    throw new BadInput('gear', `this unit’s train is not described in “${gear}”, or does not turn in it`);
  const even = course ? steadied(samples, rate, course) : samples;
  const first = spectrumOf(even, rate, sizeFor(rate, PIECE_S));
  const noise = noiseNearby(first.mean);
  const wandered = wandering(first, noise, doubt);
  const steady = wandered ? steadied(even, rate, wandered) : even;
  const spectrum = wandered ? spectrumOf(steady, rate, sizeFor(rate, PIECE_S)) : first;
  const peaks = peaksOf(spectrum, wandered ? undefined : noise);
  const envelope = envelopeSpectrum(steady, rate);
  const heard = matchOrders(peaks, unit.orders, reference, doubt);
  const beaten = beatenOrders(envelope, unit.orders, reference, doubt);
  return {
    ...loudness,
    matches: [
      ...heard.matches.map((match) => toldOf(match, 'spectrum')),
      ...beaten.map((match) => toldOf(match, 'envelope')),
    ],
    unmatched: heard.unmatched.map(({ frequency, level, isMains }) => ({ frequency, level, isMains })),
    ...{ speedOff: heard.speedOff, evenedOut: wandered !== undefined },
    ...{ spectrum, envelope, missing: unit.missing },
  };
}

/** Bearings that beat: by two multiples of one order at least. */
function beatenOrders(
  envelope: Spectrum,
  orders: readonly Order[],
  reference: number,
  doubt: number,
): Match[] {
  const races = orders.filter(({ kind }) => kind !== 'mesh' && kind !== 'turn');
  const { matches } = matchOrders(peaksOf(envelope), races, reference, doubt);
  return matches.filter(
    ({ order }) =>
      order.multiple === 1 &&
      new Set(matches.filter((other) => other.order.of === order.of).map((other) => other.order.multiple))
        .size >= MULTIPLES_IN_ENVELOPE,
  );
}

function toldOf({ order, peak, share }: Match, where: HeardOrder['in']): HeardOrder {
  const { kind, multiple, of, place, positions } = order;
  return {
    ...{
      order: order.order,
      kind,
      multiple,
      of: multiple === 1 ? of : `${of}, ${multiple} ×`,
      place,
      positions,
    },
    ...{ frequency: peak.frequency, level: peak.level, share, in: where },
    ratio: ratioOf({ kind, level: (peak as Peak).level, share, in: where }),
  };
}
