'use client';

import { Box, chakra, Flex } from '@chakra-ui/react';
import { scaleLinear } from 'd3-scale';
import { useEffect, useState } from 'react';
import type { Objective } from '@/core/planning/jobPlans';
import { taxOn, tellAmount, tellMoney } from '@/core/planning/money';
import type { NotWorthSaving, OptionsTold, ToldOptions, UnitOption } from '@/core/planning/options';
import type { ToldPlans } from '@/core/planning/suppliers';
import { UNIT_DECISIONS, type UnitDecisionId } from '@/model/job';
import { type OfJob, useBench } from '../job/useBench';
import { shortDate } from '../kit/dates';
import { ErrorNotice } from '../kit/Notice';
import { paint } from '../kit/paint';
import { send } from '../kit/send';
import { BestBuild } from './BestBuild';
import { NoteExchange } from './NoteExchange';
import { PutToOwner } from './PutToOwner';

interface UnitOptionsProps extends OfJob {
  readonly plans: ToldPlans | undefined;
  readonly objective: Objective;
  readonly chosen: UnitDecisionId | undefined;
}

const TALL = 84;
/** Chances up to this are drawn; a higher one fills its column. */
const MOST = 0.4;

const Cell = chakra('td', {
  base: { padding: '4px 8px', verticalAlign: 'top', borderBottom: '1px solid', borderColor: 'rule' },
});

/** What is not decided can only make it dearer. */
const fromFor = (undecided = 0): string => (undecided > 0 ? 'from ' : '');

/** The ways that the unit can go, side by side: price, day, warranty, how often such units came back, and what that costs. */
export function UnitOptions({ job, plans, objective, chosen }: UnitOptionsProps) {
  const { rights } = useBench();
  const [told, setTold] = useState<OptionsTold>();
  const [left, setLeft] = useState<readonly number[]>([]);
  const [trouble, setTrouble] = useState('');
  const jobId = job.snapshot.job.id;
  const exchanges = job.snapshot.records.length;
  const without = left.join(',');
  // Anew with every plan: it rests on the same.
  useEffect(() => {
    if (!plans) return;
    let current = true;
    void send<OptionsTold>(
      'GET',
      `/api/v1/jobs/${jobId}/options?by=${objective}&of=${exchanges}&without=${without}`,
    ).then((answer) => {
      if (!current) return;
      if (answer.ok) setTold(answer.value);
      setTrouble(answer.ok ? '' : answer.refusal.message);
    });
    return () => {
      current = false;
    };
  }, [jobId, objective, plans, exchanges, without]);
  if (trouble) return <ErrorNotice>{trouble}</ErrorNotice>;
  if (!told || !plans) return null;
  const { money, today } = plans;
  const nameOf = (id: UnitDecisionId) => UNIT_DECISIONS.find((each) => each.id === id)!.name;
  const rows: readonly { readonly head: string; readonly of: (option: UnitOption) => React.ReactNode }[] = [
    {
      head: `price, ${money.sign}`,
      of: ({ price, undecided, id }) => (
        <Box fontSize="18px" fontWeight={650}>
          {id === 'scrap' || (id === 'repair-preventive' && told.preventive.every(({ pays }) => !pays))
            ? '–'
            : price === undefined
              ? 'not known'
              : `${fromFor(undecided)}${tellAmount(price, money)}`}
        </Box>
      ),
    },
    {
      head: `with ${money.taxPercent} % tax`,
      of: ({ price, undecided, id }) =>
        id === 'scrap' || price === undefined
          ? '–'
          : `${fromFor(undecided)}${tellAmount(price + taxOn(price, money), money)}`,
    },
    {
      head: 'ready',
      of: ({ readyOn }) => (readyOn === undefined ? '–' : shortDate(readyOn, today)),
    },
    { head: 'warranty', of: ({ warrantyMonths }) => (warrantyMonths > 0 ? `${warrantyMonths} months` : '–') },
    { head: 'chance that it comes back in two years', of: (option) => <Chance option={option} /> },
    {
      head: 'cost to expect with comebacks',
      of: ({ expected, undecided }) =>
        expected === undefined ? '–' : `${fromFor(undecided)}${tellAmount(expected, money)}`,
    },
    { head: '', of: ({ note }) => <Box fontSize="13px">{note}</Box> },
  ];
  return (
    <Box data-testid="unit-options">
      <Box overflowX="auto">
        <chakra.table width="100%" fontSize="15px">
          <thead>
            <tr>
              <td />
              {told.options.map(({ id }) => (
                <chakra.th
                  key={id}
                  textAlign="left"
                  padding="6px 8px"
                  bg={id === chosen ? 'blue' : undefined}
                  color={id === chosen ? 'brass' : undefined}
                >
                  {nameOf(id)}
                </chakra.th>
              ))}
            </tr>
          </thead>
          <tbody>
            {rows.map(({ head, of }) => (
              <tr key={head}>
                <Cell color="second" fontSize="13px" width="92px">
                  {head}
                </Cell>
                {told.options.map((option) => (
                  <Cell
                    key={option.id}
                    bg={option.id === chosen ? 'blue' : undefined}
                    color={option.id === chosen ? 'onBlue' : undefined}
                  >
                    {of(option)}
                  </Cell>
                ))}
              </tr>
            ))}
          </tbody>
        </chakra.table>
      </Box>
      <Reasons reasons={told.notWorthSaving} />
      <RunOut choices={told.runOut} />
      <PreventiveList told={told} plans={plans} />
      <BestBuild told={told} left={left} onLeft={setLeft} />
      {rights.includes('order.keep') && <NoteExchange job={job} plans={plans} />}
      <PutToOwner job={job} options={told.options} preventive={told.preventive} plans={plans} />
    </Box>
  );
}

