import { Flex } from '@chakra-ui/react';
import { useState } from 'react';
import type { Order } from '@/core/planning/orders';
import { readDay } from '@/core/time/readDay';
import type { OfJob } from '../job/useBench';
import { useKeepNow } from '../job/useKeepNow';
import { DateInput } from '../kit/DateInput';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';

/** The supplier has named another day: everything that is promised is counted by it. */
export function AnotherDay({ job, order, today }: OfJob & { readonly order: Order; readonly today: string }) {
  const keepNow = useKeepNow(job);
  const [open, setOpen] = useState(false);
  const [written, setWritten] = useState('');
  const [trouble, setTrouble] = useState('');
  if (!open)
    return (
      <Press kind="quiet" minHeight="36px" onClick={() => setOpen(true)}>
        It comes on another day
      </Press>
    );
  const save = async () => {
    const on = readDay(written, today);
    if (on === undefined) return setTrouble(`“${written}” is no day. Write it as 21 Dec.`);
    const wrong = await keepNow(
      { what: 'order-moved', orderId: order.id, on, note: '' },
      `The order from ${order.supplier} comes on another day`,
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
      <DateInput aria-label="The day that the supplier names" value={written} onDay={setWritten} />
      <Press type="submit" disabled={written.trim() === ''}>
        It comes then
      </Press>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Flex>
  );
}
