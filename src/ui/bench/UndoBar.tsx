'use client';

import { Flex } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import type { CaptureKind } from '@/model/job';
import { removeQueued } from '../capture/queueStore';
import { Press } from '../kit/Press';
import { send } from '../kit/send';
import type { Job } from './useJob';

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
  readonly job: Job;
  readonly onDone: () => void;
}) {
  const [left, setLeft] = useState(SECONDS);
  const [trouble, setTrouble] = useState('');
  useEffect(() => {
    if (!undoable) return;
    setLeft(SECONDS);
    setTrouble('');
    const timer = setInterval(() => setLeft((seconds) => seconds - 1), 1000);
    return () => clearInterval(timer);
  }, [undoable]);
  useEffect(() => {
    if (left <= 0) onDone();
  }, [left, onDone]);
  if (!undoable) return null;
  const undo = async () => {
    const answer = await send('PUT', '/api/v1/captures/strikes', {
      kind: undoable.kind,
      captureId: undoable.captureId,
      reason: 'taken back at once',
      slip: true,
    });
    // What never reached the shop is simply taken off the device.
    if (!answer.ok && answer.refusal.code === 'not-found') await removeQueued(undoable.captureId);
    else if (!answer.ok) return setTrouble(answer.refusal.message);
    await job.refresh();
    await job.drain();
    onDone();
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
      <span>{trouble || undoable.words}</span>
      <Press kind="undo" size="bench" onClick={() => void undo()}>
        Undo {left} s
      </Press>
    </Flex>
  );
}
