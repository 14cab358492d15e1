import { useState } from 'react';
import type { Order } from '@/core/planning/orders';
import type { OfJob } from '../job/useBench';
import { useKeepNow } from '../job/useKeepNow';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { needsReading } from './needsReading';

/**
 * All that is still to come of an order came in one go and was laid beside the old parts. What must be read off it first, a number or a
 * size, comes in too and waits for that.
 */
export function AllCame({ job, order }: OfJob & { readonly order: Order }) {
  const keepNow = useKeepNow(job);
  const [isBusy, setBusy] = useState(false);
  const [trouble, setTrouble] = useState('');
  const lines = order.lines.flatMap((line, at) => (line.toCome > 0 ? [{ line, at }] : []));
  const toRead = lines.filter(({ line }) => needsReading(line)).length;
  const takeIn = async () => {
    setBusy(true);
    for (const { line, at } of lines) {
      const wrong = await keepNow(
        {
          ...{ what: 'goods-in', orderId: order.id, line: at, count: line.toCome, identity: {}, note: '' },
          compared: !needsReading(line),
        },
        `All of ${order.supplier} came in`,
      );
      if (wrong !== undefined) {
        setTrouble(wrong);
        break;
      }
    }
    setBusy(false);
  };
  return (
    <>
      <Press minHeight="44px" disabled={isBusy} onClick={() => void takeIn()}>
        {toRead === 0
          ? 'All came, laid beside the old parts'
          : toRead === lines.length
            ? 'All came; its numbers and sizes are read below'
            : `All came, laid beside; ${toRead} to be read below`}
      </Press>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </>
  );
}
