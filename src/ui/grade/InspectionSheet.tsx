'use client';

import { Box, chakra, Flex, Heading } from '@chakra-ui/react';
import { useEffect, useRef } from 'react';
import { foldedLines, SHEET_ORDERS } from '@/core/wear/inspectionSheet';
import type { PartState } from '@/core/wear/partStanding';
import { partWords } from '@/core/wear/partWords';
import type { OfJob } from '../job/useBench';
import { GradeMark } from '../kit/GradeMark';
import { Press } from '../kit/Press';
import { SheetKeys } from './SheetKeys';
import { SheetRow } from './SheetRow';
import { useRowSize } from './useRowSize';
import type { Sheet } from './useSheet';
import { useSheetActs } from './useSheetActs';
import { useSheetKeys } from './useSheetKeys';

interface InspectionSheetProps extends OfJob {
  readonly sheet: Sheet;
}

/** So many settled parts lie side by side in one strip. */
const FOLDED = 5;

/** Every part of the unit, gone through by keyboard or finger: what is open has a row, what is settled lies folded between. */
export function InspectionSheet({ job, sheet }: InspectionSheetProps) {
  const list = useRef<HTMLDivElement>(null);
  const shown = useRef<string>(undefined);
  const acts = useSheetActs(job, sheet, list);
  useSheetKeys(sheet, acts, list);
  const { current } = sheet;
  const [rowSize, changeRows] = useRowSize();
  const currentId = current?.position.id;
  const inSight = new Set([...sheet.ids, ...(currentId ? [currentId] : [])]);
  // What is in hand is in sight, and keeps the keyboard where that was on the sheet.
  useEffect(() => {
    const row = list.current?.querySelector<HTMLElement>(`[data-sheet-row="${currentId}"]`);
    if (!row) return;
    // A page opens at its top; what is in hand is brought into sight once somebody has moved on to it.
    if (shown.current !== undefined) row.scrollIntoView({ block: 'nearest' });
    shown.current = currentId;
    if (list.current?.contains(document.activeElement)) row.focus({ preventScroll: true });
  }, [currentId]);
  return (
    <Box as="section" aria-label="Inspection sheet" data-testid="sheet" minWidth="0">
      <Flex
        align="center"
        justify="space-between"
        gap="8px"
        wrap="wrap"
        borderBottom="1.5px solid"
        borderColor="ink"
        paddingBottom="4px"
      >
        <Box>
          <Heading as="h2">Inspection sheet</Heading>
          <Press
            kind="quiet"
            minHeight="32px"
            paddingInline="0"
            aria-label={`Order: ${sheet.order}`}
            onClick={() =>
              sheet.setOrder(sheet.order === SHEET_ORDERS[0] ? SHEET_ORDERS[1] : SHEET_ORDERS[0])
            }
          >
            {sheet.order}
          </Press>
        </Box>
        <Flex gap="8px">
          <Press kind="quiet" onClick={changeRows}>
            {rowSize === 'bench' ? 'Low rows' : 'Tall rows'}
          </Press>
          <Press chosen={sheet.onlyOpen} aria-pressed={sheet.onlyOpen} onClick={sheet.toggleOpen}>
            Only the open
          </Press>
        </Flex>
      </Flex>
      <Box
        ref={list}
        role="listbox"
        aria-label="Parts"
        aria-multiselectable="true"
        maxHeight={{ lg: 'calc(100dvh - 330px)' }}
        overflowY={{ lg: 'auto' }}
        paddingInline="4px"
      >
        {sheet.groups.map((group) => (
          <Box key={group.id} role="group" aria-label={group.title}>
            <Box
              position="sticky"
              top="0"
              bg="paper"
              zIndex={1}
              fontWeight={650}
              paddingBlock="4px"
              borderBottom="1px solid"
              borderColor="rule"
            >
              {group.title}{' '}
              <Box as="span" fontWeight={400} fontSize="13px" color="second">
                {group.notLookedAt === 0
                  ? `all ${group.parts.length} looked at`
                  : `${group.notLookedAt} of ${group.parts.length} not looked at`}
              </Box>
            </Box>
            {foldedLines(group.parts, inSight, FOLDED).map((line) =>
              line.kind === 'row' ? (
                <SheetRow
                  key={line.part.position.id}
                  part={line.part}
                  job={job}
                  photograph={job.photographs.find(
                    ({ positionId, struck }) => positionId === line.part.position.id && !struck,
                  )}
                  current={line.part === current}
                  low={rowSize === 'office'}
                  gathered={sheet.ids.has(line.part.position.id)}
                  onChoose={() => sheet.choose(line.part.position.id)}
                />
              ) : (
                <Folded key={line.parts[0]!.position.id} parts={line.parts} onGo={sheet.goTo} />
              ),
            )}
          </Box>
        ))}
      </Box>
      <SheetKeys job={job} sheet={sheet} acts={acts} />
    </Box>
  );
}

/** Settled parts side by side: shape, figure and name of each, and each of them a way to its row. */
function Folded({
  parts,
  onGo,
}: {
  readonly parts: readonly PartState[];
  readonly onGo: (positionId: string) => void;
}) {
  return (
    <Flex
      gap="4px"
      wrap={{ base: 'wrap', md: 'nowrap' }}
      paddingBlock="2px"
      borderBottom="1px solid"
      borderColor="rule"
    >
      {parts.map((part) => (
        <chakra.span
          key={part.position.id}
          role="option"
          aria-selected={false}
          aria-label={`${part.position.name}, ${partWords(part)}`}
          tabIndex={-1}
          data-folded={part.position.id}
          display="inline-flex"
          alignItems="center"
          gap="4px"
          minHeight="44px"
          minWidth="0"
          // On a phone two beside each other: a fifth of it is narrower than a word.
          flex={{ base: '0 1 calc(50% - 2px)', md: `0 1 ${100 / FOLDED}%` }}
          cursor="pointer"
          onClick={() => onGo(part.position.id)}
        >
          <GradeMark grade={part.grade} size={22} />
          <strong>{part.grade}</strong>
          <chakra.span fontSize="13px" lineHeight="16px" lineClamp={2}>
            {part.position.name}
          </chakra.span>
        </chakra.span>
      ))}
    </Flex>
  );
}
