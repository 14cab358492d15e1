import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import type { StandIn } from '@/model/standIn';

/*
 * Stand-ins for two digital gauges with a data output: an indicator on a stand and a caliper. Each has noise,
 * hysteresis, drift, a zero key and a unit key, and touches a part on a fixture. They stand where real gauges' drivers
 * would stand; nothing else in the house knows the difference.
 */

interface Build {
  /** Smallest step of the display, in millimetres and in inches. */
  readonly stepMm: number;
  readonly stepIn: number;
  readonly noise: number;
  readonly hysteresis: number;
  readonly driftPerHour: number;
}

export const BUILDS: Record<StandIn, Build> = {
  indicator: { stepMm: 0.001, stepIn: 0.00005, noise: 0.0005, hysteresis: 0.0003, driftPerHour: 0.0012 },
  caliper: { stepMm: 0.01, stepIn: 0.0005, noise: 0.006, hysteresis: 0.004, driftPerHour: 0.002 },
};

/** Where a gauge touches the part: a place round it, and the size that the check usually finds there. */
export interface Touch {
  readonly index: number;
  readonly count: number;
  readonly nominal: number;
}

/** The part on the indicator's fixture: a little eccentric, a little oval, with a nick at the seventh place. */
const RING = {
  mean: 0.176,
  first: 0.014,
  firstAtDeg: 60,
  second: 0.004,
  nickIndex: 6,
  nickDepth: 0.05,
} as const;

/** The part between the caliper's jaws: as large as the check expects, less a little wear, and oval. */
const OVAL = { worn: 0.06, second: 0.03 } as const;

/** What a perfect gauge would read, mm. */
export function trueValue(gauge: StandIn, { index, count, nominal }: Touch): number {
  const angle = (2 * Math.PI * index) / count;
  if (gauge === 'caliper') return nominal - OVAL.worn + OVAL.second * Math.cos(2 * angle);
  const wave =
    RING.first * Math.cos(angle - (RING.firstAtDeg * Math.PI) / 180) + RING.second * Math.cos(2 * angle);
  return RING.mean + wave - (index === RING.nickIndex ? RING.nickDepth : 0);
}

export interface Display {
  /** The figures as they stand on the display. */
  readonly shown: string;
  readonly unit: 'mm' | 'in';
  /** The same in millimetres. */
  readonly value: number;
}

const MM_PER_INCH = 25.4;

export class StandInGauge {
  private readonly generator: ReturnType<typeof xoroshiro128plus>;
  private readonly build: Build;
  private zeroOffset = 0;
  private last = 0;
  /** The way the plunger last moved; it stays so while it stands still. */
  private direction = 0;
  private unit: 'mm' | 'in' = 'mm';

  constructor(
    private readonly gauge: StandIn,
    seed: number,
    private readonly startedAt: number,
  ) {
    this.generator = xoroshiro128plus(seed);
    this.build = BUILDS[gauge];
  }

  /** What the display shows now, rounded to its own step in the unit that its key has chosen. */
  read(touch: Touch, now: number): Display {
    const raw = this.raw(touch, now) - this.zeroOffset;
    const [step, size] = this.unit === 'mm' ? [this.build.stepMm, 1] : [this.build.stepIn, MM_PER_INCH];
    const steps = Math.round(raw / size / step);
    const shown = (steps * step).toFixed(Math.ceil(-Math.log10(step)));
    return { shown: shown.replace(/^-(0(\.0*)?)$/, '$1'), unit: this.unit, value: steps * step * size };
  }

  /** The zero key: what it touches now becomes nought, until it is pressed to give the true zero back. */
  setZero(touch: Touch, now: number): void {
    this.zeroOffset = this.zeroOffset === 0 ? this.raw(touch, now) : 0;
  }

  /** The unit key. */
  changeUnit(): void {
    this.unit = this.unit === 'mm' ? 'in' : 'mm';
  }

  private raw(touch: Touch, now: number): number {
    const value = trueValue(this.gauge, touch);
    if (value !== this.last) this.direction = Math.sign(value - this.last);
    this.last = value;
    const drift = (this.build.driftPerHour * (now - this.startedAt)) / 3_600_000;
    return value + this.direction * this.build.hysteresis + drift + this.noise();
  }

  /** Nearly normal: the sum of four even ones. */
  private noise(): number {
    const sum = Array.from({ length: 4 }, () => uniformInt(this.generator, -1000, 1000) / 1000).reduce(
      (total, each) => total + each,
      0,
    );
    return (sum / 2) * this.build.noise * Math.sqrt(3);
  }
}
