'use client';

import { Box } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import type { CaptureKind } from '@/model/job';
import { Press } from '../kit/Press';
import type { BenchJob } from './useJob';

export interface Undoable {
  readonly kind: CaptureKind;
  readonly captureId: string;
  readonly words: string;
}

const SECONDS = 10;

/**
 * What was just kept, and ten seconds to take it back: off the device if it still waits, struck out as a slip if it is stored.
 */
export function UndoBar({
  undoable,
  job,
  onDone,
}: {
  readonly undoable: Undoable | undefined;
  readonly job: BenchJob;
  readonly onDone: () => void;
}) {
  const [left, setLeft] = useState(SECONDS);
  useEffect(() => {
    if (!undoable) return;
    setLeft(SECONDS);
    const timer = setInterval(() => setLeft((seconds) => seconds - 1), 1000);
    return () => clearInterval(timer);
  }, [undoable]);
  useEffect(() => {
    if (left <= 0) onDone();
  }, [left, onDone]);
  if (!undoable) return null;
  const undo = async () => {
    await job.takeBack(undoable.kind, undoable.captureId);
    onDone();
    await job.sendWaiting();
  };
  return (
    <>
      <Box as="span" minWidth="0" lineClamp={2}>
        {undoable.words}
      </Box>
      <Press kind="undo" flexShrink={0} onClick={() => void undo()}>
        Undo {left} s
      </Press>
    </>
  );
}
