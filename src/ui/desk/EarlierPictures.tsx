'use client';

import { Box, chakra, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import type { LikePhotograph } from '@/model/snapshot';
import { longDate } from '../kit/dates';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';

interface EarlierPicturesProps {
  readonly jobId: string;
  readonly positionId: string;
  readonly shown: readonly string[];
  readonly onTake: (photograph: LikePhotograph) => void;
}

/** The same place in other units of this type, to lay beside one's own. */
export function EarlierPictures({ jobId, positionId, shown, onTake }: EarlierPicturesProps) {
  const [list, setList] = useState<readonly LikePhotograph[]>();
  const [refusal, setRefusal] = useState('');
  const ask = async () => {
    const answer = await send<{ photographs: LikePhotograph[] }>(
      'GET',
      `/api/v1/jobs/${jobId}/photographs/like?part=${encodeURIComponent(positionId)}`,
    );
    if (answer.ok) setList(answer.value.photographs);
    else setRefusal(answer.refusal.message);
  };
  const left = list?.filter(({ id }) => !shown.includes(id));
  return (
    <Box marginTop="12px" data-testid="earlier-pictures">
      {!list && <Press onClick={() => void ask()}>The same part in other units</Press>}
      {refusal && <ErrorNotice>{refusal}</ErrorNotice>}
      {left?.length === 0 && (
        <Box color="second">No other unit of this type has a photograph of this part.</Box>
      )}
      {left && left.length > 0 && (
        <Flex gap="8px" wrap="wrap">
          {left.map((photograph) => (
            <Press
              key={photograph.id}
              flexDirection="column"
              padding="0"
              width="160px"
              border="none"
              aria-label={`Lay ${photograph.fileName} of peg ${photograph.peg} beside it`}
              onClick={() => onTake(photograph)}
            >
              <chakra.img
                src={`/api/v1/jobs/${photograph.jobId}/photographs/${photograph.id}?size=320`}
                alt=""
                width="100%"
                height="110px"
                objectFit="cover"
                border="1.5px solid"
              />
              <Box as="span" fontSize="13px" fontWeight={400}>
                peg {photograph.peg}, {longDate(photograph.bookedAt)}
              </Box>
            </Press>
          ))}
        </Flex>
      )}
    </Box>
  );
}
