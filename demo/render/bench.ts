import { layered, type Noise, seededNoise, smooth } from './noise';
import { paintSurface, STEEL, type Surface } from './scene';
import { box } from './shapes';

/** The bench that every part lies on: a ribbed rubber mat or a rag, oil marks, and a steel rule for scale. */
export interface Bench {
  readonly distance: (x: number, y: number, z: number) => number;
  /** Paints the point if it belongs to bench or rule; tells whether it did. */
  readonly surface: (x: number, y: number, z: number, out: Surface) => boolean;
  readonly relief: (x: number, y: number, z: number) => number;
}

interface BenchOptions {
  readonly seed: number;
  readonly kind: 'mat' | 'rag' | 'board';
  /** Where the rule lies: middle, and turned by radians. */
  readonly rule?: { readonly x: number; readonly z: number; readonly turn: number };
}

const RULE = { length: 7.5, width: 0.75, height: 0.05 };

export function makeBench({ seed, kind, rule }: BenchOptions): Bench {
  const noise = seededNoise(seed * 7 + 3);
  const sin = Math.sin(rule?.turn ?? 0);
  const cos = Math.cos(rule?.turn ?? 0);
  const ruleAt = (x: number, z: number) => {
    const [px, pz] = [x - (rule?.x ?? 0), z - (rule?.z ?? 0)];
    return { u: px * cos + pz * sin, v: -px * sin + pz * cos };
  };
  const height = (x: number, z: number) => (kind === 'rag' ? 0.2 * (noise(x * 0.5, 0, z * 0.5) - 0.9) : 0);
  const ruleDistance = (x: number, y: number, z: number) => {
    if (!rule) return 1e9;
    const { u, v } = ruleAt(x, z);
    return box(u, y - RULE.height, v, RULE.length, RULE.height, RULE.width, 0.02);
  };
  return {
    distance: (x, y, z) =>
      y > 0.6 ? y - 0.2 : Math.min((y - height(x, z)) * (kind === 'rag' ? 0.9 : 1), ruleDistance(x, y, z)),
    surface(x, y, z, out) {
      if (rule && ruleDistance(x, y, z) < 0.004) {
        const { u, v } = ruleAt(x, z);
        paintRule(u, v, noise, out);
        return true;
      }
      if (y - height(x, z) > 0.006) return false;
      paintGround(kind, x, z, noise, out);
      return true;
    },
    relief(x, y, z) {
      if (y > 0.12 || (rule && ruleDistance(x, y, z) < 0.004)) return 0;
      if (kind === 'mat') return 0.05 * Math.abs(Math.sin(x * 9)) ** 8 + 0.006 * noise(x * 30, 0, z * 30);
      if (kind === 'rag')
        return 0.012 * (Math.sin(x * 42) * Math.sin(z * 42)) + 0.01 * noise(x * 18, 1, z * 18);
      return 0.01 * layered(noise, x * 1.5, 0, z * 22, 3);
    },
  };
}

function paintRule(u: number, v: number, noise: Noise, out: Surface): void {
  const millimetre = Math.round(u * 10);
  const onLine = Math.abs(u * 10 - millimetre) < 0.13;
  const reach = millimetre % 10 === 0 ? 0.42 : millimetre % 5 === 0 ? 0.3 : 0.2;
  const engraved = onLine && v < -RULE.width + reach + 0.04 && v > -RULE.width + 0.04;
  paintSurface(
    out,
    engraved ? { r: 0.02, g: 0.02, b: 0.02 } : STEEL,
    engraved ? 0.9 : 0.3 + 0.1 * noise(u * 40, v * 3, 2),
    engraved ? 0 : 1,
  );
}

function paintGround(kind: BenchOptions['kind'], x: number, z: number, noise: Noise, out: Surface): void {
  const oil = smooth(0.56, 0.7, layered(noise, x * 0.22 + 5, 3, z * 0.22, 4));
  const fleck = layered(noise, x * 3, 7, z * 3, 3);
  if (kind === 'mat')
    paintSurface(
      out,
      { r: 0.026 + 0.012 * fleck, g: 0.034 + 0.014 * fleck, b: 0.036 + 0.013 * fleck },
      0.7 - 0.45 * oil,
      0,
    );
  else if (kind === 'rag') {
    const stain = 1 - 0.62 * oil;
    paintSurface(
      out,
      {
        r: (0.36 + 0.08 * fleck) * stain,
        g: (0.33 + 0.08 * fleck) * stain,
        b: (0.28 + 0.07 * fleck) * stain * 0.94,
      },
      0.95 - 0.4 * oil,
      0,
    );
  } else {
    const grain = layered(noise, x * 0.6, 1, z * 9, 4);
    paintSurface(
      out,
      {
        r: (0.2 + 0.13 * grain) * (1 - 0.5 * oil),
        g: (0.125 + 0.085 * grain) * (1 - 0.5 * oil),
        b: (0.07 + 0.05 * grain) * (1 - 0.5 * oil),
      },
      0.75 - 0.35 * oil,
      0,
    );
  }
}
