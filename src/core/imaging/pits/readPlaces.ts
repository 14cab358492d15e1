import { blur } from '../blur';
import { ramp } from '../confidence';
import { dilate, inverse } from '../masks';
import type { Size } from '../planes';
import type { Rectified } from '../rectify';
import { type DarkPlaces, darkPlaces, logarithmOf, placesBelow } from './darkPlaces';
import { type TwoKinds, twoKinds } from './twoKinds';

/** From this share on the second reading is asked whether the first has lost the ground. */
const GROUND_LOST = 0.4;
/** How far one reading alone is trusted. */
const ONE_READING = 0.7;

export interface ReadPlaces {
  readonly places: DarkPlaces;
  /** Linear light of each cell, its noise smoothed. */
  readonly light: Float32Array;
  /** 1 where both ways of reading agree, 0 where one of them must be wrong. */
  readonly agreed: number;
  /** 0 where most is eaten and only islands of the surface are left to compare with. */
  readonly ground: number;
}

/**
 * The two readings against each other. Where the second sees islands of a sound surface in an eaten one, the first has taken the eaten for
 * the ground: it reads again, with the islands as its ground.
 */
function reconciled(
  light: Float32Array,
  size: Size,
  ours: DarkPlaces,
  other: TwoKinds,
): Omit<ReadPlaces, 'light'> {
  const { share } = other;
  const first = shareOf(ours, size);
  if (share < GROUND_LOST || agreement(first, share) > 0)
    return { places: ours, agreed: agreement(first, share), ground: 1 - ramp(first, 0.45, 0.8) };
  const again = darkPlaces(light, size, inverse(dilate(other.mask, size, 2)));
  const second = shareOf(again, size);
  return { places: again, agreed: agreement(second, share), ground: 1 - ramp(second, 0.45, 0.8) };
}

function agreement(a: number, b: number): number {
  const allowed = Math.max(0.01, 0.125 * (a + b));
  return 1 - ramp(Math.abs(a - b) / allowed, 0.5, 1.3);
}

/**
 * Reads the dark places of a region in two ways that know nothing of each other.
 * @param sound linear light of a sound surface beside it, where a person picked one: then the ground is known, however much is eaten
 */
export function readPlaces(
  square: Rectified,
  { darker, sound }: { readonly darker: boolean; readonly sound?: number | undefined },
): ReadPlaces {
  const light = blur(lightOf(square, darker), square, 0.8);
  const logarithm = logarithmOf(light);
  const other = twoKinds(light, square, logarithm);
  if (sound === undefined) {
    const first = darkPlaces(light, square, undefined, logarithm);
    return { light, ...reconciled(light, square, first, other) };
  }
  const ground = new Float32Array(light.length).fill(darker ? sound : turned(sound));
  const places = placesBelow(light, ground, square, logarithm);
  const share = shareOf(places, square);
  // Where all is eaten there is one kind only, and the second reading has nothing to compare with.
  const agreed = other.share === 0 && share > 0.85 ? ONE_READING : agreement(share, other.share);
  return { light, places, agreed, ground: 1 };
}

const shareOf = ({ places }: DarkPlaces, { width, height }: Size): number =>
  places.reduce((sum, { cells }) => sum + cells, 0) / (width * height);

/** Linear light; turned over where pits are brighter than the surface. */
function lightOf({ red, green, blue }: Rectified, darker: boolean): Float32Array {
  const light = green.map((value, cell) => (red[cell]! + value + blue[cell]!) / 3);
  return darker ? light : light.map(turned);
}

const turned = (light: number): number => 0.05 / (0.05 + light);
