'use client';

import { Box, Grid } from '@chakra-ui/react';
import { useMemo, useState } from 'react';
import { acceptable, type FateRow, fatesOf } from '@/core/decisions/fates';
import { deciding, partProposal } from '@/core/decisions/partProposal';
import { forbidsDecision, needsReason, needsRisk } from '@/core/decisions/proposeDecision';
import type { Objective } from '@/core/planning/jobPlans';
import { tellAmount } from '@/core/planning/money';
import { needsOf } from '@/core/planning/needs';
import type { PartDecisionId } from '@/model/job';
import { type OfJob, useBench } from '../job/useBench';
import { useDeciding } from '../job/useDeciding';
import { ErrorNotice } from '../kit/Notice';
import { BesideSection } from '../section/BesideSection';
import { SectionDrawing } from '../section/SectionDrawing';
import { Fates, type PriceOf } from './Fates';
import { NeverReused } from './NeverReused';
import { OverrideForm } from './OverrideForm';
import { PlansPane } from './PlansPane';
import { PoliciesOfJob } from './PoliciesOfJob';
import { PutOnShelf } from './PutOnShelf';
import { UnitDecisionForm } from './UnitDecisionForm';
import { useDecideKeys } from './useDecideKeys';
import { usePlans } from './usePlans';

/** The unit small over the fates, pixels. */
const THUMBNAIL = 150;

/** What becomes of each part, and what it costs: fates on the left, plans and the unit on the right. */
export function DecideStation({ job }: OfJob) {
  const { place, rights } = useBench();
  const { snapshot, parts } = job;
  const groups = useMemo(() => fatesOf(snapshot, parts), [snapshot, parts]);
  const asked = usePlans(snapshot, job.waiting.size === 0);
  const [plan, setPlan] = useState<Objective>('cost');
  const [override, setOverride] = useState<{ readonly id: string; readonly decision: PartDecisionId }>();
  const [barred, setBarred] = useState('');
  const { decide, accept, trouble } = useDeciding(job);
  const mayDecide = rights.includes('part.decide');
  const open = (part: string) => place.goTo({ part, face: 'decide' });
  const give = (id: string, decision: PartDecisionId) => {
    const part = parts.find(({ position }) => position.id === id);
    if (!part || !mayDecide) return;
    const forbidden = forbidsDecision(decision, deciding(part, parts, snapshot));
    const proposal = partProposal(part, parts, snapshot);
    setBarred(forbidden ? `Barred: ${forbidden}` : '');
    setOverride(undefined);
    if (forbidden) return;
    if (needsReason(decision, proposal.decision)) setOverride({ id, decision });
    else void decide(part, decision);
  };
  const acceptAll = (rows: readonly FateRow[]) => void accept(rows.map(({ part }) => part));
  useDecideKeys({
    onFate: give,
    onPlan: setPlan,
    onUnit: (index) =>
      document.querySelectorAll<HTMLElement>('[aria-label="Decision for the unit"] button')[index]?.click(),
    onAccept: () => {
      const rows = acceptable(groups);
      if (mayDecide && rows.length > 0) acceptAll(rows);
    },
  });
  const { unitType } = snapshot;
  const fresh = useMemo(() => new Set(needsOf(snapshot).needs.map(({ part }) => part)), [snapshot]);
  const overridden = override && parts.find(({ position }) => position.id === override.id);
  const prices = pricesOf(asked, plan);
  const left = (
    <Box minWidth="0">
      <PoliciesOfJob job={job} />
      {barred && <ErrorNotice>{barred}</ErrorNotice>}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      {override && overridden && (
        <OverrideForm
          key={`${override.id} ${override.decision}`}
          name={overridden.position.name}
          decision={override.decision}
          proposal={partProposal(overridden, parts, snapshot)}
          wantsRisk={needsRisk(override.decision, partProposal(overridden, parts, snapshot))}
          onDecide={(words) => {
            void decide(overridden, override.decision, words);
            setOverride(undefined);
          }}
          onCancel={() => setOverride(undefined)}
        />
      )}
      {unitType.axes.length > 0 && (
        <Box fontSize="13px" color="second">
          <SectionDrawing
            {...{ unitType, parts }}
            selected={place.part}
            marked={fresh}
            most={THUMBNAIL}
            strip
            onOpen={open}
          />
          {fresh.size > 0 ? 'Marked: new, in its place.' : 'Nothing is decided to be new yet.'}
        </Box>
      )}
      <Fates
        {...{ groups, mayDecide }}
        count={parts.length}
        selected={place.part}
        priceOf={(id) => prices.get(id)}
        onOpen={open}
        onAccept={acceptAll}
      />
      <NeverReused job={job} />
    </Box>
  );
  if (place.part !== undefined && place.face === 'measure')
    return (
      <BesideSection job={job} onOpen={open} note="Tap a part to decide it.">
        {null}
      </BesideSection>
    );
  // With a ticket open it has the right side; the parts stay on the left.
  if (place.part !== undefined) return left;
  return (
    <Grid
      templateColumns={{
        base: 'minmax(0, 1fr)',
        lg: 'minmax(0, 400px) minmax(0, 1fr)',
        xl: '496px minmax(0, 1fr)',
      }}
      gap="16px"
    >
      {left}
      <Box minWidth="0">
        <PlansPane {...{ job, asked }} chosen={plan} onChoose={setPlan} />
        <Box marginTop="16px" borderTop="2px solid" borderColor="ink" paddingTop="8px">
          <UnitDecisionForm job={job} plans={asked.told} objective={plan} />
          {asked.told && <PutOnShelf job={job} money={asked.told.money} />}
        </Box>
      </Box>
    </Grid>
  );
}

/** By part what it costs in the chosen plan; parts of one kit share their price. */
function pricesOf({ told }: ReturnType<typeof usePlans>, objective: Objective): ReadonlyMap<string, PriceOf> {
  const plan = told?.plans.find((each) => each.objective === objective);
  if (!told || !plan?.feasible) return new Map();
  return new Map(
    plan.lines.flatMap(({ offer, count }) =>
      offer.supplies.map(
        ({ part }) => [part, { key: offer.id, words: tellAmount(offer.price * count, told.money) }] as const,
      ),
    ),
  );
}