/** A range on the common scale; hollow where too few came back to tell much, nothing where there are no cases. */
function Chance({ option: { chance } }: { readonly option: UnitOption }) {
  if (!chance)
    return (
      <Box fontSize="13px" minHeight={`${TALL}px`}>
        no cases here yet
      </Box>
    );
  const y = scaleLinear([0, MOST], [TALL - 8, 6]).clamp(true);
  return (
    <Flex gap="6px" align="flex-end">
      <svg width={40} height={TALL} aria-hidden="true">
        <rect
          x={4}
          y={y(chance.high)}
          width={14}
          height={Math.max(2, y(chance.low) - y(chance.high))}
          fill={chance.isThin ? 'none' : paint('metal')}
          stroke="currentColor"
          strokeWidth={1.5}
        />
        <path d={`M20 ${y(chance.estimate)}l10 -5v10z`} fill="currentColor" />
        <line x1={0} x2={40} y1={y(0)} y2={y(0)} stroke="currentColor" />
      </svg>
      <Box fontSize="13px" lineHeight="16px">
        <strong>{Math.round(chance.estimate * 100)} in 100</strong>
        <br />
        {Math.round(chance.low * 100)} to {Math.round(chance.high * 100)}; {chance.back} of {chance.cases}
      </Box>
    </Flex>
  );
}

function Reasons({ reasons }: { readonly reasons: readonly NotWorthSaving[] }) {
  const isNot = reasons.some(({ holds }) => holds === true);
  return (
    <Flex
      gap="4px 14px"
      wrap="wrap"
      fontSize="13px"
      paddingBlock="6px"
      align="center"
      data-testid="worth-saving"
    >
      <strong>Not worth saving {isNot ? 'holds:' : 'does not hold:'}</strong>
      {reasons.map(({ reason, holds }) => (
        <Flex key={reason} gap="4px" align="center" color={holds ? 'oxide' : undefined}>
          <svg width={12} height={12} aria-hidden="true">
            <circle
              cx={6}
              cy={6}
              r={4.5}
              fill={holds ? 'currentColor' : 'none'}
              stroke="currentColor"
              strokeWidth={1.5}
              strokeDasharray={holds === undefined ? '2 2' : undefined}
            />
          </svg>
          {reason}
          {holds === undefined ? ': can’t be told yet' : holds ? ': so it is' : ': not so'}
        </Flex>
      ))}
    </Flex>
  );
}

/** Run-out that no shim cures has ways of its own. */
function RunOut({ choices }: { readonly choices: ToldOptions['runOut'] }) {
  if (choices.length === 0) return null;
  return (
    <Box fontSize="13px" lineHeight="18px" data-testid="run-out">
      {choices.map(({ part, words }) => (
        <Box key={part}>
          <strong>Run-out of the {part.toLowerCase()} that shims can’t cure:</strong> {words.join('; ')}.
        </Box>
      ))}
    </Box>
  );
}

function PreventiveList({ told, plans }: { readonly told: OptionsTold; readonly plans: ToldPlans }) {
  if (told.preventive.length === 0) return null;
  return (
    <Box fontSize="13px" lineHeight="18px" data-testid="preventive">
      <strong>While it lies open:</strong>{' '}
      {told.preventive
        .map(
          ({ name, price, breakEven, assumed, pays }) =>
            `${name} ${tellMoney(price, plans.money)} pays from 1 in ${Math.max(1, Math.round(1 / breakEven))}; of its grade 1 in ${Math.round(1 / assumed)} fails, as practice has it: ${pays ? 'renew it' : 'leave it'}`,
        )
        .join('. ')}
      .
    </Box>
  );
}
