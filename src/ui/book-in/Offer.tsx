'use client';

import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';

interface OfferProps<Preview> {
  readonly testId: string;
  /** What is out, and what this job goes by. */
  readonly words: string;
  readonly ask: string;
  /** Where the preview is asked for, and where it is taken over. */
  readonly url: string;
  readonly changesOf: (preview: Preview) => readonly string[];
  /** What goes out when it is taken over. */
  readonly bodyOf: (preview: Preview) => object;
  readonly take: (preview: Preview) => string;
  readonly mayTake: boolean;
  /** Who takes it over, for those who may not. */
  readonly whoTakes: string;
  readonly onTaken: () => Promise<void>;
}

/** Something newer is out than a job is judged by: what it would change here is told first, then a person takes it over. */
export function Offer<Preview>(props: OfferProps<Preview>) {
  const { testId, words, ask, url, changesOf, bodyOf, take, mayTake, whoTakes, onTaken } = props;
  const [preview, setPreview] = useState<Preview>();
  const [trouble, setTrouble] = useState('');
  const look = async () => {
    const answer = await send<Preview>('GET', url);
    setTrouble(answer.ok ? '' : answer.refusal.message);
    if (answer.ok) setPreview(answer.value);
  };
  const takeOver = async (chosen: Preview) => {
    const answer = await send('PUT', url, bodyOf(chosen));
    setTrouble(answer.ok ? '' : answer.refusal.message);
    setPreview(undefined);
    await onTaken();
  };
  return (
    <Box
      borderLeft="4px solid"
      borderColor="metal"
      paddingLeft="12px"
      marginBottom="12px"
      data-testid={testId}
    >
      {words}{' '}
      {!preview && (
        <Press kind="quiet" onClick={() => void look()}>
          {ask}
        </Press>
      )}
      {preview && (
        <>
          <Box as="ul" paddingLeft="20px">
            {changesOf(preview).map((change) => (
              <li key={change}>{change}</li>
            ))}
          </Box>
          {mayTake ? (
            <Press onClick={() => void takeOver(preview)}>{take(preview)}</Press>
          ) : (
            <Box color="second">{whoTakes}</Box>
          )}
        </>
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Box>
  );
}
