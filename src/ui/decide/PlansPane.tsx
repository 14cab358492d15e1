'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { scaleLinear } from 'd3-scale';
import { useRef } from 'react';
import { pairsOfPosition } from '@/core/gearing/countablePairs';
import type { Objective } from '@/core/planning/jobPlans';
import { tellAmount } from '@/core/planning/money';
import { tellSlack } from '@/core/planning/readyDay';
import type { ToldPlans } from '@/core/planning/suppliers';
import { TeethCounted } from '../identity/pieces';
import { type OfJob, useBench } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { shortDate } from '../kit/dates';
import { Arriving } from '../kit/later';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { paint } from '../kit/paint';
import { useWidth } from '../section/useWidth';
import { BarredLines } from './BarredLine';
import { NoteOffer } from './NoteOffer';
import { OrderSheet } from './OrderSheet';
import { Orders } from './Orders';
import { PlanLane } from './PlanLane';
import { Suppliers } from './Suppliers';
import type { PlansAsked } from './usePlans';

interface PlansPaneProps extends OfJob {
  readonly asked: PlansAsked;
  readonly chosen: Objective;
  readonly onChoose: (objective: Objective) => void;
}

const NAMES: Record<Objective, string> = { cost: 'Cheapest', days: 'Soonest', tier: 'Best quality' };
/** Beside the bar stand the name and the day. */
const BESIDE = 112 + 128 + 16 + 16 + 8;

/** Three plans for what must be new on one ruler; what is chosen is ordered below. */
export function PlansPane({ job, asked, chosen, onChoose }: PlansPaneProps) {
  const { rights } = useBench();
  const keep = useKeep(job);
  const holder = useRef<HTMLDivElement>(null);
  const wide = Math.max(160, useWidth(holder, 720) - BESIDE);
  const { told, trouble, isWorking, stop } = asked;
  const mayOrder = rights.includes('order.keep');
  const plan = told?.plans.find(({ objective }) => objective === chosen);
  const toCount = plan?.toCount.find((part) => pairsOfPosition(job.snapshot.unitType, part).length > 0);
  return (
    <Box as="section" ref={holder} aria-label="Plans for what must be new" data-testid="plans">
      <Flex
        justify="space-between"
        align="center"
        gap="8px"
        borderBottom="2px solid"
        borderColor="ink"
        paddingBottom="6px"
        wrap="wrap"
      >
        <Heading as="h2">Three plans for what must be new</Heading>
        <Legend />
        {isWorking && (
          <Flex role="status" align="center" gap="8px" fontSize="13px">
            planning…
            <Press minHeight="36px" onClick={stop}>
              Take the best so far
            </Press>
          </Flex>
        )}
      </Flex>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      {job.waiting.size > 0 && (
        <Box fontSize="13px">
          Something still waits on this device: it isn’t in these plans until it is stored.
        </Box>
      )}
      {!told && !trouble && <Box color="second">Looking at what is decided and what can be had…</Box>}
      {told && (
        <>
          <Suppliers
            told={told}
            mayOrder={mayOrder}
            onAsk={() => void keep({ what: 'prices-asked', note: '' }, 'Suppliers are asked')}
          />
          {mayOrder && <NoteOffer job={job} told={told} />}
          {told.needs.length === 0 ? (
            <Box>Nothing is decided to be new yet: accept proposals on the left, or decide part by part.</Box>
          ) : (
            <>
              {toCount !== undefined && (
                <Box border="2px solid" borderColor="ink" padding="10px" marginBlock="6px">
                  <strong>Nothing of a set is ordered before its teeth are counted.</strong>
                  <Arriving quietly>
                    <TeethCounted job={job} positions={[toCount]} isOpen />
                  </Arriving>
                </Box>
              )}
              <Lanes {...{ told, wide, chosen, onChoose }} />
            </>
          )}
          {plan?.feasible && <OrderSheet {...{ job, plan, told, mayOrder }} />}
          <Orders job={job} told={told} />
        </>
      )}
    </Box>
  );
}

