import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';
import * as v from 'valibot';
import { Refusal } from '../refusal';
import { defineUseCase } from '../useCase';

/*
 * A stand-in for an electronic torque wrench with a data output: pulled at a bolt, it tells its peak. It stands where a real one’s driver would
 * stand. A bolt whose thread gives way never reaches its value, and the wrench tells that too.
 */

/** N·m, from and to. */
export const WRENCH = { min: 8, max: 400 } as const;
/** Of the peak, as a share: what a hand and a click make of it. */
const SCATTER = 0.015;
/** In a ring of this many bolts or more the one with this number gives way at its last stage. */
const WEAK = { of: 12, bolt: 7, share: 0.72 } as const;

const PullSchema = v.object({
  /** N·m that the bolt should have. */
  value: v.pipe(v.number('a value is needed'), v.finite(), v.gtValue(0), v.maxValue(5000)),
  bolt: v.pipe(v.number(), v.integer(), v.minValue(0), v.maxValue(199)),
  bolts: v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(200)),
  isLast: v.boolean(),
});

export interface Pull {
  /** N·m. */
  readonly peak: number;
  /** It still turned when it should have held. */
  readonly turned: boolean;
}

/** One pull of the wrench at one bolt. */
export const pullWrench = defineUseCase('rebuild.do', PullSchema, (_actor, context, pull): Pull => {
  const { value, bolt, bolts, isLast } = pull;
  if (value < WRENCH.min || value > WRENCH.max)
    throw new Refusal(
      'bad-input',
      `This wrench reads from ${WRENCH.min} to ${WRENCH.max} N·m; ${value} N·m wants another one.`,
      { faults: [{ path: 'value', message: 'out of the wrench’s range' }] },
    );
  const generator = xoroshiro128plus(context.now().getTime() + bolt * 7919);
  const share = (uniformInt(generator, -1000, 1000) / 1000) * SCATTER;
  const turned = isLast && bolts >= WEAK.of && bolt === WEAK.bolt;
  const peak = value * (turned ? WEAK.share : 1 + Math.abs(share));
  return { peak: Math.round(peak * 10) / 10, turned };
});
