'use client';

import { Box, Flex } from '@chakra-ui/react';
import { type ReactNode, useState } from 'react';
import type { CaptureKind } from '@/model/job';
import type { Struck } from '@/model/snapshot';
import { Field, TextInput } from '../kit/Field';
import { Press } from '../kit/Press';
import { useBench } from './useBench';
import type { BenchJob } from './useJob';

interface CaptureLineProps {
  readonly kind: CaptureKind;
  readonly capture: {
    readonly id: string;
    readonly author: string;
    readonly struck: Struck | null;
    readonly clockJumped?: boolean;
  };
  readonly job: BenchJob;
  readonly children: ReactNode;
}

/** One capture as a line: who took it, whether it still waits, and the way to strike it out with a reason. */
export function CaptureLine({ kind, capture, job, children }: CaptureLineProps) {
  const { rights } = useBench();
  const [striking, setStriking] = useState(false);
  const { struck } = capture;
  const waits = job.waiting.has(capture.id);
  return (
    <Box borderBottom="1px solid" borderColor="rule" paddingBlock="4px" data-capture={capture.id}>
      <Flex justify="space-between" align="center" gap="8px">
        <Box textDecoration={struck ? 'line-through' : undefined} color={struck ? 'second' : undefined}>
          {children}
          <Box as="span" fontSize="13px" color="second">
            {' '}
            {capture.author}
            {waits ? ', waits on this device' : ''}
            {capture.clockJumped ? ', by the time it arrived: the clock of its device had jumped' : ''}
          </Box>
        </Box>
        {!struck && !waits && rights.includes('capture.strike') && (
          <Press kind="quiet" onClick={() => setStriking(!striking)} aria-expanded={striking}>
            strike out
          </Press>
        )}
      </Flex>
      {struck && (
        <Box fontSize="13px" color="second">
          Struck out by {struck.by}: {struck.reason}
        </Box>
      )}
      {striking && !struck && (
        <StrikeForm kind={kind} captureId={capture.id} job={job} onDone={() => setStriking(false)} />
      )}
    </Box>
  );
}

function StrikeForm({
  kind,
  captureId,
  job,
  onDone,
}: {
  readonly kind: CaptureKind;
  readonly captureId: string;
  readonly job: BenchJob;
  readonly onDone: () => void;
}) {
  const [reason, setReason] = useState('');
  const strike = async () => {
    onDone();
    await job.strike(kind, captureId, reason.trim());
  };
  return (
    <Flex gap="8px" align="flex-end" wrap="wrap">
      <Box flex="1 1 200px">
        <Field label="Why?">
          {(wiring) => (
            <TextInput
              {...wiring}
              value={reason}
              maxLength={200}
              onChange={(event) => setReason(event.target.value)}
            />
          )}
        </Field>
      </Box>
      <Press kind="danger" marginBottom="12px" disabled={reason.trim() === ''} onClick={() => void strike()}>
        Strike out
      </Press>
    </Flex>
  );
}
