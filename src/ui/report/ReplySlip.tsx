import { Box, chakra, Flex } from '@chakra-ui/react';
import { tellMoney } from '@/core/planning/money';
import type { ChosenSlip, Quote } from '@/model/quote';
import { longDate } from '../kit/dates';
import { LetterPart } from './LetterPart';

interface ReplySlipProps {
  readonly quote: Quote;
  readonly chosen: (ChosenSlip & { readonly toPay: number }) | undefined;
  readonly action: string;
  readonly today: string | undefined;
}

/** What is torn off and sent back: the way, the lines, the sum, and a name. What stands here is what is agreed to. */
export function ReplySlip({ quote, chosen, action, today }: ReplySlipProps) {
  return (
    <Box id="reply" className="own-page" borderTop="3px dotted" borderColor="ink" marginTop="24px">
      <LetterPart title="Reply slip" label="Reply slip">
        {!chosen && (
          <>
            <p className="not-on-paper">Choose one of the offers above; it then stands here with its sum.</p>
            <OnPaper quote={quote} />
          </>
        )}
        {chosen && (
          <form method="post" action={action}>
            <input type="hidden" name="slip" value={chosen.id} />
            {(chosen.lines ?? []).map(({ id }) => (
              <input key={id} type="hidden" name="line" value={id} />
            ))}
            <input type="hidden" name="seen" value={chosen.toPay} />
            <input type="hidden" name="ready" value={chosen.readyOn ?? ''} />
            <Sum words={chosen.name} amount={tellMoney(chosen.total, quote)} />
            {(chosen.lines ?? []).map(({ id, name, total }) => (
              <Sum key={id} words={name} amount={tellMoney(total, quote)} />
            ))}
            <Flex
              justify="space-between"
              fontSize="18px"
              fontWeight={650}
              borderTop="1.5px solid"
              borderColor="ink"
              paddingBlock="4px"
              aria-live="polite"
              data-testid="to-pay"
            >
              <span>To pay, with {quote.taxPercent} % tax</span>
              <span>{tellMoney(chosen.toPay, quote)}</span>
            </Flex>
            <Flex justify="space-between" gap="12px" wrap="wrap" fontSize="13px">
              <span>{chosen.warrantyMonths > 0 ? `${chosen.warrantyMonths} months’ warranty` : ''}</span>
              <span>{chosen.readyOn ? `ready ${longDate(chosen.readyOn)}` : ''}</span>
            </Flex>
            <NameField label="Your name" />
            {today && (
              <Box fontSize="13px" color="second">
                Today, {longDate(today)}
              </Box>
            )}
            <chakra.button
              type="submit"
              display="block"
              width="100%"
              minHeight="64px"
              bg="blue"
              color="onBlue"
              fontSize="18px"
              fontWeight={650}
              marginBlock="10px"
            >
              I choose this
            </chakra.button>
            <Box fontSize="13px" color="second">
              We keep your name, the time, this exact text and price. You may change your mind until we have
              ordered parts. A changed price needs a new yes.
            </Box>
          </form>
        )}
      </LetterPart>
    </Box>
  );
}

/** Printed before anything was chosen: to be ticked, signed and sent back. */
function OnPaper({ quote }: { readonly quote: Quote }) {
  const ways = quote.slips.map(({ name, total }) => `${name}, ${tellMoney(total, quote)}`);
  const lines = (quote.lines ?? []).map(({ name, total }) => `and ${name}, ${tellMoney(total, quote)}`);
  return (
    <div className="only-on-paper">
      {[...ways, ...lines].map((words) => (
        <p key={words}>☐ {words}</p>
      ))}
      <p>Name, date and signature: ______________________________________________</p>
    </div>
  );
}

function Sum({ words, amount }: { readonly words: string; readonly amount: string }) {
  return (
    <Flex justify="space-between" gap="12px" borderBottom="1px solid" borderColor="rule" paddingBlock="4px">
      <span>{words}</span>
      <Box as="span" whiteSpace="nowrap">
        {amount}
      </Box>
    </Flex>
  );
}

export function NameField({ label }: { readonly label: string }) {
  return (
    <chakra.label display="block" marginBlock="8px">
      {label}
      <chakra.input
        name="name"
        required
        maxLength={80}
        autoComplete="name"
        display="block"
        width="100%"
        minHeight="44px"
        paddingInline="8px"
        border="1.5px solid"
        borderColor="ink"
        bg="field"
      />
    </chakra.label>
  );
}
