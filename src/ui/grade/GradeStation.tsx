'use client';

import { Box, Flex } from '@chakra-ui/react';
import { memo } from 'react';
import type { PartState } from '@/core/wear/partStanding';
import { useBench } from '../job/useBench';
import { useBenchJob, type Watch } from '../job/useJob';
import { Watching } from '../job/Watching';
import { Arriving } from '../kit/later';
import { Press, PressLink } from '../kit/Press';
import { openCheckOf } from '../measure/openCheck';
import { OpenSeries } from '../measure/pieces';
import { GearChoice } from '../section/GearChoice';
import { PartList } from '../section/PartList';
import { SectionDrawing, STRIP_BESIDE_SERIES } from '../section/SectionDrawing';
import { useEngagedTrain } from '../section/useEngagedTrain';
import { Conflicts } from './Conflicts';
import { GradeLegend } from './GradeLegend';
import { DescribeBox, DescribePart, PhotographTray, PowerPanel } from './pieces';

/** What the drawing and what stands round it show of the job; and the tray below it. */
const DRAWN: Watch = ({ snapshot, parts }) => [snapshot.job, snapshot.unitType, parts];
const CONFLICTS: Watch = ({ snapshot }) => [snapshot.conflicts];
const TRAY: Watch = ({ snapshot, photographs }) => [snapshot.unitType, photographs];

/** The whole unit, part by part: what each looks like, and the way into its ticket. */
export function GradeStation({ open }: { readonly open: PartState | undefined }) {
  const { rights, place, asList } = useBench();
  const job = useBenchJob(DRAWN);
  const { unitType, catalogs, job: head } = job.snapshot;
  const openPart = (part: string) => place.goTo({ part });
  const described = unitType.axes.length > 0;
  const inGear = useEngagedTrain(unitType, place.gear, place.coast);
  return (
    <Box>
      <Flex justify="space-between" align="center" gap="8px" marginBottom="4px" wrap="wrap">
        {open ? <Box /> : <GradeLegend />}
        {described && !open && !asList && (
          <GearChoice
            unitType={unitType}
            gear={place.gear}
            coast={place.coast}
            onChoose={(gear) => place.goTo({ gear })}
            onCoast={(coast) => place.goTo({ coast })}
          />
        )}
        {described && <SectionOrList peg={head.peg} alone={!open} />}
      </Flex>
      {asList || !described ? (
        <PartList parts={job.parts} words={catalogs} selected={place.part} onOpen={openPart} />
      ) : (
        <SectionDrawing
          unitType={unitType}
          parts={job.parts}
          selected={place.part}
          onOpen={openPart}
          strip={open !== undefined}
          inGear={inGear}
          {...(open && openCheckOf(open, place)?.every ? { most: STRIP_BESIDE_SERIES } : {})}
        />
      )}
      <Arriving quietly>
        {inGear && place.gear && !open && !asList && (
          <PowerPanel
            key={place.gear}
            unitType={unitType}
            gear={place.gear}
            inGear={inGear}
            onOpen={openPart}
          />
        )}
        {open && openCheckOf(open, place)?.every && <OpenSeries part={open} job={job} />}
        {head.ownType && (
          <>
            <DescribePart job={job} described={described} />
            <DescribeBox job={job} />
            {rights.includes('unit-type.describe') && (
              <PressLink href={`/jobs/${head.peg}/unit-type`} marginTop="12px">
                Describe it in full
              </PressLink>
            )}
          </>
        )}
      </Arriving>
      <BelowTheDrawing />
    </Box>
  );
}

/** The same parts drawn or listed, and the drawing for paper. */
function SectionOrList({ peg, alone }: { readonly peg: number; readonly alone: boolean }) {
  const { place, asList, showAsList } = useBench();
  const inGear = place.gear
    ? `?gear=${encodeURIComponent(place.gear)}${place.coast ? '&coast=yes' : ''}`
    : '';
  return (
    <Flex role="group" aria-label="Section or list" gap="4px">
      {alone && <PressLink href={`/jobs/${peg}/section${inGear}`}>For paper</PressLink>}
      <Press chosen={!asList} aria-pressed={!asList} onClick={() => showAsList(false)}>
        Section
      </Press>
      <Press chosen={asList} aria-pressed={asList} onClick={() => showAsList(true)}>
        List
      </Press>
    </Flex>
  );
}

/** What stands under the drawing shows no readings, and isn't drawn anew for one. */
const BelowTheDrawing = memo(function BelowTheDrawing() {
  return (
    <>
      <Watching of={CONFLICTS}>{(job) => <Conflicts job={job} />}</Watching>
      <Arriving quietly>
        <Watching of={TRAY}>{(job) => <PhotographTray job={job} />}</Watching>
      </Arriving>
    </>
  );
});
