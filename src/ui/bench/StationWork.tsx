'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { memo, useMemo } from 'react';
import type { PartState } from '@/core/wear/partStanding';
import { STATIONS } from '@/model/job';
import type { Actor } from '@/model/people';
import type { Right } from '@/model/rights';
import { CauseStation } from '../cause/CauseStation';
import { DecideStation } from '../decide/DecideStation';
import { IdentityPanel } from '../identity/IdentityPanel';
import type { Undoable } from '../job/UndoBar';
import { type BenchJob, useBenchJob, type Watch } from '../job/useJob';
import { Watching } from '../job/Watching';
import { EmptyState } from '../kit/Notice';
import { Press, PressLink } from '../kit/Press';
import { HandOverStation } from '../report/HandOverStation';
import { engagedTrain } from '../section/engagedTrain';
import { GearChoice } from '../section/GearChoice';
import { PartList } from '../section/PartList';
import { PowerPanel } from '../section/PowerPanel';
import { SectionDrawing } from '../section/SectionDrawing';
import { BaselineStation } from '../strip/BaselineStation';
import { DrainStation } from '../strip/DrainStation';
import { StripStation } from '../strip/StripStation';
import { BookInStation } from './BookInStation';
import { CatalogNotice } from './CatalogNotice';
import { Conflicts } from './Conflicts';
import { DescribeBox } from './DescribeBox';
import { DescribePart } from './DescribePart';
import { GradeLegend } from './GradeLegend';
import { OpenSeries, openCheckOf } from './OpenSeries';
import { PhotographTray } from './PhotographTray';
import { SheetNotice } from './SheetNotice';
import type { Measuring } from './seriesWalk';
import type { BenchPlace } from './useBenchPlace';

export interface StationProps {
  readonly job: BenchJob;
  readonly actor: Actor;
  readonly rights: readonly Right[];
}

/** With a series beside it the section shrinks to a strip that keeps the neighbours in view. */
const STRIP_BESIDE_SERIES = 150;

export interface StationWorkProps extends StationProps {
  readonly place: BenchPlace;
  readonly open: PartState | undefined;
  readonly asList: boolean;
  readonly onAsList: (asList: boolean) => void;
  readonly measuring: Measuring;
  readonly onMeasuring: (measuring: Measuring) => void;
  readonly onUndoable: (undoable: Undoable) => void;
}

/** What the drawing and what stands round it show of the job; and the tray below it. */
const DRAWN: Watch = ({ snapshot, parts }) => [snapshot.job, snapshot.unitType, parts];
const CONFLICTS: Watch = ({ snapshot }) => [snapshot.conflicts];
const TRAY: Watch = ({ snapshot, photographs }) => [snapshot.unitType, photographs];

/** What is told of stations that are not built yet: what will come, honestly. */
const LATER: Record<string, string> = {
  rebuild:
    'Set-up values, torques bolt by bolt, and the bagged pieces going back will be ticked off here. Until then the limits stand on each part’s ticket.',
};

export function StationWork(given: Omit<StationWorkProps, 'job'>) {
  const { place, open, asList, onAsList, actor, rights } = given;
  const drawn = place.station === 'grade' || place.station in LATER;
  const job = useBenchJob(drawn ? DRAWN : undefined);
  const props: StationWorkProps = { ...given, job };
  const name = STATIONS.find(({ id }) => id === place.station)?.name ?? '';
  const later = LATER[place.station];
  const openPart = (part: string) => place.goTo({ part });
  const { unitType } = job.snapshot;
  const described = unitType.axes.length > 0;
  const inGear = useMemo(
    () => engagedTrain(unitType, place.gear, place.coast),
    [unitType, place.gear, place.coast],
  );
  return (
    <Box>
      {place.station !== 'grade' && (
        <Heading as="h2" marginBottom="8px">
          {name}
        </Heading>
      )}
      {later && <EmptyState>{later}</EmptyState>}
      {place.station === 'book-in' && (
        <>
          <SheetNotice {...props} />
          <CatalogNotice {...props} />
          <BookInStation {...props} />
          <IdentityPanel {...props} />
        </>
      )}
      {place.station === 'drain' && <DrainStation {...props} />}
      {place.station === 'baseline' && <BaselineStation {...props} />}
      {place.station === 'strip' && <StripStation {...props} />}
      {place.station === 'cause' && <CauseStation {...props} />}
      {place.station === 'decide' && (
        <DecideStation {...props} onOpen={(part) => place.goTo({ part, face: 'decide' })} />
      )}
      {place.station === 'hand-over' && <HandOverStation {...props} />}
      {(place.station === 'grade' || later) && (
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
            {described && (
              <Flex role="group" aria-label="Section or list" gap="4px">
                {!open && (
                  <PressLink
                    href={`/jobs/${job.snapshot.job.peg}/section${place.gear ? `?gear=${encodeURIComponent(place.gear)}${place.coast ? '&coast=yes' : ''}` : ''}`}
                  >
                    For paper
                  </PressLink>
                )}
                <Press chosen={!asList} aria-pressed={!asList} onClick={() => onAsList(false)}>
                  Section
                </Press>
                <Press chosen={asList} aria-pressed={asList} onClick={() => onAsList(true)}>
                  List
                </Press>
              </Flex>
            )}
          </Flex>
          {asList || !described ? (
            <PartList
              parts={job.parts}
              words={job.snapshot.catalogs}
              selected={place.part}
              onOpen={openPart}
            />
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
          {inGear && place.gear && !open && !asList && (
            <PowerPanel
              key={place.gear}
              unitType={unitType}
              gear={place.gear}
              inGear={inGear}
              onOpen={openPart}
            />
          )}
          {open && <OpenSeries {...props} open={open} />}
          {unitType.id.startsWith('own-') && (
            <>
              <DescribePart {...props} described={described} />
              <DescribeBox {...props} />
              {props.rights.includes('unit-type.describe') && (
                <PressLink href={`/jobs/${job.snapshot.job.peg}/unit-type`} marginTop="12px">
                  Describe it in full
                </PressLink>
              )}
            </>
          )}
          <BelowTheDrawing actor={actor} rights={rights} />
        </Box>
      )}
    </Box>
  );
}

/** What stands under the drawing shows no readings, and isn't drawn anew for one. */
const BelowTheDrawing = memo(function BelowTheDrawing({ actor, rights }: Omit<StationProps, 'job'>) {
  return (
    <>
      <Watching of={CONFLICTS}>{(job) => <Conflicts job={job} />}</Watching>
      <Watching of={TRAY}>{(job) => <PhotographTray {...{ job, actor, rights }} />}</Watching>
    </>
  );
});
