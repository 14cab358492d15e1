import { BadInput } from '@/core/badInput';
import { placeInWords } from '@/core/faultWords';
import { beyondPlainBox, describeBox as boxFrom } from '@/core/unit-type/plain-box/plainBox';
import { validateUnitType } from '@/core/unit-type/validate';
import { logChange } from '@/db/changeLog';
import { inTransaction } from '@/db/open';
import { DescribeBoxSchema, type PlainBox } from '@/model/plainBox';
import type { UnitType } from '@/model/unitType';
import { instant } from '../context';
import { Refusal } from '../refusal';
import { refuseStale } from '../refuseStale';
import { defineUseCase } from '../useCase';
import { openJob } from './openJob';
import { ownTypeOf, storeOwnType } from './ownType';

/**
 * Gives the parts that came off an unknown box their places, teeth and mates: the next revision of the job's own type,
 * which then has a drawing and a ratio. What was captured on the parts stays where it is.
 */
export const describeBox = defineUseCase('unit-type.describe', DescribeBoxSchema, (actor, context, input) =>
  inTransaction(context.db, () => {
    const { job, unitType } = openJob(context.db, input.jobId);
    refuseStale(job, input);
    const beyond = beyondPlainBox(unitType);
    if (beyond !== '')
      throw new Refusal(
        'bad-input',
        `${beyond}: kept from shafts and gears alone that would be lost. Describe it in full instead. Nothing was stored.`,
      );
    const next: UnitType = { ...ownTypeOf(context, unitType), ...drawnFrom(unitType, input.box) };
    const fault = validateUnitType(next).find(({ blocks }) => blocks !== 'nothing');
    if (fault)
      throw new Refusal(
        'bad-input',
        `${placeInWords(fault.path, next)}: ${fault.message}. Nothing was stored.`,
        {
          faults: [fault],
        },
      );
    storeOwnType(context, job, next, actor);
    logChange(context.db, {
      at: instant(context),
      by: actor.id,
      jobId: job.id,
      topic: 'unit-type',
      subject: next.id,
      after: { revision: next.revision, box: input.box },
    });
    return { revision: next.revision };
  }),
);

function drawnFrom({ positions }: UnitType, box: PlainBox): ReturnType<typeof boxFrom> {
  try {
    return boxFrom(positions, box);
  } catch (error) {
    if (!(error instanceof BadInput)) throw error;
    throw new Refusal('bad-input', `${sentence(error.message)} Nothing was stored.`, {
      faults: [{ path: `box.${error.path}`, message: error.message }],
    });
  }
}

const sentence = (words: string): string => `${words[0]?.toUpperCase()}${words.slice(1)}.`;
