'use client';

import { Box, Grid, Heading } from '@chakra-ui/react';
import { type OfJob, useBench } from '../job/useBench';
import { SectionDrawing } from '../section/SectionDrawing';
import { BesideStrip } from './BesideStrip';
import { GradeLegend } from './GradeLegend';
import { InspectionSheet } from './InspectionSheet';
import { Profile } from './Profile';
import { Questions } from './Questions';
import { UnitFindings } from './UnitFindings';
import { useSheet } from './useSheet';

/** Section and sheet side by side: what is in hand is marked in both. */
export function SheetBeside({ job }: OfJob) {
  const { place } = useBench();
  const { unitType } = job.snapshot;
  const sheet = useSheet(unitType, job.parts);
  const described = unitType.axes.length > 0;
  return (
    <Grid templateColumns={{ base: 'minmax(0, 1fr)', lg: 'minmax(0, 46fr) minmax(0, 54fr)' }} gap="20px">
      <Box minWidth="0">
        <Heading as="h2" fontSize="24px" lineHeight="30px">
          {sheet.notLookedAt === 0 ? 'All looked at' : `${sheet.notLookedAt} not looked at`}{' '}
          <Box as="span" fontWeight={400} fontSize="15px" color="second">
            of {job.parts.length} parts
          </Box>
        </Heading>
        {described && (
          <SectionDrawing
            unitType={unitType}
            parts={job.parts}
            selected={sheet.current?.position.id}
            marked={sheet.ids}
            onOpen={(part) => place.goTo({ part })}
            most={380}
            strip
          />
        )}
        <Profile groups={sheet.groups} ids={sheet.ids} onGo={sheet.goTo} />
        <Box marginTop="8px">
          <GradeLegend />
        </Box>
        <UnitFindings job={job} onGo={sheet.goTo} />
        <Questions job={job} onGo={sheet.goTo} />
        <BesideStrip job={job} onGo={sheet.goTo} />
      </Box>
      <InspectionSheet job={job} sheet={sheet} />
    </Grid>
  );
}
