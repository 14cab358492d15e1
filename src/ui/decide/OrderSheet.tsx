'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { group } from 'd3-array';
import { useState } from 'react';
import type { Compared } from '@/core/planning/fits';
import type { JobPlan, PlanLine } from '@/core/planning/jobPlans';
import { taxOn, tellMoney } from '@/core/planning/money';
import { orderedOf, ordersOf } from '@/core/planning/orders';
import type { ToldPlans } from '@/core/planning/suppliers';
import type { OfJob } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { useKeepNow } from '../job/useKeepNow';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { FieldOfFigure } from './FieldOfFigure';

interface OrderSheetProps extends OfJob {
  readonly plan: JobPlan;
  readonly told: ToldPlans;
  readonly mayOrder: boolean;
}

/** What would be ordered by the chosen plan, supplier by supplier: each line beside what the bench has; each order goes out by its own key. */
export function OrderSheet({ job, plan, told, mayOrder }: OrderSheetProps) {
  const keepNow = useKeepNow(job);
  const [trouble, setTrouble] = useState('');
  const [sending, setSending] = useState<string>();
  const orders = ordersOf(job.snapshot.records);
  const isOpen = ({ offer }: PlanLine) =>
    offer.supplies.some(({ part }) => {
      const need = told.needs.find((each) => each.part === part);
      return need !== undefined && orderedOf(orders, part) < need.qty;
    });
  const open = plan.lines.filter(isOpen);
  if (open.length === 0) return null;
  const send = async (supplier: string, lines: readonly PlanLine[]) => {
    setSending(supplier);
    const wrong = await keepNow(
      {
        ...{ what: 'parts-ordered', supplier, note: '', freight: freightOf(supplier, told) },
        lines: lines.map(({ offer, count }) => ({ offer, count })),
      },
      `Ordered from ${supplier}`,
    );
    setTrouble(wrong ?? '');
    setSending(undefined);
  };
  return (
    <Box
      as="section"
      aria-label="To order"
      data-testid="order-sheet"
      borderTop="2px solid"
      borderColor="ink"
      marginTop="8px"
    >
      <Heading as="h3" fontSize="18px" marginBlock="6px">
        To order by this plan
      </Heading>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      {[...group(open, ({ offer }) => offer.supplier)].map(([supplier, lines]) => {
        const freight = freightOf(supplier, told);
        const total = freight + lines.reduce((sum, { offer, count }) => sum + offer.price * count, 0);
        return (
          <Box
            key={supplier}
            borderBottom="1px solid"
            borderColor="rule"
            paddingBlock="6px"
            data-order-to={supplier}
          >
            {lines.map((line) => (
              <Line key={line.offer.id} {...{ line, told, job }} />
            ))}
            <Flex justify="space-between" align="center" gap="8px" wrap="wrap">
              <Box>
                <strong>{supplier}</strong>: {tellMoney(total, told.money)}
                {freight > 0 && `, freight ${tellMoney(freight, told.money)} in it`}; with{' '}
                {told.money.taxPercent} % tax {tellMoney(total + taxOn(total, told.money), told.money)}
              </Box>
              {mayOrder && (
                <Press
                  kind="main"
                  disabled={sending !== undefined}
                  onClick={() => void send(supplier, lines)}
                >
                  {sending === supplier ? 'Going out…' : `Order from ${supplier}`}
                </Press>
              )}
            </Flex>
          </Box>
        );
      })}
    </Box>
  );
}

const freightOf = (supplier: string, { suppliers }: ToldPlans): number =>
  suppliers.find(({ name }) => name === supplier)?.freight ?? 0;

interface LineProps extends OfJob {
  readonly line: PlanLine;
  readonly told: ToldPlans;
}

function Line({ line: { offer, count, compared }, told, job }: LineProps) {
  return (
    <Flex gap="2px 10px" wrap="wrap" align="baseline" paddingBottom="4px">
      <Box flex="1 1 200px">
        {count > 1 && `${count} × `}
        {offer.name}{' '}
        <Box as="span" fontSize="13px" color="second">
          {offer.code}
        </Box>
        {compared.map((each) => (
          <ComparedLine key={each.key} {...{ each, job }} part={offer.supplies[0]!.part} />
        ))}
      </Box>
      <Box whiteSpace="nowrap">{tellMoney(offer.price * count, told.money)}</Box>
    </Flex>
  );
}

interface ComparedLineProps extends OfJob {
  readonly each: Compared;
  readonly part: string;
}

/** Counted or measured beside offered; what nobody has measured is dashed and asks. */
function ComparedLine({ each: { key, name, unit, offered, counted }, part, job }: ComparedLineProps) {
  const keep = useKeep(job);
  const [trouble, setTrouble] = useState('');
  const told = `${offered}${unit && ` ${unit}`}`;
  if (counted !== undefined)
    return (
      <Box fontSize="13px">
        {name} {told}, as {unit === '' ? 'counted' : `measured (${counted} ${unit})`}
      </Box>
    );
  return (
    <Flex fontSize="13px" align="center" gap="6px" wrap="wrap">
      <Box borderBottom="1px dashed" borderColor="ink">
        {name} {told}: nobody has {unit === '' ? 'counted' : 'measured'} the old one
      </Box>
      <FieldOfFigure
        label={`${name} of the old part${unit && `, ${unit}`}`}
        onFigure={async (value) =>
          setTrouble(
            (await keep(
              { what: 'identity-measured', positionId: part, key, value },
              `${name}: ${value}${unit && ` ${unit}`}`,
            )) ?? '',
          )
        }
      />
      {trouble && <Box color="oxide">{trouble}</Box>}
    </Flex>
  );
}
