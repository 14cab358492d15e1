'use client';

import { Flex } from '@chakra-ui/react';
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

/** Ten seconds to take the last capture back: off the device if it still waits, struck out as a slip if it is stored. */
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
    <Flex
      position="sticky"
      bottom="0"
      bg="bar"
      color="onBlue"
      align="center"
      justify="flex-end"
      gap="16px"
      padding="8px 16px"
      zIndex={10}
      role="status"
    >
      <span>{undoable.words}</span>
      <Press kind="undo" size="bench" onClick={() => void undo()}>
        Undo {left} s
      </Press>
    </Flex>
  );
}
