import * as v from 'valibot';
import type { CauseNetwork } from '@/model/causeNetwork';
import type { UnitType } from '@/model/unitType';
import { BadInput } from '../badInput';
import { calculation } from '../calculation';
import { diagnose } from './diagnose';
import { diagnosePlaced } from './diagnosePlaced';
import { NetworkSchema } from './network';
import { placeNetwork } from './placeNetwork';

const InputSchema = v.object({
  network: v.optional(NetworkSchema),
  unitType: v.optional(v.string()),
  findings: v.record(v.string(), v.boolean('true or false')),
  soft: v.optional(v.record(v.string(), v.number('must be a number'))),
  top: v.optional(v.pipe(v.number(), v.integer(), v.minValue(1), v.maxValue(1000)), 10),
});
const weighed = v.array(v.object({ finding: v.string(), weight: v.number() }));
const OutputSchema = v.object({
  causes: v.array(
    v.object({ id: v.string(), probability: v.number(), prior: v.number(), for: weighed, against: weighed }),
  ),
  unexplained: v.array(v.object({ finding: v.string(), probability: v.number() })),
  nextChecks: v.array(v.object({ finding: v.string(), expectedBits: v.number(), effort: v.number() })),
  method: v.picklist(['exact', 'sampled']),
  marginals: v.record(v.string(), v.number()),
  standardError: v.optional(v.number()),
  places: v.optional(v.array(v.object({ place: v.string(), share: v.number() }))),
  firstFailure: v.optional(v.object({ place: v.string(), root: v.string(), probability: v.number() })),
});

/** What findings say of the causes: of a network that is given, of the one that ships, or of that one placed on a unit type. */
export const diagnoseCalculation = (shipped: CauseNetwork, unitTypes: () => readonly UnitType[]) =>
  calculation(
    'Root causes ranked by what was found, with the weight of each finding and what to look at next',
    InputSchema,
    OutputSchema,
    ({ network, unitType, ...asked }) => {
      const { soft, ...rest } = asked;
      const all = { ...rest, ...(soft ? { soft } : {}) };
      if (network && unitType !== undefined)
        throw new BadInput('unitType', 'a network that is given is not placed on a unit type');
      if (network) return diagnose(network, all);
      if (unitType === undefined) return diagnose(placeNetwork(shipped), all);
      const type = unitTypes().find(({ id }) => id === unitType);
      if (!type) throw new BadInput('unitType', `no unit type “${unitType}” ships`);
      return diagnosePlaced(shipped, type, all);
    },
  );
