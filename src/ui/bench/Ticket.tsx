'use client';

import { Box, chakra, Flex, Heading } from '@chakra-ui/react';
import { X } from 'lucide-react';
import { cautionsForFamily } from '@/core/catalogs/cautions';
import type { PartState } from '@/core/wear/partStanding';
import type { Actor } from '@/model/people';
import type { Right } from '@/model/rights';
import type { Undoable } from '../job/UndoBar';
import type { BenchJob } from '../job/useJob';
import { GradeMark, gradeWords } from '../kit/GradeMark';
import { CautionSign } from '../kit/Notice';
import { Press } from '../kit/Press';
import { DecideFace } from './DecideFace';
import { LookFace } from './LookFace';
import { MeasureFace } from './MeasureFace';
import { PictureFace } from './PictureFace';
import type { Measuring } from './seriesWalk';
import { type BenchPlace, TICKET_FACES, type TicketFace } from './useBenchPlace';

export interface FaceProps {
  readonly part: PartState;
  readonly job: BenchJob;
  readonly actor: Actor;
  readonly rights: readonly Right[];
  readonly onUndoable: (undoable: Undoable) => void;
  readonly place: BenchPlace;
  readonly measuring: Measuring;
  readonly onMeasuring: (measuring: Measuring) => void;
}

interface TicketProps extends FaceProps {
  readonly onClose: () => void;
}

const FACE_NAMES: Record<TicketFace, string> = {
  look: 'Look',
  measure: 'Measure',
  picture: 'Picture',
  decide: 'Decide',
};

/** The open part's ticket: one thing at a time. */
export function Ticket({ onClose, ...props }: TicketProps) {
  const { place } = props;
  const { position, grade } = props.part;
  const Face = { look: LookFace, measure: MeasureFace, picture: PictureFace, decide: DecideFace }[place.face];
  return (
    <Box padding="12px 16px 24px">
      <Flex align="center" gap="12px">
        <GradeMark grade={grade} size={40} />
        <Box flex="1" minWidth="0">
          <Heading as="h2">{position.name}</Heading>
          <Box fontSize="13px" color="second">
            {gradeWords(grade)}
            {position.oneUse ? ' · one-use' : ''}
            {position.quantity ? ` · ${(position.quantity.rows ?? 1) * position.quantity.count} pieces` : ''}
          </Box>
        </Box>
        <Press onClick={onClose} aria-label="Close the ticket" paddingInline="8px" border="none">
          <X size={24} aria-hidden />
        </Press>
      </Flex>
      <Flex role="tablist" aria-label="Ticket" borderBottom="1.5px solid" borderColor="ink" marginTop="4px">
        {TICKET_FACES.map((face) => (
          <chakra.button
            key={face}
            type="button"
            role="tab"
            aria-selected={face === place.face}
            flex="1"
            minHeight="56px"
            cursor="pointer"
            fontStretch="87.5%"
            fontWeight={face === place.face ? 650 : 400}
            borderBottom="4px solid"
            borderColor={face === place.face ? 'metal' : 'transparent'}
            onClick={() => place.goTo({ face })}
          >
            {FACE_NAMES[face]}
          </chakra.button>
        ))}
      </Flex>
      <Box role="tabpanel" aria-label={FACE_NAMES[place.face]} paddingTop="12px">
        <Face {...props} />
      </Box>
      {position.orientation && (
        <Box marginTop="12px" fontSize="13px">
          <strong>Which way round:</strong> {position.orientation}
        </Box>
      )}
      <Box marginTop="12px">
        {cautionsForFamily(props.job.snapshot.catalogs, position.family).map((caution) => (
          <CautionSign key={caution.id} title={caution.title} words={caution.words} />
        ))}
      </Box>
    </Box>
  );
}
