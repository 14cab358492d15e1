import { BadInput } from '../badInput';
import { envelopeSpectrum } from './envelope';
import { type Loudness, loudnessOf } from './loudness';
import { type Match, type Matched, matchOrders } from './matching';
import type { Order, OrderKind, OrdersOfUnit } from './orders';
import { type Peak, peaksOf } from './peaks';
import { ratioOf } from './ratio';
import { relativesOf } from './relatives';
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
  /** The body with whose turns it swells; empty where it doesn't. */
  readonly swellsWith: string;
}

export interface Analysis extends Loudness {
  readonly matches: readonly HeardOrder[];
  readonly unmatched: readonly {
    readonly frequency: number;
    readonly level: number;
    readonly isMains: boolean;
    /** What that was heard it comes from, in words; empty where nothing explains it. */
    readonly from: string;
  }[];
  /** By which part the speed seems to be off what was said. */
  readonly speedOff: number;
  /** The speed wandered, and was evened out by the clearest tone. */
  readonly evenedOut: boolean;
  readonly peaks: readonly Peak[];
  readonly spectrum: Spectrum;
  /** Around each line of the spectrum. */
  readonly noise: Float64Array;
  readonly envelope: Spectrum;
  /** Bearings whose rollers and diameters are not described: they can't be told apart by ear. */
  readonly missing: readonly string[];
}

/** Sharper lines than this a road never gives. */
const PIECE_S = 1;
/** In the envelope noise beats too: an order is heard there by two of its multiples, or not at all. */
const MULTIPLES_IN_ENVELOPE = 2;
/** By which a speed is followed where nobody said how far it may be off. */
const USUAL_DOUBT = 0.03;

/** What a recording is held against. */
export interface HeldAgainst extends Pick<OrdersOfUnit, 'orders' | 'missing'> {
  readonly turning: Turning;
}

/**
 * What a recording holds, and what of a unit is heard in it.
 * @param samples −1 … 1
 * @param against left out: tones are found and nothing is held against them
 * @throws BadInput for nothing but silence
 */
export function analyse(samples: Float32Array, rate: number, against?: HeldAgainst): Analysis {
  const loudness = loudnessOf(samples);
  if (loudness.silent)
    throw new BadInput(
      'recording',
      'there is nothing but silence in this recording: was the microphone covered, or off?',
    );
  const { reference, doubt, course } = against?.turning ?? { reference: 1, doubt: USUAL_DOUBT };
  const { steady, spectrum, noise, evenedOut } = evened(samples, rate, doubt, course);
  const peaks = peaksOf(spectrum, noise);
  const envelope = envelopeSpectrum(steady, rate);
  const orders = against?.orders ?? [];
  const { heard, relatives, swellsWith } = heardTogether(peaks, orders, reference, doubt);
  return {
    ...loudness,
    matches: [
      ...heard.matches.map((match) => toldOf(match, 'spectrum', swellsWith.get(match.order.of))),
      ...beatenOrders(envelope, orders, reference, doubt).map((match) => toldOf(match, 'envelope')),
    ],
    unmatched: peaksBut(peaks, heard).map((peak) => ({
      ...{ frequency: peak.frequency, level: peak.level, isMains: peak.isMains },
      from: relatives.find((each) => each.peak === peak)?.words ?? '',
    })),
    ...{ peaks, speedOff: heard.speedOff, evenedOut, spectrum, noise, envelope },
    missing: against?.missing ?? [],
  };
}

/**
 * Orders first, then what comes along with them: multiples and tones beside them are no sounds of their own, so the rest is held against
 * the orders once more without them.
 */
function heardTogether(peaks: readonly Peak[], orders: readonly Order[], reference: number, doubt: number) {
  const first = matchOrders(peaks, orders, reference, doubt);
  const turn = reference * (1 + first.speedOff);
  const { relatives, swellsWith } = relativesOf(peaks, first.matches, orders, turn);
  const own = new Set(relatives.map(({ peak }) => peak));
  const heard = matchOrders(
    peaks.filter((peak) => !own.has(peak)),
    orders,
    reference,
    doubt,
  );
  return { heard, relatives, swellsWith };
}

const peaksBut = (peaks: readonly Peak[], { matches }: Matched): Peak[] => {
  const told = new Set(matches.map(({ peak }) => peak));
  return peaks.filter((peak) => !told.has(peak));
};

/** The recording at a steady speed: by the marks, then by its clearest tone where that still wanders. */
function evened(samples: Float32Array, rate: number, doubt: number, course: Course | undefined) {
  const size = sizeFor(rate, PIECE_S);
  const even = course ? steadied(samples, rate, course) : samples;
  const spectrum = spectrumOf(even, rate, size);
  const noise = noiseNearby(spectrum.mean);
  const wandered = wandering(spectrum, noise, doubt);
  if (!wandered) return { steady: even, spectrum, noise, evenedOut: false };
  const steady = steadied(even, rate, wandered);
  const again = spectrumOf(steady, rate, size);
  return { steady, spectrum: again, noise: noiseNearby(again.mean), evenedOut: true };
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

function toldOf({ order, peak, share }: Match, where: HeardOrder['in'], swellsWith = ''): HeardOrder {
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
    ...{ frequency: peak.frequency, level: peak.level, share, in: where, swellsWith },
    ratio: ratioOf({ kind, level: peak.level, share, in: where }),
  };
}
