'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { type OfJob, useBench } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { TextField } from '../kit/Field';
import { Press } from '../kit/Press';

/** Asked once: what isn't read now can't be read any more. */
export function MoveOn({ open, ...props }: OfJob & { readonly open: number }) {
  const keep = useKeep(props.job);
  const [asking, setAsking] = useState(false);
  const [reason, setReason] = useState('');
  const { rights, place } = useBench();
  const on = () => place.goTo({ station: 'strip' });
  if (!rights.includes('capture.take')) return null;
  if (open === 0)
    return (
      <Press kind="main" size="bench" marginTop="16px" onClick={on}>
        On to the strip
      </Press>
    );
  if (!asking)
    return (
      <Press size="bench" marginTop="16px" onClick={() => setAsking(true)}>
        On to the strip without {open === 1 ? 'this one' : `these ${open}`}
      </Press>
    );
  return (
    <Box
      as="form"
      maxWidth="560px"
      marginTop="16px"
      onSubmit={(event) => {
        event.preventDefault();
        void keep({ what: 'moved-on', open, reason }, 'Gone on to the strip').then(on);
      }}
    >
      <Box marginBottom="8px">
        Once something has moved, nobody can know how it was set. The report will say that {open} of these
        were not read.
      </Box>
      <TextField label="Why it goes on all the same" value={reason} onText={setReason} />
      <Flex gap="8px">
        <Press type="submit" kind="danger">
          Go on without
        </Press>
        <Press onClick={() => setAsking(false)}>Stay here</Press>
      </Flex>
    </Box>
  );
}
