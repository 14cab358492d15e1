'use client';

import { Box, chakra, Flex, Heading } from '@chakra-ui/react';
import { acceptable, type FateGroup, type FateRow } from '@/core/decisions/fates';
import { partWords } from '@/core/wear/partWords';
import { PART_DECISIONS } from '@/model/job';
import { decisionName } from '../job/decisionName';
import { GradeMark } from '../kit/GradeMark';
import { Press } from '../kit/Press';

export interface PriceOf {
  readonly words: string;
  /** The same for all parts that come in one price. */
  readonly key: string;
}

interface FatesProps {
  readonly groups: readonly FateGroup[];
  readonly count: number;
  readonly mayDecide: boolean;
  readonly selected: string | undefined;
  readonly priceOf: (positionId: string) => PriceOf | undefined;
  readonly onOpen: (positionId: string) => void;
  readonly onAccept: (rows: readonly FateRow[]) => void;
}

/** More settled parts than this lie folded: each keeps its shape and its name. */
const FOLDED_FROM = 4;
const FOLDED = new Set(['clean-reuse', 'reuse']);

/** What becomes of the parts, gathered by fate; what only the rules say is dashed until somebody accepts it. */
export function Fates({ groups, count, mayDecide, selected, priceOf, onOpen, onAccept }: FatesProps) {
  const proposals = acceptable(groups);
  return (
    <Box as="section" aria-label="What becomes of the parts" data-testid="fates">
      <Flex
        justify="space-between"
        align="center"
        gap="8px"
        borderBottom="2px solid"
        borderColor="ink"
        paddingBottom="6px"
      >
        <Heading as="h2">What becomes of the {count} parts</Heading>
        {mayDecide && proposals.length > 0 && (
          <Press kind="main" minHeight="40px" onClick={() => onAccept(proposals)}>
            Accept {proposals.length === 1 ? 'the proposal' : `all ${proposals.length}`}
          </Press>
        )}
      </Flex>
      {groups.map(({ fate, rows }) => (
        <Flex key={fate} borderBottom="1px solid" borderColor="rule" paddingBlock="6px" data-fate={fate}>
          <Box width="96px" flexShrink={0} paddingRight="8px">
            <Box fontWeight={650} lineHeight="18px">
              {decisionName(fate)}
            </Box>
            <Box fontSize="13px" color="second">
              {rows.length} {rows.length === 1 ? 'part' : 'parts'}
            </Box>
          </Box>
          <Box flex="1" minWidth="0">
            {FOLDED.has(fate) && rows.length >= FOLDED_FROM ? (
              <Folded {...{ rows, onOpen, selected }} />
            ) : (
              rows.map((row, at) => (
                <Row
                  key={row.part.position.id}
                  {...{ row, onOpen }}
                  isSelected={row.part.position.id === selected}
                  tie={tieOf(rows, at)}
                  price={priceAt(rows, at, priceOf)}
                />
              ))
            )}
          </Box>
        </Flex>
      ))}
    </Box>
  );
}

type Tie = 'leads' | 'goes along' | undefined;

function tieOf(rows: readonly FateRow[], at: number): Tie {
  const { set } = rows[at]!;
  if (set === undefined || rows.filter((row) => row.set === set).length < 2) return undefined;
  return rows[at - 1]?.set === set ? 'goes along' : 'leads';
}

/** A price stands once for all that come in it. */
function priceAt(rows: readonly FateRow[], at: number, priceOf: FatesProps['priceOf']) {
  const own = priceOf(rows[at]!.part.position.id);
  const before = at > 0 ? priceOf(rows[at - 1]!.part.position.id) : undefined;
  if (!own) return undefined;
  return own.key === before?.key ? { ...own, words: '' } : own;
}

interface RowProps {
  readonly row: FateRow;
  readonly isSelected: boolean;
  readonly tie: Tie;
  readonly price: PriceOf | undefined;
  readonly onOpen: (positionId: string) => void;
}

