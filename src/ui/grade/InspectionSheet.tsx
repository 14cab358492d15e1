'use client';

import { Box, chakra, Flex, Heading } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import { foldedLines, SHEET_ORDERS } from '@/core/wear/inspectionSheet';
import type { PartState } from '@/core/wear/partStanding';
import { partWords } from '@/core/wear/partWords';
import { GRADE_WORD, GRADES, type Grade } from '@/model/damage';
import { typesInto } from '../frame/typesInto';
import { type OfJob, useBench } from '../job/useBench';
import { GradeMark } from '../kit/GradeMark';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { FindingKeys } from './FindingKeys';
import { GradeKeys, WhyKeys } from './GradeKeys';
import { HandTestKeys } from './HandTestKeys';
import { SheetRow } from './SheetRow';
import { namesOf, useGrading } from './useGrading';
import type { Sheet } from './useSheet';

interface InspectionSheetProps extends OfJob {
  readonly sheet: Sheet;
}

/** So many settled parts lie side by side in one strip. */
const FOLDED = 5;

type Asking =
  | { readonly what: 'finding' }
  | { readonly what: 'hand' }
  | { readonly what: 'why'; readonly grade: Grade };

/** Every part of the unit, gone through by keyboard or finger: what is open has a row, what is settled lies folded between. */
export function InspectionSheet({ job, sheet }: InspectionSheetProps) {
  const { rights, place } = useBench();
  const acts = useGrading(job);
  const [asking, setAsking] = useState<Asking>();
  const list = useRef<HTMLDivElement>(null);
  const mayTake = rights.includes('capture.take');
  const mayGrade = mayTake && rights.includes('grade.set');
  const { current, inHand } = sheet;
  const currentId = current?.position.id;
  // What is in hand is in sight, and keeps the keyboard where that was on the sheet.
  useEffect(() => {
    const row = list.current?.querySelector<HTMLElement>(`[data-sheet-row="${currentId}"]`);
    if (!row) return;
    row.scrollIntoView({ block: 'nearest' });
    if (list.current?.contains(document.activeElement)) row.focus({ preventScroll: true });
  }, [currentId]);
  const back = () => {
    setAsking(undefined);
    list.current?.querySelector<HTMLElement>('[data-current]')?.focus({ preventScroll: true });
  };
  const put = (grade: Grade, reason: string) => {
    if (!acts.grade(inHand, grade, reason)) return;
    back();
    sheet.onward();
  };
  const grade = (chosen: Grade) => {
    if (inHand.every(({ proposal }) => proposal.grade === chosen || proposal.grade === null)) put(chosen, '');
    else setAsking({ what: 'why', grade: chosen });
  };
  const nothing = () => {
    if (acts.nothingToSee(inHand)) sheet.onward();
  };
  const open = (face: 'measure' | 'picture' | 'look') =>
    current && place.goTo({ part: current.position.id, face });
  const keys: Record<string, () => void> = {
    ArrowDown: () => sheet.step(1),
    ArrowUp: () => sheet.step(-1),
    Enter: () => open('look'),
    ' ': sheet.gather,
    o: sheet.toggleOpen,
    m: () => open('measure'),
    p: () => open('picture'),
    ...(mayTake ? { f: () => setAsking({ what: 'finding' }), h: () => setAsking({ what: 'hand' }) } : {}),
    ...(mayGrade
      ? {
          n: nothing,
          ...Object.fromEntries(GRADES.map((each) => [String(each), () => grade(each)])),
        }
      : {}),
  };
  const pressed = useRef<(event: KeyboardEvent) => void>(undefined);
  pressed.current = (event) => {
    if (event.defaultPrevented || event.ctrlKey || event.metaKey || event.altKey || asking) return;
    // A key that is held down walks; it says nothing of one part after the other.
    if (typesInto(event.target) || (event.repeat && !event.key.startsWith('Arrow'))) return;
    const escapes = event.key === 'Escape' && (inHand.length > 1 || acts.trouble !== '');
    const act = escapes
      ? () => {
          sheet.letGo();
          acts.say('');
        }
      : keys[event.key.length === 1 ? event.key.toLowerCase() : event.key];
    if (!act || (MOVES.has(event.key) && !isFree(event.target, list.current))) return;
    event.preventDefault();
    act();
  };
  useEffect(() => {
    const hear = (event: KeyboardEvent) => pressed.current?.(event);
    window.addEventListener('keydown', hear);
    return () => window.removeEventListener('keydown', hear);
  }, []);
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
        <Press chosen={sheet.onlyOpen} aria-pressed={sheet.onlyOpen} onClick={sheet.toggleOpen}>
          Only the open
        </Press>
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
            {foldedLines(group.parts, sheet.ids, FOLDED).map((line) =>
              line.kind === 'row' ? (
                <SheetRow
                  key={line.part.position.id}
                  part={line.part}
                  job={job}
                  photograph={job.photographs.find(
                    ({ positionId, struck }) => positionId === line.part.position.id && !struck,
                  )}
                  current={line.part === current}
                  gathered={sheet.ids.has(line.part.position.id)}
                  onChoose={() => sheet.goTo(line.part.position.id)}
                />
              ) : (
                <Folded key={line.parts[0]!.position.id} parts={line.parts} onGo={sheet.goTo} />
              ),
            )}
          </Box>
        ))}
      </Box>
      <Box
        position={{ lg: 'sticky' }}
        bottom="60px"
        bg="paper"
        borderTop="1.5px solid"
        borderColor="ink"
        paddingBlock="8px"
      >
        {acts.trouble && <ErrorNotice>{acts.trouble}</ErrorNotice>}
        {asking?.what === 'finding' && (
          <FindingKeys
            job={job}
            parts={inHand}
            onBack={back}
            onNote={(mode, where, severity) => {
              acts.note(
                inHand,
                { mode: mode.id, place: where, severity },
                `${mode.term}, ${where}, ${severity}`,
              );
              back();
            }}
          />
        )}
        {asking?.what === 'hand' && (
          <HandTestKeys
            job={job}
            parts={inHand}
            onBack={back}
            onTried={(test, result, note) => {
              acts.tried(inHand, test, result, note);
              back();
            }}
          />
        )}
        {asking?.what === 'why' && (
          <WhyKeys
            parts={inHand}
            grade={asking.grade}
            onBack={back}
            onPut={(reason) => put(asking.grade, reason)}
          />
        )}
        {!asking && current && (
          <>
            <Flex justify="space-between" gap="8px" wrap="wrap" align="center" marginBottom="4px">
              <Box fontWeight={650} minWidth="0" lineClamp={1}>
                {inHand.length > 1 ? `${inHand.length} chosen: ${namesOf(inHand)}` : namesOf(inHand)}
                <ProposalWords parts={inHand} />
              </Box>
              <Flex>
                <Press kind="quiet" minHeight="32px" onClick={() => open('look')}>
                  Open its ticket
                </Press>
                <Press kind="quiet" minHeight="32px" onClick={sheet.gather}>
                  {inHand.length > 1 ? 'Let the others go' : 'Choose its like too'}
                </Press>
              </Flex>
            </Flex>
            {mayTake && (
              <GradeKeys
                mayGrade={mayGrade}
                parts={inHand}
                onGrade={grade}
                onNothing={nothing}
                onFinding={() => setAsking({ what: 'finding' })}
                onHand={() => setAsking({ what: 'hand' })}
                onMeasure={() => open('measure')}
                onPicture={() => open('picture')}
              />
            )}
          </>
        )}
      </Box>
    </Box>
  );
}

