'use client';

import { Box, Flex, Grid } from '@chakra-ui/react';
import { useState } from 'react';
import { tellMeasured } from '@/core/imaging/tellMeasured';
import { recordsOf } from '@/core/strip/recordsOf';
import { EmptyState } from '../kit/Notice';
import { Press } from '../kit/Press';
import { MeasurePicture } from '../picture/MeasurePicture';
import { PatternAdviceView } from '../picture/PatternAdviceView';
import { CaptureLine } from './CaptureLine';
import { Picture } from './Picture';
import { PictureDrop } from './PictureDrop';
import type { FaceProps } from './Ticket';

/** The part's photographs; a tap shows one large. */
export function PictureFace({ part, job, actor, rights, onUndoable, place }: FaceProps) {
  const own = job.photographs.filter(
    (photograph) => photograph.positionId === part.position.id && !photograph.struck?.slip,
  );
  const [large, setLarge] = useState<string>();
  const [measuring, setMeasuring] = useState(false);
  const measured = recordsOf(job.snapshot.records, 'picture-measured');
  const shown = own.find(({ id }) => id === large);
  return (
    <Box>
      {rights.includes('capture.take') && (
        <PictureDrop
          job={job}
          actor={actor}
          at={{ positionId: part.position.id, station: place.station }}
          onTaken={(captureId, fileName) =>
            onUndoable({
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
      {shown && (
        <Box marginTop="8px">
          {measuring ? (
            <MeasurePicture
              key={shown.id}
              {...{ job, actor, onUndoable }}
              photograph={shown}
              positionId={part.position.id}
              onDone={() => setMeasuring(false)}
            />
          ) : (
            <>
              <Picture job={job} photograph={shown} size={1280} />
              <Flex gap="8px" marginTop="4px">
                {rights.includes('capture.take') && !shown.waiting && (
                  <Press kind="main" onClick={() => setMeasuring(true)}>
                    Measure in it
                  </Press>
                )}
                <Press onClick={() => setLarge(undefined)}>Small again</Press>
              </Flex>
            </>
          )}
        </Box>
      )}
      <PatternAdviceView records={job.snapshot.records} positionId={part.position.id} />
      <Grid templateColumns="1fr 1fr" gap="12px" marginTop="12px">
        {own.map((photograph) => (
          <Box key={photograph.id}>
            <Press
              padding="0"
              border="none"
              display="block"
              width="100%"
              onClick={() => {
                setLarge(photograph.id);
                setMeasuring(false);
              }}
              aria-label={`Show ${photograph.fileName} large`}
            >
              <Picture job={job} photograph={photograph} />
            </Press>
            <CaptureLine kind="photograph" capture={photograph} job={job} rights={rights}>
              {photograph.fileName}
            </CaptureLine>
            {measured
              .filter(({ content }) => content.photographId === photograph.id)
              .map((record) => (
                <CaptureLine
                  key={record.id}
                  kind="record"
                  capture={{ ...record, struck: null }}
                  job={job}
                  rights={rights}
                >
                  {tellMeasured(record.content)}
                </CaptureLine>
              ))}
          </Box>
        ))}
      </Grid>
    </Box>
  );
}
