'use client';

import { Box, Flex, Grid, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { findActive } from '@/core/wear/active';
import { STATIONS } from '@/model/job';
import type { LikePhotograph } from '@/model/snapshot';
import { type OfJob, useBench } from '../job/useBench';
import type { ShownPhotograph } from '../job/useJob';
import { longDate } from '../kit/dates';
import { EmptyState } from '../kit/Notice';
import { OneOf } from '../kit/OneOf';
import { Press } from '../kit/Press';
import { useKept } from '../kit/useKept';
import { PictureDrop } from '../photographs/PictureDrop';
import { lookedAt } from '../picture/lookedAt';
import type { LookedAt } from '../picture/PicturePane';
import { EarlierPictures } from './EarlierPictures';
import { FileByTap } from './FileByTap';
import { FullPicture } from './FullPicture';
import { LightTable } from './LightTable';
import { PictureCell } from './PictureCell';

const ORDERS = ['by part', 'by station'] as const;
const NONE: readonly LookedAt[] = [];
/** More than four side by side are too small to compare. */
const MOST_ON_TABLE = 4;

/** All photographs of a job: in order, filed, looked at one by one or several in step. */
export function PhotographDesk(props: OfJob) {
  const { job } = props;
  const { rights, place } = useBench();
  const [order, setOrder] = useState<(typeof ORDERS)[number]>('by part');
  const [chosen, setChosen] = useState<readonly string[]>([]);
  // Pictures of other units that were laid on the table outlive a reload, as the table itself does.
  const [borrowed, setBorrowed] = useKept(`beside ${job.snapshot.job.id}`, NONE);
  const photographs = findActive(job.photographs);
  const byId = (id: string) => photographs.find((photograph) => photograph.id === id);
  const looked = place.look.flatMap((id) => {
    const own = byId(id);
    const other = borrowed.find((picture) => picture.id === id);
    return own ? [lookedAt(job, own)] : other ? [other] : [];
  });
  const single = place.look.length === 1 ? byId(place.look[0]!) : undefined;
  const toggle = (id: string) =>
    setChosen(chosen.includes(id) ? chosen.filter((each) => each !== id) : [...chosen, id]);
  const borrow = (like: LikePhotograph) => {
    const { id, jobId, fileName, width, height, peg, bookedAt } = like;
    setBorrowed([
      ...borrowed.filter((picture) => picture.id !== id),
      { id, jobId, fileName, width, height, caption: `Peg ${peg}, ${longDate(bookedAt)}: ${fileName}` },
    ]);
    place.goTo({ look: [...place.look, id].slice(0, MOST_ON_TABLE) });
  };
  const partOfLook = byId(place.look[0] ?? '')?.positionId ?? null;
  return (
    <Box padding="12px 16px" data-testid="photograph-desk">
      <Flex align="center" gap="12px" wrap="wrap" marginBottom="8px">
        <Heading as="h2">Photographs</Heading>
        {place.look.length > 0 && (
          <Press onClick={() => place.goTo({ look: [] })}>All {photographs.length} photographs</Press>
        )}
        {single && (
          <Neighbours
            photographs={photographs}
            current={single.id}
            onOpen={(id) => place.goTo({ look: [id] })}
          />
        )}
        <Press kind="quiet" onClick={() => place.goTo({ photographs: false })}>
          Back to the station
        </Press>
      </Flex>
      {single && (
        <FullPicture
          key={single.id}
          photograph={single}
          tool={place.tool}
          onTool={(tool) => place.goTo({ tool })}
          job={job}
        />
      )}
      {!single && looked.length > 0 && (
        <LightTable
          pictures={looked}
          onTakeAway={({ id }) => place.goTo({ look: place.look.filter((each) => each !== id) })}
        />
      )}
      {place.look.length > 0 && place.look.length < MOST_ON_TABLE && partOfLook && (
        <EarlierPictures
          key={partOfLook}
          jobId={job.snapshot.job.id}
          positionId={partOfLook}
          shown={place.look}
          onTake={borrow}
        />
      )}
      {place.look.length > 0 && !single && looked.length === 0 && (
        <EmptyState>These photographs are not there any more.</EmptyState>
      )}
      {place.look.length === 0 && (
        <>
          {rights.includes('capture.take') && (
            <PictureDrop job={job} at={{ station: place.station }} compact />
          )}
          <Flex gap="16px" wrap="wrap" align="flex-end" marginTop="12px">
            <OneOf label="In order" options={ORDERS} chosen={[order]} onPress={setOrder} />
            <Flex gap="8px" marginBottom="12px" wrap="wrap">
              <Press
                kind="main"
                disabled={chosen.length < 2 || chosen.length > MOST_ON_TABLE}
                onClick={() => place.goTo({ look: [...chosen] })}
              >
                Onto the light table{chosen.length > 0 ? ` (${chosen.length})` : ''}
              </Press>
              {chosen.length > 0 && <Press onClick={() => setChosen([])}>Choose none</Press>}
            </Flex>
          </Flex>
          {chosen.length > 0 && rights.includes('photograph.file') && (
            <FileByTap
              job={job}
              photographs={chosen.flatMap((id) => byId(id) ?? [])}
              onFiled={() => setChosen([])}
            />
          )}
          {groupsOf(photographs, props, order).map(({ name, own }) => (
            <Box as="section" key={name} aria-label={name} marginTop="12px">
              <Heading as="h3" fontSize="16px" borderBottom="1px solid" borderColor="rule" marginBottom="8px">
                {name}{' '}
                <Box as="span" fontWeight={400} color="second">
                  {own.length}
                </Box>
              </Heading>
              <Grid templateColumns="repeat(auto-fill, minmax(190px, 1fr))" gap="12px">
                {own.map((photograph) => (
                  <PictureCell
                    key={photograph.id}
                    job={job}
                    photograph={photograph}
                    chosen={chosen.includes(photograph.id)}
                    onChoose={() => toggle(photograph.id)}
                    onOpen={() => place.goTo({ look: [photograph.id], tool: 'look' })}
                  />
                ))}
              </Grid>
            </Box>
          ))}
          {photographs.length === 0 && (
            <EmptyState>Every photograph of this job comes here, whichever station took it.</EmptyState>
          )}
        </>
      )}
    </Box>
  );
}

interface Group {
  readonly name: string;
  readonly own: readonly ShownPhotograph[];
}

/** What isn't filed yet comes first: it is what there is to do here. */
function groupsOf(
  photographs: readonly ShownPhotograph[],
  { job }: OfJob,
  order: (typeof ORDERS)[number],
): Group[] {
  const groups: Group[] =
    order === 'by part'
      ? [
          {
            name: 'Tray: not filed under a part',
            own: photographs.filter(({ positionId }) => positionId === null),
          },
          ...job.snapshot.unitType.positions.map(({ id, name }) => ({
            name,
            own: photographs.filter(({ positionId }) => positionId === id),
          })),
        ]
      : [
          ...STATIONS.map(({ id, name }) => ({
            name,
            own: photographs.filter(({ station }) => station === id),
          })),
          { name: 'No station known', own: photographs.filter(({ station }) => station === null) },
        ];
  return groups.filter(({ own }) => own.length > 0);
}

function Neighbours({
  photographs,
  current,
  onOpen,
}: {
  readonly photographs: readonly ShownPhotograph[];
  readonly current: string;
  readonly onOpen: (id: string) => void;
}) {
  const at = photographs.findIndex(({ id }) => id === current);
  const [before, after] = [photographs[at - 1], photographs[at + 1]];
  return (
    <Flex gap="8px">
      <Press disabled={!before} onClick={() => before && onOpen(before.id)}>
        The one before
      </Press>
      <Press disabled={!after} onClick={() => after && onOpen(after.id)}>
        The next one
      </Press>
    </Flex>
  );
}
