import { Box, chakra } from '@chakra-ui/react';
import { tellMoney } from '@/core/planning/money';
import type { Quote, QuoteAnswer } from '@/model/quote';
import { longDate, longInstant } from '../kit/dates';
import { LetterPart } from './LetterPart';

interface ReceiptProps {
  readonly answer: QuoteAnswer;
  readonly quote: Quote;
  readonly action: string;
  /** Of the letter. */
  readonly number: string;
  readonly hasBegun: boolean;
}

/** What was agreed: the exact words and price that he saw, by whom, when, of which letter. */
export function Receipt({ answer, quote, action, number, hasBegun }: ReceiptProps) {
  const slip = answer.slip!;
  const { lines = [], toPay = slip.total } = slip;
  return (
    <Box id="reply">
      <LetterPart title="Your answer" label="Your answer">
        <Box border="2px solid" borderColor="ink" padding="12px" data-testid="receipt">
          <Box fontWeight={650}>Your answer: {slip.name}</Box>
          {lines.map(({ id, name, total }) => (
            <Box key={id}>
              and {name}, {tellMoney(total, quote)}
            </Box>
          ))}
          <Box fontSize="18px" fontWeight={650}>
            {tellMoney(toPay, quote)} with {quote.taxPercent} % tax
          </Box>
          <Box fontSize="13px">
            {slip.readyOn ? `Ready ${longDate(slip.readyOn)}. ` : ''}
            {slip.warrantyMonths > 0 ? `${slip.warrantyMonths} months’ warranty. ` : ''}
            {slip.note}
          </Box>
          <Box>
            {answer.name}, {longInstant(answer.at)}, to letter {number}
          </Box>
          <Box fontSize="13px" overflowWrap="anywhere">
            Digest of the letter: {answer.digest}
          </Box>
          {hasBegun ? (
            <Box>Work has begun: parts are ordered. Please call us if something is to change.</Box>
          ) : (
            <form method="post" action={action} className="not-on-paper">
              <input type="hidden" name="act" value="back" />
              <chakra.button type="submit" minHeight="44px" textDecoration="underline">
                I have changed my mind
              </chakra.button>
            </form>
          )}
        </Box>
      </LetterPart>
    </Box>
  );
}