function ProposalWords({ parts }: { readonly parts: readonly PartState[] }) {
  const [one, ...others] = parts;
  if (!one || others.some(({ proposal }) => proposal.grade !== one.proposal.grade)) return null;
  const { grade, reasons, note } = one.proposal;
  return (
    <Box as="span" fontWeight={400} fontSize="13px" color="second">
      {' '}
      {grade === null ? note : `The rules propose ${grade} ${GRADE_WORD[grade]}: ${reasons[0]?.words ?? ''}`}
    </Box>
  );
}

/** Keys that mean something of their own on the drawing and on whatever can be pressed. */
const MOVES = new Set(['ArrowDown', 'ArrowUp', 'Enter', ' ']);
const isFree = (target: EventTarget | null, list: HTMLElement | null): boolean =>
  target === document.body || (target instanceof Node && (list?.contains(target) ?? false));

/** Settled parts side by side: shape, figure and name of each, and each of them a way to its row. */
function Folded({
  parts,
  onGo,
}: {
  readonly parts: readonly PartState[];
  readonly onGo: (positionId: string) => void;
}) {
  return (
    <Flex gap="4px" paddingBlock="2px" borderBottom="1px solid" borderColor="rule">
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
          flex={`0 1 ${100 / FOLDED}%`}
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
