'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { readAmount, tellAmount } from '@/core/planning/money';
import type { Calendar } from '@/model/calendar';
import { UNIT_DECISIONS } from '@/model/job';
import type { Money } from '@/model/money';
import type { Actor } from '@/model/people';
import { POLICIES, type Policies, type PolicyId } from '@/model/policies';
import { mayDo } from '@/model/rights';
import { PageHead } from '../frame/PageHead';
import { Field, Select, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';
import { CalendarForm } from './CalendarForm';

interface WaysPageProps {
  readonly ways: { readonly policies: Policies; readonly money: Money; readonly calendar: Calendar };
  readonly actor: Actor;
}

/** How this shop does it, where good shops disagree; when it works, and in what it counts its money. */
export function WaysPage({ ways, actor }: WaysPageProps) {
  const maySet = mayDo(actor.role, 'shop.set');
  return (
    <Box minHeight="100dvh">
      <PageHead title="How this shop does it" actor={actor} />
      <Box padding="16px" maxWidth="820px">
        <PolicyChoices policies={ways.policies} maySet={maySet} />
        <CalendarForm calendar={ways.calendar} maySet={maySet} />
        <MoneyForm money={ways.money} maySet={maySet} />
      </Box>
    </Box>
  );
}

function PolicyChoices({
  policies: first,
  maySet,
}: {
  readonly policies: Policies;
  readonly maySet: boolean;
}) {
  const [policies, setPolicies] = useState(first);
  const [told, setTold] = useState('');
  const [trouble, setTrouble] = useState('');
  const choose = async (id: PolicyId, choice: string) => {
    const next = { ...policies, [id]: choice };
    const answer = await send<Policies>('PUT', '/api/v1/shop/policies', next);
    setTrouble(answer.ok ? '' : answer.refusal.message);
    if (!answer.ok) return;
    setPolicies(answer.value);
    setTold('Kept. Jobs that go their own way stay as they are.');
  };
  return (
    <Box as="section" aria-label="Where good shops disagree">
      <Heading as="h2">Where good shops disagree</Heading>
      <Box color="second" marginBottom="8px">
        What is chosen here is proposed on every job; a job may go its own way, with a reason.
      </Box>
      {POLICIES.map(({ id, name, choices }) => (
        <Box key={id} borderTop="1px solid" borderColor="rule" paddingBlock="8px">
          <Box marginBottom="4px">{name}</Box>
          <Flex gap="6px" wrap="wrap" role="group" aria-label={name}>
            {choices.map((choice) => (
              <Press
                key={choice.id}
                chosen={policies[id] === choice.id}
                aria-pressed={policies[id] === choice.id}
                disabled={!maySet}
                onClick={() => void choose(id, choice.id)}
              >
                {choice.words}
              </Press>
            ))}
          </Flex>
        </Box>
      ))}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Box role="status" color="second" minHeight="22px">
        {told}
      </Box>
    </Box>
  );
}

function MoneyForm({ money, maySet }: { readonly money: Money; readonly maySet: boolean }) {
  const [sign, setSign] = useState(money.sign);
  const [digits, setDigits] = useState(money.digits);
  const [tax, setTax] = useState(String(money.taxPercent));
  const [hour, setHour] = useState(tellAmount(money.hourPrice, money));
  const [warranty, setWarranty] = useState<Readonly<Record<string, number | string>>>(money.warranty);
  const [told, setTold] = useState('');
  const [trouble, setTrouble] = useState('');
  const save = async () => {
    const hourPrice = readAmount(hour, { digits });
    const taxPercent = Number(tax.replace(',', '.'));
    if (hourPrice === undefined || !Number.isFinite(taxPercent) || tax.trim() === '') {
      setTrouble(hourPrice === undefined ? `“${hour}” is no amount.` : `“${tax}” is no share.`);
      return;
    }
    const answer = await send<Money>('PUT', '/api/v1/shop/money', {
      ...{ sign, digits, taxPercent, hourPrice },
      warranty: Object.fromEntries(Object.entries(warranty).map(([id, months]) => [id, Number(months)])),
    });
    setTrouble(answer.ok ? '' : answer.refusal.message);
    setTold(answer.ok ? 'Kept.' : '');
  };
  return (
    <Box as="section" aria-label="Money" marginTop="24px">
      <Heading as="h2">Money</Heading>
      <Flex gap="12px" wrap="wrap" align="flex-end">
        <Field label="Currency">
          {(wiring) => (
            <TextInput
              {...wiring}
              value={sign}
              maxLength={6}
              readOnly={!maySet}
              onChange={(event) => setSign(event.target.value)}
            />
          )}
        </Field>
        <Field label="Its decimals">
          {(wiring) => (
            <Select
              {...wiring}
              value={digits}
              disabled={!maySet}
              onChange={(event) => setDigits(Number(event.target.value) as Money['digits'])}
            >
              {[0, 2, 3].map((each) => (
                <option key={each} value={each}>
                  {each}
                </option>
              ))}
            </Select>
          )}
        </Field>
        <Field label="Tax, %">
          {(wiring) => (
            <TextInput
              {...wiring}
              value={tax}
              inputMode="decimal"
              readOnly={!maySet}
              onChange={(event) => setTax(event.target.value)}
            />
          )}
        </Field>
        <Field label="An hour’s work, without tax">
          {(wiring) => (
            <TextInput
              {...wiring}
              value={hour}
              inputMode="decimal"
              readOnly={!maySet}
              onChange={(event) => setHour(event.target.value)}
            />
          )}
        </Field>
        {UNIT_DECISIONS.filter(({ id }) => id !== 'scrap').map(({ id, name }) => (
          <Field key={id} label={`Warranty, months: ${name.toLowerCase()}`}>
            {(wiring) => (
              <TextInput
                {...wiring}
                inputMode="numeric"
                value={warranty[id] ?? ''}
                readOnly={!maySet}
                onChange={(event) => setWarranty({ ...warranty, [id]: event.target.value })}
              />
            )}
          </Field>
        ))}
      </Flex>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      {maySet && (
        <Press kind="main" onClick={() => void save()}>
          Keep it
        </Press>
      )}
      <Box role="status" color="second" minHeight="22px">
        {told}
      </Box>
    </Box>
  );
}
