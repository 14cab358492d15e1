'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { tellMoney } from '@/core/planning/money';
import type { Need } from '@/core/planning/needs';
import { isHere, type Order, type OrderLine, ordersOf } from '@/core/planning/orders';
import { parseReading } from '@/core/quantity/parseReading';
import { recordsOf } from '@/core/strip/recordsOf';
import type { Money } from '@/model/money';
import { IDENTITY_KEYS, type Identity } from '@/model/offers';
import { type OfJob, useBench } from '../job/useBench';
import { useKeepNow } from '../job/useKeepNow';
import { longDate } from '../kit/dates';
import { Field, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';

interface OrdersProps extends OfJob {
  readonly money: Money;
  /** Parts that are to be new, by name. */
  readonly needs: readonly Need[];
}

const STATE: Record<Order['state'], string> = {
  sent: 'on its way',
  'partly-in': 'partly here',
  in: 'here',
  cancelled: 'cancelled',
};

/** What was ordered and what came of it: counted, measured and compared before an old part goes. */
export function Orders({ job, money, needs }: OrdersProps) {
  const { rights } = useBench();
  const orders = ordersOf(job.snapshot.records);
  if (orders.length === 0) return null;
  const mayOrder = rights.includes('order.keep');
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
          {mayOrder && order.state === 'sent' && <CancelOrder job={job} order={order} />}
          {(order.state === 'cancelled' ? [] : order.lines).map((line, at) => (
            <ArrivalLine key={line.offer.id} {...{ line, at, order, job, mayOrder }} />
          ))}
        </Box>
      ))}
      <OldParts {...{ job, needs, orders, mayOrder }} />
    </Box>
  );
}

interface ArrivalLineProps extends OfJob {
  readonly line: OrderLine;
  readonly at: number;
  readonly order: Order;
  readonly mayOrder: boolean;
}

function ArrivalLine({ line, at, order, job, mayOrder }: ArrivalLineProps) {
  const [open, setOpen] = useState(false);
  const { offer, count, arrived, compared, differs } = line;
  return (
    <Box paddingBlock="2px">
      <Flex justify="space-between" align="center" gap="8px" wrap="wrap">
        <Box>
          {count > 1 && `${count} × `}
          {offer.name}: {arrived === 0 ? 'not here yet' : `${arrived} of ${count} here`}
          {arrived > 0 &&
            differs.length === 0 &&
            (compared ? ', compared with the old one' : ', not compared yet')}
          {differs.length > 0 && (
            <Box as="span" color="oxide">
              {' '}
              Not what was ordered: {differs.join(', ')}. It goes back.
            </Box>
          )}
        </Box>
        {mayOrder && arrived < count && !open && (
          <Press minHeight="40px" onClick={() => setOpen(true)}>
            It came
          </Press>
        )}
      </Flex>
      {open && <GoodsIn {...{ line, at, order, job }} onDone={() => setOpen(false)} />}
    </Box>
  );
}

function GoodsIn({
  line,
  at,
  order,
  job,
  onDone,
}: Omit<ArrivalLineProps, 'mayOrder'> & { readonly onDone: () => void }) {
  const keepNow = useKeepNow(job);
  const keys = IDENTITY_KEYS.filter(({ id }) => line.offer.identity[id] !== undefined);
  const [count, setCount] = useState(String(line.count - line.arrived));
  const [figures, setFigures] = useState<Readonly<Record<string, string>>>({});
  const [compared, setCompared] = useState(false);
  const [trouble, setTrouble] = useState('');
  const save = async () => {
    const identity: Identity = {};
    for (const { id, name } of keys) {
      const parsed = parseReading(figures[id] ?? '');
      if (!parsed.ok) return setTrouble(`${name}: ${parsed.message}`);
      identity[id] = parsed.value;
    }
    const wrong = await keepNow(
      { what: 'goods-in', orderId: order.id, line: at, count: Number(count), identity, compared, note: '' },
      `${line.offer.name}: ${count} came in`,
    );
    setTrouble(wrong ?? '');
    if (wrong === undefined) onDone();
  };
  return (
    <Box
      as="form"
      border="1.5px solid"
      borderColor="ink"
      padding="8px"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <Flex gap="8px" wrap="wrap" align="flex-end">
        <Field label="Pieces counted">
          {(wiring) => (
            <TextInput
              {...wiring}
              width="90px"
              inputMode="numeric"
              value={count}
              onChange={(event) => setCount(event.target.value)}
            />
          )}
        </Field>
        {keys.map(({ id, name, unit }) => (
          <Field key={id} label={`${name.charAt(0).toUpperCase()}${name.slice(1)}${unit && `, ${unit}`}`}>
            {(wiring) => (
              <TextInput
                {...wiring}
                width="110px"
                inputMode="decimal"
                value={figures[id] ?? ''}
                onChange={(event) => setFigures({ ...figures, [id]: event.target.value })}
              />
            )}
          </Field>
        ))}
        <Press chosen={compared} aria-pressed={compared} onClick={() => setCompared(!compared)}>
          Laid beside the old part, and it fits
        </Press>
        <Press kind="main" type="submit">
          Take it in
        </Press>
        <Press kind="quiet" onClick={onDone}>
          Not now
        </Press>
      </Flex>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Box>
  );
}

interface OldPartsProps extends OfJob {
  readonly needs: OrdersProps['needs'];
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
  const [open, setOpen] = useState(false);
  const [reason, setReason] = useState('');
  const [trouble, setTrouble] = useState('');
  if (!open)
    return (
      <Press kind="quiet" minHeight="36px" paddingInline="0" onClick={() => setOpen(true)}>
        It won’t come
      </Press>
    );
  return (
    <Flex
      as="form"
      gap="6px"
      wrap="wrap"
      onSubmit={async (event) => {
        event.preventDefault();
        const wrong = await keepNow(
          { what: 'order-cancelled', orderId: order.id, reason },
          `The order from ${order.supplier} is cancelled`,
        );
        setTrouble(wrong ?? '');
      }}
    >
      <TextInput
        autoFocus
        aria-label="Why it won’t come"
        placeholder="Why?"
        value={reason}
        maxLength={200}
        onChange={(event) => setReason(event.target.value)}
      />
      <Press type="submit" disabled={reason.trim() === ''}>
        Cancelled with {order.supplier}
      </Press>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Flex>
  );
}