function Row({ row, isSelected, tie, price, onOpen }: RowProps) {
  const { part, proposal, entry, isProposed } = row;
  const isBad = (part.grade ?? 0) >= 4;
  const differs =
    entry !== undefined && entry.decision !== entry.proposed && entry.proposed !== 'not-decided';
  return (
    <chakra.button
      type="button"
      display="flex"
      width="100%"
      minHeight="44px"
      alignItems="center"
      gap="8px"
      textAlign="left"
      paddingBlock="3px"
      border={isProposed ? '1px dashed' : '1px solid transparent'}
      borderColor={isProposed ? 'second' : 'transparent'}
      bg={isSelected ? 'zinc' : undefined}
      color={isSelected ? 'zincInk' : undefined}
      data-fate-row={part.position.id}
      onClick={() => onOpen(part.position.id)}
    >
      <Bracket tie={tie} />
      <GradeMark grade={part.grade} />
      <Box flex="1" minWidth="0">
        <Box fontWeight={650} fontSize="15px" lineHeight="19px" color={isBad ? 'oxide' : undefined}>
          {part.position.name}
        </Box>
        <Box fontSize="13px" lineHeight="17px" color="second">
          {partWords(part)}
          {differs ? (
            <>
              ; proposed: <s>{decisionName(entry.proposed).toLowerCase()}</s>
            </>
          ) : (
            `: ${proposal.reason}`
          )}
        </Box>
        {entry && (entry.reason || differs) && (
          <Box fontSize="13px" lineHeight="17px">
            {entry.by}
            {entry.reason ? `: ${entry.reason}` : ''}
            {entry.riskBy ? `. ${entry.riskBy} takes the risk` : ''}
          </Box>
        )}
      </Box>
      {differs && <Stamp name={entry.by} />}
      {price && (
        <Box
          flexShrink={0}
          minWidth="64px"
          textAlign="right"
          fontWeight={650}
          borderLeft="1.5px solid"
          borderColor="ink"
          paddingLeft="6px"
          alignSelf="stretch"
          display="flex"
          alignItems="center"
          justifyContent="flex-end"
        >
          {price.words}
        </Box>
      )}
    </chakra.button>
  );
}

/** The set's bracket: the first takes the others along. */
function Bracket({ tie }: { readonly tie: Tie }) {
  if (!tie) return <Box width="12px" flexShrink={0} />;
  return (
    <Box width="12px" flexShrink={0} alignSelf="stretch" position="relative" aria-hidden="true">
      <Box
        position="absolute"
        left="2px"
        right="0"
        top={tie === 'leads' ? '50%' : '-6px'}
        bottom={tie === 'leads' ? '-6px' : '50%'}
        borderLeft="2.5px solid"
        borderTop={tie === 'leads' ? '2.5px solid' : undefined}
        borderBottom={tie === 'goes along' ? '2.5px solid' : undefined}
        borderColor="ink"
      />
    </Box>
  );
}

function Stamp({ name }: { readonly name: string }) {
  const initials = name
    .split(' ')
    .map((word) => word.charAt(0))
    .join('')
    .slice(0, 3);
  return (
    <Box
      flexShrink={0}
      minWidth="30px"
      textAlign="center"
      bg="zinc"
      color="zincInk"
      border="1.5px solid"
      borderColor="ink"
      borderRadius="4px"
      fontSize="13px"
      fontWeight={650}
      title={`decided by ${name}`}
    >
      {initials}
    </Box>
  );
}

interface FoldedProps {
  readonly rows: readonly FateRow[];
  readonly selected: string | undefined;
  readonly onOpen: (positionId: string) => void;
}

/** Settled parts side by side: each is a target of its own with its name. */
function Folded({ rows, selected, onOpen }: FoldedProps) {
  return (
    <Flex wrap="wrap" gap="2px">
      {rows.map(({ part, isProposed }) => (
        <chakra.button
          key={part.position.id}
          type="button"
          display="inline-flex"
          alignItems="center"
          gap="4px"
          minHeight="36px"
          paddingInline="6px"
          fontSize="13px"
          border={isProposed ? '1px dashed' : '1px solid'}
          borderColor={isProposed ? 'second' : 'rule'}
          bg={part.position.id === selected ? 'zinc' : undefined}
          color={part.position.id === selected ? 'zincInk' : undefined}
          data-fate-row={part.position.id}
          onClick={() => onOpen(part.position.id)}
        >
          <GradeMark grade={part.grade} size={18} />
          {part.position.name} {part.grade ?? ''}
        </chakra.button>
      ))}
    </Flex>
  );
}

/** By which key a fate is given to the part in hand. */
export const FATE_KEYS = PART_DECISIONS.filter(({ id }) => id !== 'not-decided');
