'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { readAmount, taxOn, tellAmount } from '@/core/planning/money';
import type { Preventive, UnitOption } from '@/core/planning/options';
import { readyFrom } from '@/core/planning/promise';
import type { ToldPlans } from '@/core/planning/suppliers';
import { workingDayAfter } from '@/core/time/workingDays';
import { UNIT_DECISIONS } from '@/model/job';
import type { Slip } from '@/model/quote';
import { type OfJob, useBench } from '../job/useBench';
import { useKeepNow } from '../job/useKeepNow';
import { DateField } from '../kit/DateInput';
import { shortDate } from '../kit/dates';
import { Field, TextArea, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { type LineDraft, lineDrafts, linesOf, OfferedLines } from './OfferedLines';

interface PutToOwnerProps extends OfJob {
  readonly options: readonly UnitOption[];
  readonly preventive: readonly Preventive[];
  readonly plans: ToldPlans;
}

const DAY = /^\d{4}-\d{2}-\d{2}$/;

/** Wheels may lock, or drive be lost: then nothing else may be said. */
const DO_NOT_USE = 'Do not use it until it is repaired.';
const GETS_WORSE = 'It gets worse with use; nobody can say how soon.';

/** The offer that stands in the next letter: which ways, at what price, and what happens if nothing is done. A person words it. */
export function PutToOwner({ job, options, preventive, plans }: PutToOwnerProps) {
  const { rights, place } = useBench();
  const keepNow = useKeepNow(job);
  const { money, today, calendar } = plans;
  const [open, setOpen] = useState(false);
  const [left, setLeft] = useState<readonly string[]>([]);
  const [prices, setPrices] = useState<Readonly<Record<string, string>>>({});
  const [drafts, setDrafts] = useState<readonly LineDraft[]>();
  const written = drafts ?? lineDrafts(job.snapshot, preventive, money);
  const isGrave = job.parts.some(({ grade }) => (grade ?? 0) >= 4);
  const [ifNothing, setIfNothing] = useState(isGrave ? DO_NOT_USE : GETS_WORSE);
  const [holds, setHolds] = useState(() => workingDayAfter(today, 1, calendar));
  const [trouble, setTrouble] = useState('');
  if (!rights.includes('quote.send')) return null;
  const offered = options.filter(({ id, price }) => id !== 'scrap' && price !== undefined);
  if (offered.length === 0) return null;
  if (!open)
    return (
      <Press kind="main" size="bench" marginTop="8px" onClick={() => setOpen(true)}>
        Put it to the owner
      </Press>
    );
  const nameOf = (id: string) => UNIT_DECISIONS.find((each) => each.id === id)!.name;
  const save = async () => {
    if (!DAY.test(holds) || holds < today)
      return setTrouble(`The days hold until “${holds}”: write a day from today on, as 11 Dec.`);
    const slips: Slip[] = [];
    for (const { id, price, readyOn, warrantyMonths } of offered) {
      if (left.includes(id)) continue;
      const amount = readAmount(prices[id] ?? tellAmount(price!, money), money);
      if (amount === undefined) return setTrouble(`${nameOf(id)}: “${prices[id]}” is no amount.`);
      slips.push({
        ...{
          id,
          name: nameOf(id),
          price: amount,
          total: amount + taxOn(amount, money),
          warrantyMonths,
          note: '',
        },
        ...(readyOn === undefined ? {} : { readyOn: readyFrom(readyOn, today, holds, calendar) }),
      });
    }
    const lines = linesOf(written, money, (amount) => readAmount(amount, money));
    if (typeof lines === 'string') return setTrouble(lines);
    const { sign, digits, taxPercent } = money;
    const wrong = await keepNow(
      {
        what: 'quote-made',
        sign,
        digits,
        taxPercent,
        slips,
        daysHoldUntil: holds,
        ...(lines.length > 0 ? { lines } : {}),
        ifNothing,
      },
      'The offer stands in the next letter: issue it at Hand over',
    );
    setTrouble(wrong ?? '');
    if (wrong === undefined) place.goTo({ station: 'hand-over', part: null });
  };
  return (
    <Box
      as="form"
      border="2px solid"
      borderColor="ink"
      padding="10px"
      marginTop="8px"
      data-testid="put-to-owner"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <Heading as="h3" fontSize="18px">
        What the owner is offered
      </Heading>
      {offered.map(({ id, price, readyOn }) => (
        <Flex key={id} gap="10px" align="center" wrap="wrap" paddingBlock="4px">
          <Press
            chosen={!left.includes(id)}
            aria-pressed={!left.includes(id)}
            onClick={() => setLeft(left.includes(id) ? left.filter((each) => each !== id) : [...left, id])}
          >
            {nameOf(id)}
          </Press>
          <TextInput
            aria-label={`${nameOf(id)}, price without tax, ${money.sign}`}
            width="150px"
            value={prices[id] ?? tellAmount(price!, money)}
            onChange={(event) => setPrices({ ...prices, [id]: event.target.value })}
          />
          {money.sign} without tax
          {readyOn !== undefined && DAY.test(holds) && holds >= today && (
            <Box as="span" color="second">
              ready {shortDate(readyFrom(readyOn, today, holds, calendar), today)}
            </Box>
          )}
        </Flex>
      ))}
      <DateField
        label="The days hold until"
        hint="Counted as if the answer came on this day, and parts were ordered then; a later answer is told later days."
        value={holds}
        onDay={setHolds}
      />
      <OfferedLines drafts={written} money={money} onChange={setDrafts} />
      <Field label="What happens if nothing is done" hint="Never how far it will still run.">
        {(wiring) => (
          <TextArea
            {...wiring}
            rows={2}
            maxLength={400}
            value={ifNothing}
            onChange={(event) => setIfNothing(event.target.value)}
          />
        )}
      </Field>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Flex gap="8px">
        <Press kind="main" type="submit">
          Offer this
        </Press>
        <Press kind="quiet" onClick={() => setOpen(false)}>
          Not now
        </Press>
      </Flex>
    </Box>
  );
}
