import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/*
 * The bench gauge stand-in: a simulated digital indicator with noise, hysteresis, drift and a zero key, touching a
 * part on a fixture. It stands where a real gauge's driver would stand; nothing else in the house knows the difference.
 */

export const INDICATOR = {
  id: 'bench-gauge',
  resolution: 0.001,
  noise: 0.0005,
  hysteresis: 0.0003,
  driftPerHour: 0.0012,
} as const;

/** The part on the fixture: a little eccentric, a little oval, with a nick at the seventh place. */
const PART = {
  mean: 0.176,
  first: 0.014,
  firstAtDeg: 60,
  second: 0.004,
  nickIndex: 6,
  nickDepth: 0.05,
} as const;

/** What a perfect gauge would read at a place round the part, mm. */
export function trueValue(index: number, count: number): number {
  const angle = (2 * Math.PI * index) / count;
  const wave =
    PART.first * Math.cos(angle - (PART.firstAtDeg * Math.PI) / 180) + PART.second * Math.cos(2 * angle);
  return PART.mean + wave - (index === PART.nickIndex ? PART.nickDepth : 0);
}

export class Indicator {
  private readonly generator: ReturnType<typeof xoroshiro128plus>;
  private zeroOffset = 0;
  private last = 0;
  /** The way the plunger last moved; it stays so while it stands still. */
  private direction = 0;

  constructor(
    seed: number,
    private readonly startedAt: number,
  ) {
    this.generator = xoroshiro128plus(seed);
  }

  /** What the display shows now, mm: rounded to the resolution. */
  read(index: number, count: number, now: number): number {
    return round(this.raw(index, count, now) - this.zeroOffset);
  }

  /** The zero key: what it touches now becomes nought, until it is pressed to give the true zero back. */
  setZero(index: number, count: number, now: number): void {
    this.zeroOffset = this.zeroOffset === 0 ? this.raw(index, count, now) : 0;
  }

  private raw(index: number, count: number, now: number): number {
    const value = trueValue(index, count);
    if (value !== this.last) this.direction = Math.sign(value - this.last);
    this.last = value;
    const drift = (INDICATOR.driftPerHour * (now - this.startedAt)) / 3_600_000;
    return value + this.direction * INDICATOR.hysteresis + drift + this.noise();
  }

  /** Nearly normal: the sum of four even ones. */
  private noise(): number {
    const sum = Array.from({ length: 4 }, () => uniformInt(this.generator, -1000, 1000) / 1000).reduce(
      (total, each) => total + each,
      0,
    );
    return (sum / 2) * INDICATOR.noise * Math.sqrt(3);
  }
}

const round = (value: number): number => Math.round(value / INDICATOR.resolution) * INDICATOR.resolution;
