'use client';

import { Box, Flex } from '@chakra-ui/react';
import { memo } from 'react';
import type { PartState } from '@/core/wear/partStanding';
import { type OfJob, useBench } from '../job/useBench';
import { PART_VIEWS, type PartView } from '../job/useBenchPlace';
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
import { DescribePart, PhotographTray, PowerPanel } from './pieces';
import { SheetBeside } from './SheetBeside';

const VIEW_NAMES: Record<PartView, string> = { sheet: 'Sheet', section: 'Section', list: 'List' };

/** What the drawing and what stands round it show of the job; and the tray below it. */
const DRAWN: Watch = ({ snapshot, parts }) => [snapshot.job, snapshot.unitType, parts];
const CONFLICTS: Watch = ({ snapshot }) => [snapshot.conflicts];
const TRAY: Watch = ({ snapshot, photographs }) => [snapshot.unitType, photographs];

/** The whole unit, part by part: what each looks like, and the way into its ticket. */
export function GradeStation({ open }: { readonly open: PartState | undefined }) {
  const { place } = useBench();
  const asList = place.show === 'list';
  const job = useBenchJob(DRAWN);
  const { unitType, catalogs, job: head } = job.snapshot;
  const openPart = (part: string) => place.goTo({ part });
  const described = unitType.axes.length > 0;
  const inGear = useEngagedTrain(unitType, place.gear, place.coast);
  const drawing = described ? (
    <SectionDrawing
      unitType={unitType}
      parts={job.parts}
      selected={place.part}
      onOpen={openPart}
      strip={open !== undefined}
      inGear={inGear}
      {...(open && openCheckOf(open, place)?.every ? { most: STRIP_BESIDE_SERIES } : {})}
    />
  ) : null;
  // With the ticket closed the sheet stands beside the section; a gear that is followed takes the room.
  if (!open && place.show === 'sheet' && !place.gear && job.parts.length > 0)
    return (
      <>
        <Flex justify="flex-end" gap="8px" marginBottom="4px" wrap="wrap">
          {described && <GearKeys job={job} />}
          <SectionOrList peg={head.peg} alone />
        </Flex>
        <Watching>{(whole) => <SheetBeside job={whole} />}</Watching>
        <Arriving quietly>{head.ownType && <DescribeKeys job={job} described={described} />}</Arriving>
        <BelowTheDrawing />
      </>
    );
  return (
    <Box>
      <Flex justify="space-between" align="center" gap="8px" marginBottom="4px" wrap="wrap">
        {open ? <Box /> : <GradeLegend />}
        {described && !open && !asList && <GearKeys job={job} />}
        {described && <SectionOrList peg={head.peg} alone={!open} />}
      </Flex>
      {asList || !described ? (
        <PartList parts={job.parts} words={catalogs} selected={place.part} onOpen={openPart} />
      ) : (
        drawing
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
        {head.ownType && <DescribeKeys job={job} described={described} />}
      </Arriving>
      <BelowTheDrawing />
    </Box>
  );
}

function GearKeys({ job }: OfJob) {
  const { place } = useBench();
  return (
    <GearChoice
      unitType={job.snapshot.unitType}
      gear={place.gear}
      coast={place.coast}
      onChoose={(gear) => place.goTo({ gear })}
      onCoast={(coast) => place.goTo({ coast })}
    />
  );
}

/** A unit that nobody has described grows where it is looked at. */
function DescribeKeys({ job, described }: OfJob & { readonly described: boolean }) {
  const { rights } = useBench();
  return (
    <>
      <DescribePart job={job} described={described} />
      {rights.includes('unit-type.describe') && (
        <PressLink href={`/jobs/${job.snapshot.job.peg}/unit-type`} marginTop="12px">
          Describe it in full
        </PressLink>
      )}
    </>
  );
}

/** The same parts drawn or listed, and the drawing for paper. */
function SectionOrList({ peg, alone }: { readonly peg: number; readonly alone: boolean }) {
  const { place } = useBench();
  const inGear = place.gear
    ? `?gear=${encodeURIComponent(place.gear)}${place.coast ? '&coast=yes' : ''}`
    : '';
  return (
    <Flex role="group" aria-label="Sheet, section or list" gap="4px">
      {alone && <PressLink href={`/jobs/${peg}/section${inGear}`}>For paper</PressLink>}
      {PART_VIEWS.map((view) => (
        <Press
          key={view}
          chosen={place.show === view}
          aria-pressed={place.show === view}
          onClick={() => place.goTo({ show: view })}
        >
          {VIEW_NAMES[view]}
        </Press>
      ))}
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
