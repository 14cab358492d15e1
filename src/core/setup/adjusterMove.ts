export interface Adjuster {
  readonly pitchMm: number;
  /** Lock notches round it: it stands only at one of them. */
  readonly notches: number;
}

export interface AdjusterMove {
  /** Whole notches: out on the side that makes room, in on the other. */
  readonly notches: number;
  /** mm that the ring really moves. */
  readonly moved: number;
  /** mm of one notch. */
  readonly perNotch: number;
}

/**
 * A ring moved by threaded adjusters goes by notches, side by side. The cup stays behind an adjuster that is backed off until it is turned and
 * pushed, so the last notch is always made by tightening.
 * @param ring mm, away from the pinion
 */
export function adjusterMove(ring: number, { pitchMm, notches }: Adjuster): AdjusterMove {
  const perNotch = pitchMm / notches;
  const whole = Math.round(Math.abs(ring) / perNotch);
  return { notches: whole, moved: Math.sign(ring) * whole * perNotch, perNotch };
}
