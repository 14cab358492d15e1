'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { Press } from '../kit/Press';
import { saveFile } from '../kit/saveFile';
import { refreshQueue } from './queue';
import { beginAnew, salvage } from './salvage';

export const ZIP_NAME = 'stereotome-captures.zip';

/** What lies on this device can't be read by this program: it is saved first, then a person may begin anew. */
export function UnreadableStore({ trouble }: { readonly trouble: string }) {
  const [saved, setSaved] = useState(false);
  const [wrong, setWrong] = useState('');
  const save = async () => {
    try {
      saveFile(ZIP_NAME, await salvage());
      setSaved(true);
      setWrong('');
    } catch (error) {
      setWrong(`It can’t be read at all: ${error instanceof Error ? error.message : String(error)}`);
    }
  };
  const anew = async () => {
    await beginAnew();
    await refreshQueue();
  };
  return (
    <Box>
      <Box color="oxide" role="alert">
        This program can’t read what waits on this device: {trouble}
      </Box>
      <Box marginBlock="8px">
        Nothing is lost by it. Save what lies here as a file and give it to whoever keeps this shop’s
        computer; then the device can begin anew. Until then nothing can be captured on it.
      </Box>
      <Flex gap="8px" wrap="wrap">
        <Press kind="main" onClick={() => void save()}>
          Save it as a file
        </Press>
        <Press kind="danger" disabled={!saved} onClick={() => void anew()}>
          It is saved: begin anew
        </Press>
      </Flex>
      {wrong && (
        <Box color="oxide" role="alert" marginTop="8px">
          {wrong}
        </Box>
      )}
    </Box>
  );
}
