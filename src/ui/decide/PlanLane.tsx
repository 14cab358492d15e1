'use client';

import { Box, chakra, Flex } from '@chakra-ui/react';
import { scaleLinear } from 'd3-scale';
import type { JobPlan } from '@/core/planning/jobPlans';
import { tellAmount, tellMoney } from '@/core/planning/money';
import type { Money } from '@/model/money';
import { paint } from '../kit/paint';

interface PlanLaneProps {
  readonly plan: JobPlan;
  readonly name: string;
  readonly number: number;
  readonly money: Money;
  readonly labour: { readonly price: number; readonly hours: number };
  /** The dearest of all lanes: one ruler under them. */
  readonly most: number;
  readonly wide: number;
  readonly chosen: boolean;
  /** What it means that a part has no offer: nobody was asked, not all have answered, or it can’t be had. */
  readonly noOffer: string;
  /** When its last part is here and the unit ready; undefined where nobody can say. */
  readonly arrival:
    | { readonly parts: string; readonly day: string; readonly slack: string; readonly isLate: boolean }
    | undefined;
  readonly onChoose: () => void;
}

const BAR = 28;

/** What a better one of its kind would be, for the words beside the bar. */
const BETTER = { cost: 'cheaper', days: 'sooner', tier: 'better' } as const;

/** One plan: parts, labour and freight on the common ruler, what it leaves over, when the last part is here. */
export function PlanLane(props: PlanLaneProps) {
  const { plan, name, number, money, labour, most, wide, chosen, arrival, noOffer, onChoose } = props;
  const x = scaleLinear([0, most], [0, wide]);
  const total = plan.parts + plan.freight + labour.price;
  const [parts, work] = [x(plan.parts), x(labour.price)];
  const ink = chosen ? 'onBlue' : 'ink';
  const suppliers = [...new Set(plan.lines.map(({ offer }) => offer.supplier))];
  return (
    <chakra.button
      type="button"
      display="grid"
      gridTemplateColumns="112px minmax(0, 1fr) 128px"
      gap="8px"
      width="100%"
      textAlign="left"
      padding="6px 8px"
      minHeight="68px"
      bg={chosen ? 'blue' : undefined}
      color={ink}
      aria-pressed={chosen}
      data-plan={plan.objective}
      disabled={!plan.feasible}
      onClick={onChoose}
    >
      <Box>
        <Box fontWeight={650} color={chosen ? 'brass' : undefined}>
          {name}
        </Box>
        <Box fontSize="18px" fontWeight={650} whiteSpace="nowrap">
          {plan.feasible ? tellMoney(total, money) : '–'}
        </Box>
        <Box fontSize="13px">P {number}</Box>
      </Box>
      {plan.feasible ? (
        <Box minWidth="0">
          <svg width={wide + 8} height={BAR + 4} aria-hidden="true" style={{ display: 'block' }}>
            <rect
              x={0}
              y={2}
              width={Math.max(1, parts)}
              height={BAR}
              fill={paint(chosen ? 'onBlue' : 'metal')}
            />
            <rect
              x={parts}
              y={2}
              width={Math.max(1, work)}
              height={BAR}
              fill={paint('zinc')}
              stroke={paint(ink)}
            />
            <rect
              x={parts + work}
              y={2 + BAR / 4}
              width={Math.max(1, x(plan.freight))}
              height={BAR / 2}
              fill="none"
              stroke={paint(ink)}
              strokeWidth={1.5}
            />
            <line x1={x(total)} x2={x(total)} y1={0} y2={BAR + 4} stroke={paint(ink)} strokeWidth={2.5} />
            {parts > 56 && (
              <text
                x={6}
                y={21}
                fill={paint(chosen ? 'blue' : 'paper')}
                style={{ fontSize: '13px', fontWeight: 650 }}
              >
                {tellAmount(plan.parts, money)}
              </text>
            )}
            {work > 90 && (
              <text
                x={parts + 6}
                y={21}
                fill={paint('zincInk')}
                style={{ fontSize: '13px', fontWeight: 650 }}
              >
                {tellAmount(labour.price, money)}, {labour.hours} h
              </text>
            )}
          </svg>
          <Box fontSize="13px" lineHeight="17px">
            {suppliers.join(', ') || 'nothing to order'}. Leaves over:{' '}
            {plan.leftOver.length === 0
              ? 'nothing'
              : plan.leftOver
                  .map(({ name: over, qty }) => `${qty > 1 ? `${qty} × ` : ''}${over.toLowerCase()}`)
                  .join(', ')}
            .{' '}
            {plan.proved
              ? `Nothing ${BETTER[plan.objective]} ${plan.barred ? 'that may be ordered ' : ''}exists, proved.`
              : plan.gap === undefined
                ? 'The best found so far.'
                : `The best found; it may be up to ${tellMoney(plan.gap, money)} dearer than the cheapest.`}
          </Box>
        </Box>
      ) : (
        <Box fontSize="15px">
          {plan.uncoverable.length > 0
            ? `${noOffer}: ${plan.uncoverable.join(', ')}.`
            : 'No plan was found in the time; let it run longer.'}
        </Box>
      )}
      {plan.feasible && arrival && (
        <Flex
          direction="column"
          align="center"
          justify="center"
          bg="zinc"
          color="zincInk"
          border="1.5px solid"
          borderColor={ink}
          borderRadius="8px"
          minHeight="46px"
        >
          <Box fontSize="13px" lineHeight="16px">
            parts {arrival.parts}
          </Box>
          <Box fontWeight={650} fontSize="14px" lineHeight="19px" whiteSpace="nowrap">
            ready {arrival.day}
          </Box>
          <Box
            fontSize="13px"
            lineHeight="16px"
            textAlign="center"
            fontWeight={arrival.isLate ? 650 : undefined}
          >
            {arrival.slack}
          </Box>
        </Flex>
      )}
    </chakra.button>
  );
}
