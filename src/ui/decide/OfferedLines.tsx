import { Box, Flex, Heading } from '@chakra-ui/react';
import { taxOn, tellAmount } from '@/core/planning/money';
import type { Preventive } from '@/core/planning/options';
import type { UnitDecisionId } from '@/model/job';
import type { Money } from '@/model/money';
import type { QuoteLine } from '@/model/quote';
import type { JobSnapshot } from '@/model/snapshot';
import { TextInput } from '../kit/Field';
import { Press } from '../kit/Press';

/** A single line as it is being written: nothing is offered of it until somebody takes it up. */
export interface LineDraft {
  readonly id: string;
  readonly name: string;
  readonly note: string;
  /** As it was typed. */
  readonly price: string;
  readonly within: readonly UnitDecisionId[];
  readonly isOffered: boolean;
}

/** What can be left to the owner line by line: parts that wait for his word, and sound ones that could be renewed while it lies open. */
export function lineDrafts(
  { decisions, unitType }: Pick<JobSnapshot, 'decisions' | 'unitType'>,
  preventive: readonly Preventive[],
  money: Money,
): LineDraft[] {
  const waiting = decisions
    .filter(({ decision }) => decision === 'ask-customer')
    .map(({ positionId, reason }) => ({
      ...{ id: positionId, note: reason.slice(0, 120), price: '', isOffered: true },
      name: unitType.positions.find(({ id }) => id === positionId)?.name ?? positionId,
      within: [],
    }));
  const sound = preventive
    .filter(({ part }) => !waiting.some(({ id }) => id === part))
    .map(
      ({ part, name, price, pays }): LineDraft => ({
        ...{ id: part, name, note: 'sound today', price: tellAmount(price, money), isOffered: false },
        // Only what pays is in the way with preventive parts.
        within: pays ? ['repair-preventive'] : [],
      }),
    );
  return [...waiting, ...sound];
}

/** The lines that are offered, with tax; a sentence where a price is none. */
export function linesOf(
  drafts: readonly LineDraft[],
  money: Money,
  readAmount: (written: string) => number | undefined,
): QuoteLine[] | string {
  const lines: QuoteLine[] = [];
  for (const { id, name, note, price, within, isOffered } of drafts) {
    if (!isOffered) continue;
    const amount = readAmount(price);
    if (amount === undefined) return `${name}: “${price}” is no amount.`;
    lines.push({ id, name, note, price: amount, total: amount + taxOn(amount, money), within: [...within] });
  }
  return lines;
}

interface OfferedLinesProps {
  readonly drafts: readonly LineDraft[];
  readonly money: Money;
  readonly onChange: (drafts: readonly LineDraft[]) => void;
}

/** Single lines beside the ways, to take or to leave. */
export function OfferedLines({ drafts, money, onChange }: OfferedLinesProps) {
  if (drafts.length === 0) return null;
  const change = (id: string, over: Partial<LineDraft>) =>
    onChange(drafts.map((draft) => (draft.id === id ? { ...draft, ...over } : draft)));
  return (
    <Box as="section" aria-label="Single lines" marginTop="8px">
      <Heading as="h4" fontSize="15px">
        Single lines, to take or to leave
      </Heading>
      {drafts.map(({ id, name, note, price, within, isOffered }) => (
        <Flex key={id} gap="10px" align="center" wrap="wrap" paddingBlock="4px">
          <Press
            chosen={isOffered}
            aria-pressed={isOffered}
            onClick={() => change(id, { isOffered: !isOffered })}
          >
            {name}
          </Press>
          <TextInput
            aria-label={`${name}, price without tax, ${money.sign}`}
            width="120px"
            value={price}
            onChange={(event) => change(id, { price: event.target.value })}
          />
          <TextInput
            aria-label={`${name}, a few words`}
            flex="1 1 160px"
            maxLength={120}
            value={note}
            onChange={(event) => change(id, { note: event.target.value })}
          />
          {within.length > 0 && (
            <Box as="span" fontSize="13px" color="second">
              in the repair with preventive parts already
            </Box>
          )}
        </Flex>
      ))}
    </Box>
  );
}
