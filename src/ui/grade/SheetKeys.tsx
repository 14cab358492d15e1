'use client';

import { Box, Flex } from '@chakra-ui/react';
import type { PartState } from '@/core/wear/partStanding';
import { GRADE_WORD } from '@/model/damage';
import { KeyCap } from '../frame/KeysHelp';
import { type OfJob, useBench } from '../job/useBench';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { FacesKeys } from './FacesKeys';
import { FindingKeys } from './FindingKeys';
import { GradeKeys, WhyKeys } from './GradeKeys';
import { HandTestKeys } from './HandTestKeys';
import { PiecesKeys } from './PiecesKeys';
import { QuestionKeys } from './QuestionKeys';
import { namesOf } from './useGrading';
import type { Sheet } from './useSheet';
import type { SheetActs } from './useSheetActs';

interface SheetKeysProps extends OfJob {
  readonly sheet: Sheet;
  readonly acts: SheetActs;
}

/** At the foot of the sheet: what can be said of the parts in hand, or what is being asked of them. */
export function SheetKeys({ job, sheet, acts }: SheetKeysProps) {
  const { inHand } = sheet;
  const [one] = inHand;
  const { asking, back } = acts;
  return (
    <Box
      position={{ lg: 'sticky' }}
      bottom="60px"
      bg="paper"
      borderTop="1.5px solid"
      borderColor="ink"
      paddingBlock="8px"
    >
      {acts.trouble && <ErrorNotice>{acts.trouble}</ErrorNotice>}
      {asking?.what === 'finding' && one && (
        <FindingKeys job={job} parts={inHand} onBack={back} onNote={acts.note} />
      )}
      {asking?.what === 'hand' && one && (
        <HandTestKeys job={job} parts={inHand} onBack={back} onTried={acts.tried} />
      )}
      {asking?.what === 'pieces' && one && (
        <PiecesKeys part={one} job={job} onBack={back} onPut={acts.record} />
      )}
      {asking?.what === 'faces' && one && (
        <FacesKeys part={one} job={job} onBack={back} onPut={acts.record} />
      )}
      {asking?.what === 'question' && one && (
        <QuestionKeys part={one} job={job} onBack={back} onPut={acts.record} />
      )}
      {asking?.what === 'why' && (
        <WhyKeys
          parts={inHand}
          grade={asking.grade}
          onBack={back}
          onPut={(reason) => acts.put(asking.grade, reason)}
        />
      )}
      {!asking && sheet.current && <OfThoseInHand job={job} sheet={sheet} acts={acts} />}
    </Box>
  );
}

function OfThoseInHand({ sheet, acts }: SheetKeysProps) {
  const { rights } = useBench();
  const { inHand } = sheet;
  const mayTake = rights.includes('capture.take');
  const several = inHand.length > 1 || sheet.picking;
  return (
    <>
      {acts.same && (
        <Press
          size="bench"
          width="100%"
          marginBottom="6px"
          justifyContent="flex-start"
          onClick={acts.noteSame}
        >
          <KeyCap aria-hidden="true">S</KeyCap>
          The same here: {acts.same.words}
        </Press>
      )}
      <Flex justify="space-between" gap="8px" wrap="wrap" align="center" marginBottom="4px">
        <Box fontWeight={650} minWidth="0" lineClamp={1}>
          {several
            ? `${inHand.length} chosen${inHand.length > 0 ? `: ${namesOf(inHand)}` : ''}`
            : namesOf(inHand)}
          <ProposalWords parts={inHand} />
        </Box>
        <Flex wrap="wrap">
          {!several && <More sheet={sheet} acts={acts} />}
          <Press kind="quiet" minHeight="32px" onClick={() => acts.open('look')}>
            Open its ticket
          </Press>
          {!sheet.picking && (
            <Press kind="quiet" minHeight="32px" onClick={sheet.gather}>
              {several ? 'One by one' : 'Choose its like too'}
            </Press>
          )}
          {several && (
            <Press kind="quiet" minHeight="32px" onClick={sheet.letGo}>
              Let the others go
            </Press>
          )}
        </Flex>
      </Flex>
      {mayTake && (
        <GradeKeys
          mayGrade={rights.includes('grade.set')}
          parts={inHand}
          onGrade={acts.grade}
          onNothing={acts.nothing}
          onFinding={() => acts.ask('finding')}
          onHand={() => acts.ask('hand')}
          onMeasure={() => acts.open('measure')}
          onPicture={() => acts.open('picture')}
        />
      )}
    </>
  );
}

/** What only some parts have, or somebody else is asked: said less often, so it stands smaller. */
function More({ sheet: { inHand }, acts }: Omit<SheetKeysProps, 'job'>) {
  const { rights } = useBench();
  const [one] = inHand;
  if (!one) return null;
  const mayGrade = rights.includes('grade.set');
  return (
    <>
      {mayGrade && (one.position.quantity?.count ?? 1) > 1 && (
        <Press kind="quiet" minHeight="32px" onClick={() => acts.ask('pieces')}>
          Piece by piece
        </Press>
      )}
      {mayGrade && one.position.family === 'bush-washer-pin' && (
        <Press kind="quiet" minHeight="32px" onClick={() => acts.ask('faces')}>
          Face by face
        </Press>
      )}
      {rights.includes('question.ask') && (
        <Press kind="quiet" minHeight="32px" onClick={() => acts.ask('question')}>
          Ask a colleague
        </Press>
      )}
    </>
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