function Lanes({
  told,
  wide,
  chosen,
  onChoose,
}: Pick<PlansPaneProps, 'chosen' | 'onChoose'> & {
  readonly told: ToldPlans;
  readonly wide: number;
}) {
  const { money, today, plans } = told;
  const labour = { hours: told.labour.hours, price: Math.round(told.labour.hours * money.hourPrice) };
  const totals = plans.map((plan) => plan.parts + plan.freight + labour.price);
  const most = Math.max(1, ...totals) * 1.02;
  return (
    <Box>
      {plans.map((plan, at) => (
        <Box key={plan.objective} borderBottom="1px solid" borderColor="rule">
          <PlanLane
            {...{ plan, money, labour, most, wide, number: at + 1, name: NAMES[plan.objective] }}
            chosen={plan.objective === chosen}
            noOffer={noOfferWords(told)}
            arrival={arrivalOf(plan, today)}
            onChoose={() => onChoose(plan.objective)}
          />
          {plan.barred && <BarredLines barred={plan.barred} money={money} />}
        </Box>
      ))}
      <Ruler {...{ most, wide, money }} />
      <Box fontSize="13px" color="second">
        Work: {told.labour.lines.map(({ kind, hours }) => `${kind} ${hours} h`).join(', ')}, by{' '}
        {told.labour.from === 'strip' ? 'the strip’s own times' : 'the number of steps of this type'};{' '}
        {told.labour.left} h of it are still to be done. All without tax.
      </Box>
    </Box>
  );
}

/** “Can’t be had” is said only once everybody who sells was asked and has answered. */
function noOfferWords({ suppliers }: ToldPlans): string {
  if (suppliers.every(({ state }) => state === 'not-asked')) return 'Nobody has been asked yet for';
  return suppliers.some(({ state }) => state === 'not-asked' || state === 'waiting')
    ? 'Nobody has offered it yet, and not all have answered'
    : 'Can’t be had';
}

/** When the last part is here, when the work after it is done, and what is left until the job is due. */
function arrivalOf({ ready }: ToldPlans['plans'][number], today: string) {
  if (!ready) return undefined;
  return {
    parts: shortDate(ready.partsOn, today),
    day: shortDate(ready.readyOn, today),
    slack: tellSlack(ready.slack),
    isLate: ready.slack < 0,
  };
}

function Ruler({
  most,
  wide,
  money,
}: {
  readonly most: number;
  readonly wide: number;
  readonly money: ToldPlans['money'];
}) {
  const x = scaleLinear([0, most], [0, wide]);
  return (
    <svg width={wide + 40} height={30} aria-hidden="true" style={{ display: 'block', marginLeft: 128 }}>
      <line x1={0} x2={wide} y1={6} y2={6} stroke={paint('ink')} strokeWidth={1.5} />
      {x.ticks(5).map((tick) => (
        <g key={tick}>
          <line x1={x(tick)} x2={x(tick)} y1={2} y2={10} stroke={paint('ink')} strokeWidth={1.5} />
          <text
            x={x(tick)}
            y={25}
            textAnchor={tick === 0 ? 'start' : 'middle'}
            fill={paint('second')}
            style={{ fontSize: '13px' }}
          >
            {tellAmount(tick, money)}
          </text>
        </g>
      ))}
    </svg>
  );
}

function Legend() {
  return (
    <Flex gap="12px" fontSize="13px" aria-hidden="true">
      {(['parts', 'labour', 'freight'] as const).map((what) => (
        <Flex key={what} gap="4px" align="center">
          <Box
            width="14px"
            height={what === 'freight' ? '7px' : '12px'}
            border="1.5px solid"
            borderColor="ink"
            bg={what === 'parts' ? 'metal' : what === 'labour' ? 'zinc' : undefined}
          />
          {what}
        </Flex>
      ))}
    </Flex>
  );
}
