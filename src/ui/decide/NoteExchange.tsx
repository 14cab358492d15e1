'use client';

import { Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { readAmount, tellMoney } from '@/core/planning/money';
import type { ToldPlans } from '@/core/planning/suppliers';
import type { OfJob } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';

/** What an exchange unit would cost, as somebody was told. */
export function NoteExchange({ job, plans }: OfJob & { readonly plans: ToldPlans }) {
  const keep = useKeep(job);
  const [open, setOpen] = useState(false);
  const [supplier, setSupplier] = useState('');
  const [price, setPrice] = useState('');
  const [days, setDays] = useState('');
  const [trouble, setTrouble] = useState('');
  if (!open)
    return (
      <Press kind="quiet" minHeight="36px" paddingInline="0" onClick={() => setOpen(true)}>
        Note what an exchange unit costs
      </Press>
    );
  const save = async () => {
    const amount = readAmount(price, plans.money);
    if (amount === undefined) return setTrouble(`“${price}” is no amount.`);
    const wrong = await keep(
      { what: 'exchange-noted', supplier, price: amount, days: Number(days) },
      `Exchange unit: ${tellMoney(amount, plans.money)}`,
    );
    setTrouble(wrong ?? '');
    if (wrong === undefined) setOpen(false);
  };
  return (
    <Flex
      as="form"
      gap="6px"
      wrap="wrap"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <TextInput
        aria-label="Who has it"
        placeholder="Who has it?"
        value={supplier}
        onChange={(event) => setSupplier(event.target.value)}
      />
      <TextInput
        aria-label="Its price"
        placeholder={`Price, ${plans.money.sign}`}
        value={price}
        onChange={(event) => setPrice(event.target.value)}
      />
      <TextInput
        aria-label="Days until it is here"
        placeholder="Days"
        value={days}
        onChange={(event) => setDays(event.target.value)}
      />
      <Press type="submit" kind="main">
        Note it
      </Press>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Flex>
  );
}
