'use client';

import { Box } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import { tinykeys } from 'tinykeys';
import type { CaptureKind } from '@/model/job';
import { typesInto } from '../frame/typesInto';
import { Press } from '../kit/Press';
import type { BenchJob } from './useJob';

export interface Undoable {
  readonly kind: CaptureKind;
  readonly captureId: string;
  readonly words: string;
  /** What was kept with it in one act, and goes back with it. */
  readonly also?: readonly { readonly kind: CaptureKind; readonly captureId: string }[];
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
  const back = useRef<() => void>(undefined);
  useEffect(
    () =>
      tinykeys(window, {
        '$mod+z': (event) => {
          if (typesInto(event.target) || !back.current) return;
          event.preventDefault();
          back.current();
        },
      }),
    [],
  );
  const undo = async () => {
    if (!undoable) return;
    for (const { kind, captureId } of [undoable, ...(undoable.also ?? [])])
      await job.takeBack(kind, captureId);
    onDone();
    await job.sendWaiting();
  };
  back.current = undoable && (() => void undo());
  if (!undoable) return null;
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
