'use client';

import { Box, chakra, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { findActive } from '@/core/wear/active';
import type { PartState } from '@/core/wear/partStanding';
import type { RecordContent } from '@/model/recordKinds';
import type { OfJob } from '../job/useBench';
import { Field, TextArea } from '../kit/Field';
import { Press } from '../kit/Press';
import { AskedOfIt } from './AskedOfIt';
import { SpotOnPicture } from './SpotOnPicture';

interface QuestionKeysProps extends OfJob {
  readonly part: PartState;
  readonly onPut: (content: RecordContent, words: string) => void;
  readonly onBack: () => void;
}

/** A question to whoever knows: of the part, or of a spot of one of its photographs that is tapped. */
export function QuestionKeys({ part: { position }, job, onPut, onBack }: QuestionKeysProps) {
  const pictures = findActive(job.photographs).filter(
    ({ positionId, waiting }) => positionId === position.id && !waiting,
  );
  const [words, setWords] = useState('');
  const [photographId, setPhotographId] = useState<string>();
  const [spot, setSpot] = useState<[number, number]>();
  const photograph = pictures.find(({ id }) => id === photographId);
  const put = () =>
    onPut(
      {
        ...{ what: 'asked', positionId: position.id, words: words.trim() },
        ...(photographId ? { photographId } : {}),
        ...(photographId && spot ? { spot } : {}),
      },
      `${position.name}: a colleague is asked`,
    );
  return (
    <AskedOfIt title={`${position.name}: ask a colleague`} what="question-keys" onBack={onBack}>
      <Field label="What do you want to know?" hint="It stands on the rack until it is settled.">
        {(wiring) => (
          <TextArea
            {...wiring}
            autoFocus
            rows={2}
            value={words}
            maxLength={400}
            onChange={(event) => setWords(event.target.value)}
          />
        )}
      </Field>
      {pictures.length > 0 && (
        <Flex gap="8px" wrap="wrap" marginBottom="8px">
          {pictures.map(({ id, fileName }) => (
            <Press
              key={id}
              padding="2px"
              chosen={id === photographId}
              aria-pressed={id === photographId}
              aria-label={`About ${fileName}`}
              onClick={() => {
                setPhotographId(id === photographId ? undefined : id);
                setSpot(undefined);
              }}
            >
              <chakra.img
                src={`/api/v1/jobs/${job.snapshot.job.id}/photographs/${id}?size=320`}
                alt=""
                width="72px"
                height="52px"
                objectFit="cover"
              />
            </Press>
          ))}
        </Flex>
      )}
      {photograph && (
        <SpotOnPicture jobId={job.snapshot.job.id} photograph={photograph} spot={spot} onSpot={setSpot} />
      )}
      <Flex justify="flex-end" gap="8px" align="center" marginTop="8px">
        {photograph && (
          <Box flex="1" color="second">
            {spot ? 'The spot is marked.' : 'Tap the spot that you mean.'}
          </Box>
        )}
        <Press kind="main" size="bench" disabled={words.trim() === ''} onClick={put}>
          Ask it
        </Press>
      </Flex>
    </AskedOfIt>
  );
}
