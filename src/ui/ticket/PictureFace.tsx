'use client';

import { Box, Grid } from '@chakra-ui/react';
import { tellMeasured } from '@/core/imaging/tellMeasured';
import { recordsOf } from '@/core/strip/recordsOf';
import { CaptureLine } from '../job/CaptureLine';
import { Picture } from '../job/Picture';
import { type OfPart, useBench } from '../job/useBench';
import { EmptyState } from '../kit/Notice';
import { Press } from '../kit/Press';
import { PictureDrop } from '../photographs/PictureDrop';
import { PatternRounds } from '../picture-tools/PatternRounds';

/** The part's photographs; a tap shows one large. */
export function PictureFace({ part, job }: OfPart) {
  const { rights, place, tellKept } = useBench();
  const own = job.photographs.filter(
    (photograph) => photograph.positionId === part.position.id && !photograph.struck?.slip,
  );
  const measured = recordsOf(job.snapshot.records, 'picture-measured');
  return (
    <Box>
      {rights.includes('capture.take') && (
        <PictureDrop
          job={job}
          at={{ positionId: part.position.id, station: place.station }}
          onTaken={(captureId, fileName) =>
            tellKept({
              kind: 'photograph',
              captureId,
              words: `${fileName} kept under ${part.position.name}`,
            })
          }
        />
      )}
      {own.length === 0 && (
        <EmptyState>
          Photographs of this part come here: the whole part, the damage near and with a scale, a sound one in
          the same light.
        </EmptyState>
      )}
      <PatternRounds job={job} positionId={part.position.id} mayTake={rights.includes('capture.take')} />
      <Grid templateColumns="1fr 1fr" gap="12px" marginTop="12px">
        {own.map((photograph) => (
          <Box key={photograph.id}>
            <Press
              padding="0"
              border="none"
              display="block"
              width="100%"
              onClick={() => place.goTo({ look: [photograph.id], tool: 'look' })}
              aria-label={`Show ${photograph.fileName} large`}
            >
              <Picture job={job} photograph={photograph} />
            </Press>
            {rights.includes('capture.take') && (
              <Press
                kind="quiet"
                aria-label={`Measure in ${photograph.fileName}`}
                onClick={() => place.goTo({ look: [photograph.id], tool: 'measure' })}
              >
                Measure in it
              </Press>
            )}
            <CaptureLine kind="photograph" capture={photograph} job={job}>
              {photograph.fileName}
            </CaptureLine>
            {measured
              .filter(({ content }) => content.photographId === photograph.id)
              .map((record) => (
                <CaptureLine key={record.id} kind="record" capture={{ ...record, struck: null }} job={job}>
                  {tellMeasured(record.content)}
                </CaptureLine>
              ))}
          </Box>
        ))}
      </Grid>
    </Box>
  );
}
