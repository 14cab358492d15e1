'use client';

import { Box, chakra, Flex } from '@chakra-ui/react';
import { type ReactNode, useState } from 'react';
import { tellMoney } from '@/core/planning/money';
import { chooseSlip } from '@/core/report/chooseSlip';
import type { Quote, QuoteLine, Slip } from '@/model/quote';
import { longDate } from '../kit/dates';
import { LetterPart } from './LetterPart';
import { ReplySlip } from './ReplySlip';

/** What was chosen before the page was asked for: without a program on the page it is the address that knows it. */
export interface ChosenBefore {
  readonly slip: string;
  readonly lines: readonly string[];
}

interface OfferFormProps {
  readonly quote: Quote;
  /** Where an answer goes; left out where nobody answers: on the shop's own screens. */
  readonly action?: string | undefined;
  readonly before?: ChosenBefore | undefined;
  /** What stands between the offers and the reply slip: what he asked, and what he was told. */
  readonly between?: ReactNode;
  /** The shop's day. */
  readonly today?: string | undefined;
}

/**
 * What the owner is offered, as slips torn along their dots; the one that is punched is chosen, single lines beside it, and both make the sum on
 * the reply slip. Where no program runs, a key asks for the slip with its sum, so that nobody agrees to a price that he hasn't read.
 */
export function OfferForm({ quote, action, before, between, today }: OfferFormProps) {
  const [slip, setSlip] = useState(before?.slip ?? '');
  const [lines, setLines] = useState<readonly string[]>(before?.lines ?? []);
  const canChoose = action !== undefined;
  const chosen = chooseSlip(quote, slip, lines);
  const offered = quote.lines ?? [];
  return (
    <>
      <form method="get" action="#reply">
        <LetterPart title="What we offer" label="What we offer">
          {quote.slips.map((each) => (
            <SlipLine
              key={each.id}
              {...{ quote, canChoose }}
              slip={each}
              isChosen={each.id === slip}
              onChoose={() => setSlip(each.id)}
            />
          ))}
          <Flex gap="10px" borderTop="2px dotted" borderColor="ink" paddingTop="8px">
            <Box as="span" aria-hidden="true" color="oxide" fontSize="20px">
              ▲
            </Box>
            <div>
              <strong>If nothing is done:</strong> {quote.ifNothing}
            </div>
          </Flex>
        </LetterPart>
        {offered.length > 0 && (
          <LetterPart title="Single lines, to take or to leave" label="Single lines">
            {offered.map((line) => (
              <SingleLine
                key={line.id}
                {...{ line, quote, canChoose }}
                isIn={line.within.includes(slip as Slip['id'])}
                isTaken={lines.includes(line.id)}
                onTake={(taken) =>
                  setLines(taken ? [...lines, line.id] : lines.filter((id) => id !== line.id))
                }
              />
            ))}
          </LetterPart>
        )}
        {canChoose && (
          <chakra.button
            type="submit"
            className="not-on-paper"
            minHeight="44px"
            paddingInline="16px"
            marginTop="10px"
            border="1.5px solid"
            borderColor="ink"
            css={{ 'html[data-alive] &': { display: 'none' } }}
          >
            Show me the reply slip with the sum
          </chakra.button>
        )}
      </form>
      {between}
      {action !== undefined && <ReplySlip {...{ quote, chosen, action, today }} />}
    </>
  );
}

interface SlipLineProps {
  readonly slip: Slip;
  readonly quote: Quote;
  readonly canChoose: boolean;
  readonly isChosen: boolean;
  readonly onChoose: () => void;
}

/** The slip that is torn off. */
const CHOSEN = { background: '{colors.blue}', color: '{colors.onBlue}' };

/** The whole slip is the target. */
function SlipLine({ slip, quote, canChoose, isChosen, onChoose }: SlipLineProps) {
  const { name, total, price, readyOn, warrantyMonths, note } = slip;
  const words = (
    <Box flex="1" minWidth="0">
      <Flex justify="space-between" wrap="wrap" gap="0 12px" fontWeight={650} fontSize="18px">
        <span>{name}</span>
        <span>{tellMoney(total, quote)}</span>
      </Flex>
      <Flex justify="space-between" wrap="wrap" gap="0 12px" fontSize="13px">
        <span>{readyOn ? `ready ${longDate(readyOn)}` : ''}</span>
        <span>{tellMoney(price, quote)} without tax</span>
      </Flex>
      <Box fontSize="13px">
        {warrantyMonths > 0 ? `${warrantyMonths} months’ warranty. ` : ''}
        {note}
      </Box>
    </Box>
  );
  const look = {
    display: 'flex',
    gap: '12px',
    alignItems: 'center',
    minHeight: '82px',
    padding: '8px 4px',
    borderTop: '2px dotted',
    borderColor: 'ink',
  } as const;
  if (!canChoose) return <Box {...look}>{words}</Box>;
  return (
    <chakra.label {...look} cursor="pointer" css={{ '&:has(input:checked)': CHOSEN }}>
      <chakra.input
        type="radio"
        accentColor="brass"
        name="slip"
        value={slip.id}
        required
        checked={isChosen}
        onChange={onChoose}
        width="24px"
        height="24px"
        flexShrink={0}
      />
      {words}
    </chakra.label>
  );
}

interface SingleLineProps {
  readonly line: QuoteLine;
  readonly quote: Quote;
  readonly canChoose: boolean;
  /** The chosen way holds it already. */
  readonly isIn: boolean;
  readonly isTaken: boolean;
  readonly onTake: (taken: boolean) => void;
}

function SingleLine({ line, quote, canChoose, isIn, isTaken, onTake }: SingleLineProps) {
  const within = quote.slips.filter(({ id }) => line.within.includes(id)).map(({ name }) => name);
  return (
    <Flex
      as={canChoose ? 'label' : 'div'}
      gap="12px"
      align="center"
      minHeight="44px"
      borderBottom="1px solid"
      borderColor="rule"
      paddingBlock="4px"
      {...(canChoose ? { cursor: 'pointer' } : {})}
    >
      {canChoose && (
        <chakra.input
          type="checkbox"
          accentColor="metal"
          name="line"
          value={line.id}
          checked={isTaken || isIn}
          disabled={isIn}
          onChange={(event) => onTake(event.target.checked)}
          width="24px"
          height="24px"
          flexShrink={0}
        />
      )}
      <Box flex="1">
        {line.name}{' '}
        <Box as="span" fontSize="13px" color="second">
          {[line.note, within.length > 0 ? `in “${within.join('”, “')}” already` : '']
            .filter(Boolean)
            .join('; ')}
        </Box>
      </Box>
      <Box as="span" fontWeight={650} whiteSpace="nowrap">
        {isIn ? 'in it' : tellMoney(line.total, quote)}
      </Box>
    </Flex>
  );
}
