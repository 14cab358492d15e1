'use client';

import { Box, Flex, Heading, Tabs } from '@chakra-ui/react';
import { X } from 'lucide-react';
import { cautionsForFamily } from '@/core/catalogs/cautions';
import { partWords } from '@/core/wear/partWords';
import { MarksOfPart, TeethCounted } from '../identity/pieces';
import { type OfPart, useBench } from '../job/useBench';
import { TICKET_FACES, type TicketFace } from '../job/useBenchPlace';
import { GradeMark } from '../kit/GradeMark';
import { Arriving } from '../kit/later';
import { CautionSign } from '../kit/Notice';
import { Press } from '../kit/Press';
import { MeasureFace } from '../measure/MeasureFace';
import { DecideFace } from './DecideFace';
import { HeardHere } from './HeardHere';
import { LookFace } from './LookFace';
import { PictureFace } from './PictureFace';

const FACE_NAMES: Record<TicketFace, string> = {
  look: 'Look',
  measure: 'Measure',
  picture: 'Picture',
  decide: 'Decide',
};

/** The open part's ticket: one thing at a time. */
export function Ticket(props: OfPart) {
  const { place } = useBench();
  const { position, grade } = props.part;
  const Face = { look: LookFace, measure: MeasureFace, picture: PictureFace, decide: DecideFace }[place.face];
  return (
    <Box padding="12px 16px 24px">
      <Flex align="center" gap="12px">
        <GradeMark grade={grade} size={40} />
        <Box flex="1" minWidth="0">
          <Heading as="h2">{position.name}</Heading>
          <Box fontSize="13px" color="second">
            {partWords(props.part)}
            {position.oneUse ? ' · one-use' : ''}
            {position.quantity ? ` · ${(position.quantity.rows ?? 1) * position.quantity.count} pieces` : ''}
          </Box>
        </Box>
        <Press
          onClick={() => place.goTo({ part: null })}
          aria-label="Close the ticket"
          paddingInline="8px"
          border="none"
        >
          <X size={24} aria-hidden />
        </Press>
      </Flex>
      <Tabs.Root
        value={place.face}
        lazyMount
        unmountOnExit
        marginTop="4px"
        onValueChange={({ value }) => place.goTo({ face: value as TicketFace })}
      >
        <Tabs.List aria-label="Ticket" display="flex" borderBottom="1.5px solid" borderColor="ink">
          {TICKET_FACES.map((face) => (
            <Tabs.Trigger
              key={face}
              value={face}
              flex="1"
              minHeight="56px"
              cursor="pointer"
              fontStretch="87.5%"
              fontWeight={face === place.face ? 650 : 400}
              borderBottom="4px solid"
              borderColor={face === place.face ? 'metal' : 'transparent'}
            >
              {FACE_NAMES[face]}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        <Tabs.Content value={place.face} aria-label={FACE_NAMES[place.face]} paddingTop="12px">
          <Face {...props} />
        </Tabs.Content>
      </Tabs.Root>
      {place.face === 'look' && (
        <Arriving quietly>
          <TeethCounted job={props.job} positions={[position.id]} />
          <MarksOfPart job={props.job} position={position} />
          <HeardHere {...props} />
        </Arriving>
      )}
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
