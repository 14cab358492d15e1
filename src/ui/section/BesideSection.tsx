'use client';

import { Box, Grid } from '@chakra-ui/react';
import type { ReactNode } from 'react';
import type { AskedMove } from '@/core/section/movedGhost';
import type { UnitType } from '@/model/unitType';
import { type OfJob, useBench } from '../job/useBench';
import { Arriving } from '../kit/later';
import { openCheckOf } from '../measure/openCheck';
import { OpenSeries } from '../measure/pieces';
import { PartList } from './PartList';
import { SectionDrawing, STRIP_BESIDE_SERIES, type Suspicion } from './SectionDrawing';

interface BesideSectionProps extends OfJob {
  /** Pieces that this station is about, drawn apart from the others. */
  readonly marked?: readonly string[];
  readonly suspicion?: Suspicion | undefined;
  /** What an advised move would bring where. */
  readonly moves?: readonly AskedMove[] | undefined;
  /** The unit as it would be drawn by what is being typed, instead of as it is described. */
  readonly drawn?: UnitType | undefined;
  /** What is marked, and what a tap does. */
  readonly note: string;
  /** What a tap on a piece does; without it its ticket opens. */
  readonly onOpen?: (positionId: string) => void;
  /** What stands under the drawing. */
  readonly below?: ReactNode;
  readonly children: ReactNode;
}

/**
 * A station's work beside the unit cut open: the drawing on the left, what is known on the right. While a ticket is open it has the
 * right side, and the work waits behind it with everything that was typed.
 */
export function BesideSection({
  job,
  marked = [],
  suspicion,
  moves,
  drawn,
  note,
  onOpen,
  below,
  children,
}: BesideSectionProps) {
  const { place } = useBench();
  const asList = place.show === 'list';
  const { catalogs } = job.snapshot;
  const unitType = drawn ?? job.snapshot.unitType;
  const tap = onOpen ?? ((part: string) => place.goTo({ part }));
  const open = job.parts.find(({ position }) => position.id === place.part);
  // The work stands at one place of the tree with and without a drawing: what is being typed goes on when the first part arrives.
  const isEmpty = unitType.positions.length === 0;
  return (
    <Grid
      templateColumns={{
        base: 'minmax(0, 1fr)',
        lg: open ? 'minmax(0, 1fr)' : isEmpty ? 'minmax(0, 980px)' : 'minmax(0, 1fr) minmax(0, 1.08fr)',
      }}
      gap="24px"
    >
      {!isEmpty && (
        <Box order={{ base: 2, lg: 1 }} minWidth="0">
          <Box position={{ lg: 'sticky' }} top="12px">
            {asList || unitType.axes.length === 0 ? (
              <PartList parts={job.parts} words={catalogs} selected={place.part} onOpen={tap} />
            ) : (
              <SectionDrawing
                unitType={unitType}
                parts={job.parts}
                selected={place.part}
                marked={new Set(marked)}
                suspicion={open ? undefined : suspicion}
                moves={open ? undefined : moves}
                onOpen={tap}
                {...(open && openCheckOf(open, place)?.every ? { most: STRIP_BESIDE_SERIES } : {})}
                strip
              />
            )}
            {open && openCheckOf(open, place)?.every ? (
              <Arriving quietly>
                <OpenSeries part={open} job={job} />
              </Arriving>
            ) : (
              <Box fontSize="13px" lineHeight="18px" color="second" marginTop="4px">
                {note}
              </Box>
            )}
            {!open && below}
          </Box>
        </Box>
      )}
      <Box order={{ base: 1, lg: 2 }} minWidth="0" hidden={open !== undefined}>
        {children}
      </Box>
    </Grid>
  );
}
