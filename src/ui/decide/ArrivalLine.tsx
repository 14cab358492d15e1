import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { againOf, type Order, type OrderLine, ordersOf } from '@/core/planning/orders';
import type { ToldPlans } from '@/core/planning/suppliers';
import { type OfJob, useBench } from '../job/useBench';
import { useKeepNow } from '../job/useKeepNow';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { AskWhy } from './AskWhy';
import { type AsItCame, GoodsIn } from './GoodsIn';
import { needsReading } from './needsReading';

interface ArrivalLineProps extends OfJob {
  readonly line: OrderLine;
  readonly at: number;
  readonly order: Order;
  readonly told: ToldPlans;
  readonly mayOrder: boolean;
}

/** One line of an order: what of it is here, what is wrong with it, and the next act: take in, lay beside, send back, order again. */
export function ArrivalLine({ line, at, order, told, job, mayOrder }: ArrivalLineProps) {
  const { rights } = useBench();
  const keepNow = useKeepNow(job);
  const [open, setOpen] = useState<'comes' | 'compare'>();
  const [trouble, setTrouble] = useState('');
  const { offer, count, wrong, differs, toCome, unchecked } = line;
  const ofLine = { orderId: order.id, line: at };
  const keep = async (content: Parameters<typeof keepNow>[0], words: string) => {
    const refused = await keepNow(content, `${offer.name}: ${words}`);
    setTrouble(refused ?? '');
    return refused;
  };
  const takeIn = ({ count: pieces, ...came }: AsItCame) =>
    keep({ what: 'goods-in', ...ofLine, ...came, count: pieces, note: '' }, `${pieces} came in`);
  const compare = ({ identity, printed, otherwise }: AsItCame) =>
    keep(
      {
        ...{ what: 'goods-compared', ...ofLine, identity },
        ...(printed === undefined ? {} : { printed }),
        ...(otherwise === undefined ? {} : { otherwise }),
      },
      'laid beside the old one',
    );
  return (
    <Box paddingBlock="2px" data-order-line={offer.name}>
      <Flex justify="space-between" align="center" gap="8px" wrap="wrap">
        <Box flex="1 1 220px">
          {count > 1 && `${count} × `}
          {offer.name}: {tellLine(line)}
          {wrong > 0 && (
            <Box color="oxide" fontWeight={650}>
              Not what was ordered: {differs.join(', ')}. It goes back and is ordered again.
            </Box>
          )}
          {line.taken.map(({ by, reason, differs: other }) => (
            <Box key={reason} fontSize="13px">
              Used all the same ({other}): {reason}, {by}
            </Box>
          ))}
        </Box>
        {mayOrder && !open && (
          <>
            {toCome > 0 && (
              <Press minHeight="44px" onClick={() => setOpen('comes')}>
                It came
              </Press>
            )}
            {toCome > 0 && !needsReading(line) && (
              <Press
                minHeight="44px"
                onClick={() => void takeIn({ count: toCome, identity: {}, compared: true })}
              >
                Here, laid beside
              </Press>
            )}
            {unchecked > 0 && (
              <Press minHeight="44px" onClick={() => setOpen('compare')}>
                Lay it beside
              </Press>
            )}
            {wrong > 0 && (
              <Press
                minHeight="44px"
                onClick={() =>
                  void keep(
                    {
                      ...{ what: 'goods-back', ...ofLine, count: wrong },
                      reason: differs.join(', ').slice(0, 200),
                    },
                    `${wrong} ${wrong === 1 ? 'goes' : 'go'} back`,
                  )
                }
              >
                Send it back
              </Press>
            )}
          </>
        )}
        {mayOrder && <OrderAgain {...{ line, told, job, keep }} supplier={order.supplier} />}
        {wrong > 0 && rights.includes('part.decide') && (
          <AskWhy
            words="Use it all the same"
            asked="Why it may be used"
            act="I answer for it"
            onWhy={(reason) => keep({ what: 'goods-taken', ...ofLine, reason }, 'used though it differs')}
          />
        )}
      </Flex>
      {open && (
        <GoodsIn
          {...{ line }}
          isHere={open === 'compare'}
          onTake={open === 'compare' ? compare : takeIn}
          onClose={() => setOpen(undefined)}
        />
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Box>
  );
}

function tellLine({ count, arrived, back, unchecked, wrong, fits }: OrderLine): string {
  const parts = [
    arrived === 0 && back === 0 ? 'not here yet' : `${arrived} of ${count} here`,
    back > 0 ? `${back} sent back` : '',
    unchecked > 0 ? 'not compared yet' : wrong === 0 && fits > 0 ? 'compared with the old one' : '',
  ];
  return parts.filter(Boolean).join(', ');
}

interface OrderAgainProps extends OfJob {
  readonly line: OrderLine;
  readonly told: ToldPlans;
  readonly supplier: string;
  readonly keep: (content: Parameters<ReturnType<typeof useKeepNow>>[0], words: string) => Promise<unknown>;
}

/** The same line once more, as long as the part is still wanted: what went back, or is wrong and goes back. */
function OrderAgain({ line, told, supplier, job, keep }: OrderAgainProps) {
  const [isBusy, setBusy] = useState(false);
  const count = againOf(line, ordersOf(job.snapshot.records), told.needs);
  if (count === 0) return null;
  return (
    <Press
      minHeight="44px"
      disabled={isBusy}
      onClick={async () => {
        setBusy(true);
        await keep(
          {
            ...{ what: 'parts-ordered', supplier, note: '', lines: [{ offer: line.offer, count }] },
            freight: told.suppliers.find(({ name }) => name === supplier)?.freight ?? 0,
          },
          `ordered again from ${supplier}`,
        );
        setBusy(false);
      }}
    >
      Order it again
    </Press>
  );
}
