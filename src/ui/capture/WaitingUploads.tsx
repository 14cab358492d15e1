'use client';

import { Box, Flex } from '@chakra-ui/react';
import { Upload } from 'lucide-react';
import { useState } from 'react';
import type { Actor } from '@/model/people';
import { Press } from '../kit/Press';
import type { QueuedCapture } from './queueStore';
import { discardQueued, retryQueued, useCaptureQueue } from './useCaptureQueue';

const NOUN: Record<QueuedCapture['kind'], string> = {
  reading: 'reading',
  finding: 'finding',
  photograph: 'photograph',
  record: 'record',
};

export function waitingWords(queued: readonly QueuedCapture[]): string {
  if (queued.length === 0) return 'Everything is stored';
  const refused = queued.filter(({ status }) => status === 'needs-you').length;
  const kinds = new Set(queued.map(({ kind }) => kind));
  const [only] = kinds;
  const noun = kinds.size === 1 && only ? NOUN[only] : 'capture';
  const count = `${queued.length} ${noun}${queued.length === 1 ? '' : 's'}`;
  return refused > 0 ? `${count}, ${refused} need${refused === 1 ? 's' : ''} you` : `${count} waiting`;
}

/** How many captures wait on this device, and the ones that the server refused. */
export function WaitingUploads({ actor }: { readonly actor: Actor }) {
  const { queued, drain } = useCaptureQueue(actor.id);
  const [open, setOpen] = useState(false);
  return (
    <Box position="relative">
      <Press
        kind="onBlue"
        border="none"
        onClick={() => setOpen(!open)}
        aria-expanded={open}
        fontWeight={400}
        paddingInline="8px"
        data-testid="waiting-uploads"
      >
        <Upload size={20} aria-hidden />
        <span aria-live="polite">{waitingWords(queued)}</span>
      </Press>
      {open && queued.length > 0 && (
        <Box
          position="absolute"
          right="0"
          top="48px"
          zIndex={30}
          bg="paper"
          color="ink"
          border="2px solid"
          borderColor="ink"
          padding="16px"
          width="min(380px, 90vw)"
          maxHeight="70vh"
          overflowY="auto"
        >
          {queued.map((capture) => (
            <Box key={capture.id} borderBottom="1px solid" borderColor="rule" paddingBlock="8px">
              <Box>
                {NOUN[capture.kind]} of peg {capture.peg},{' '}
                {capture.authorId === actor.id ? 'yours' : `waits for ${capture.authorName}`}
              </Box>
              {capture.status === 'needs-you' && (
                <>
                  <Box color="oxide" role="alert">
                    Needs you: {capture.message}
                  </Box>
                  <Flex gap="8px" marginTop="8px">
                    <Press onClick={() => void retryQueued(capture).then(drain)}>Send again</Press>
                    <Press kind="danger" onClick={() => void discardQueued(capture.id)}>
                      Take off this device
                    </Press>
                  </Flex>
                </>
              )}
            </Box>
          ))}
        </Box>
      )}
    </Box>
  );
}
