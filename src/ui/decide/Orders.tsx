'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { tellMoney } from '@/core/planning/money';
import type { Need } from '@/core/planning/needs';
import { expectedOn, isHere, type Order, ordersOf } from '@/core/planning/orders';
import type { ToldPlans } from '@/core/planning/suppliers';
import { recordsOf } from '@/core/strip/recordsOf';
import { type OfJob, useBench } from '../job/useBench';
import { useKeepNow } from '../job/useKeepNow';
import { longDate, shortDate } from '../kit/dates';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { AllCame } from './AllCame';
import { AnotherDay } from './AnotherDay';
import { ArrivalLine } from './ArrivalLine';
import { AskWhy } from './AskWhy';

interface OrdersProps extends OfJob {
  readonly told: ToldPlans;
}

const STATE: Record<Order['state'], string> = {
  sent: 'on its way',
  'partly-in': 'partly here',
  unchecked: 'all came, not all laid beside the old parts',
  wrong: 'not all of it is what was ordered',
  back: 'what was wrong of it went back',
  in: 'here',
  cancelled: 'cancelled',
};

const isOnItsWay = ({ state, lines }: Order): boolean =>
  state !== 'cancelled' && lines.some(({ toCome }) => toCome > 0);

/** The day on which the last of what is still to come should be here. */
const expected = (order: Order, job: OfJob['job'], { calendar }: ToldPlans): string =>
  expectedOn(
    order,
    Math.max(...order.lines.filter(({ toCome }) => toCome > 0).map(({ offer }) => offer.days)),
    {
      ...{ calendar, timeZone: job.snapshot.timeZone },
    },
  );

/** What was ordered and what came of it: counted, measured and compared before an old part goes. */
export function Orders({ job, told }: OrdersProps) {
  const { rights } = useBench();
  const orders = ordersOf(job.snapshot.records);
  if (orders.length === 0) return null;
  const mayOrder = rights.includes('order.keep');
  const { money, needs } = told;
  return (
    <Box
      as="section"
      aria-label="Orders"
      data-testid="orders"
      borderTop="2px solid"
      borderColor="ink"
      marginTop="8px"
    >
      <Heading as="h3" fontSize="18px" marginBlock="6px">
        Ordered
      </Heading>
      {orders.map((order) => (
        <Box
          key={order.id}
          borderBottom="1px solid"
          borderColor="rule"
          paddingBlock="6px"
          data-order={order.supplier}
        >
          <Flex justify="space-between" gap="8px" wrap="wrap">
            <Box>
              <strong>{order.supplier}</strong>, {longDate(order.at)}, {order.by}: {STATE[order.state]}
            </Box>
            <Box>
              {tellMoney(order.total, money)}{' '}
              <a href={`/api/v1/jobs/${job.snapshot.job.id}/orders/${order.id}?as=csv`}>CSV</a>{' '}
              <a href={`/api/v1/jobs/${job.snapshot.job.id}/orders/${order.id}?as=pdf`}>PDF</a>
            </Box>
          </Flex>
          {order.cancelled && <Box color="second">Cancelled: {order.cancelled}</Box>}
          {isOnItsWay(order) && (
            <Box fontSize="13px" color={expected(order, job, told) < told.today ? 'oxide' : 'second'}>
              {expected(order, job, told) < told.today ? 'Late: it was expected' : 'Expected'}{' '}
              {shortDate(expected(order, job, told), told.today)}
            </Box>
          )}
          {mayOrder && isOnItsWay(order) && (
            <Flex gap="4px" wrap="wrap" align="center">
              <AllCame job={job} order={order} />
              <AnotherDay job={job} order={order} today={told.today} />
              {order.state === 'sent' && <CancelOrder job={job} order={order} />}
            </Flex>
          )}
          {(order.state === 'cancelled' ? [] : order.lines).map((line, at) => (
            <ArrivalLine key={line.offer.id} {...{ line, at, order, job, told, mayOrder }} />
          ))}
        </Box>
      ))}
      <OldParts {...{ job, needs, orders, mayOrder }} />
    </Box>
  );
}

interface OldPartsProps extends OfJob {
  readonly needs: readonly Need[];
  readonly orders: readonly Order[];
  readonly mayOrder: boolean;
}

/** Old parts that may go now: the new one is here and was compared with them. */
function OldParts({ job, needs, orders, mayOrder }: OldPartsProps) {
  const keepNow = useKeepNow(job);
  const [trouble, setTrouble] = useState('');
  const gone = new Set(
    recordsOf(job.snapshot.records, 'part-scrapped').map(({ content }) => content.positionId),
  );
  const free = needs.filter((need) => isHere(orders, need) && !gone.has(need.part));
  if (free.length === 0) return null;
  return (
    <Box paddingBlock="6px" data-testid="old-parts">
      <Box fontWeight={650}>Old parts that may go</Box>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      {free.map(({ part, name }) => (
        <Flex key={part} gap="8px" align="center" wrap="wrap">
          <Box flex="1 1 140px">{name}</Box>
          {mayOrder &&
            (['scrap', 'customer'] as const).map((where) => (
              <Press
                key={where}
                minHeight="40px"
                onClick={async () =>
                  setTrouble(
                    (await keepNow(
                      { what: 'part-scrapped', positionId: part, where },
                      `${name}, old: ${where === 'scrap' ? 'scrapped' : 'kept for the customer'}`,
                    )) ?? '',
                  )
                }
              >
                {where === 'scrap' ? 'To scrap' : 'Kept for the customer'}
              </Press>
            ))}
        </Flex>
      ))}
    </Box>
  );
}

/** The supplier was told, or told us: its parts are to be ordered again. */
function CancelOrder({ job, order }: OfJob & { readonly order: Order }) {
  const keepNow = useKeepNow(job);
  return (
    <AskWhy
      words="It won’t come"
      asked="Why it won’t come"
      act={`Cancelled with ${order.supplier}`}
      onWhy={(reason) =>
        keepNow(
          { what: 'order-cancelled', orderId: order.id, reason },
          `The order from ${order.supplier} is cancelled`,
        )
      }
    />
  );
}
