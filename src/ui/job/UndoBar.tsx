'use client';

import { Box } from '@chakra-ui/react';
import { useEffect, useRef, useState } from 'react';
import { tinykeys } from 'tinykeys';
import { typesInto } from '../frame/typesInto';
import { Press } from '../kit/Press';
import type { QueuedKind } from './queueStore';
import type { BenchJob } from './useJob';

/** What was just kept. A judgement with its versions can't be struck out: `back` puts it as it was, where that can be. */
export interface JustKept {
  readonly words: string;
  readonly back?: () => Promise<void>;
}

export interface Undoable extends JustKept {
  readonly kind: QueuedKind;
  readonly captureId: string;
  /** What was kept with it in one act, and goes back with it. */
  readonly also?: readonly { readonly kind: QueuedKind; readonly captureId: string }[];
}

const SECONDS = 10;

/**
 * What was just kept, and ten seconds to take it back: off the device if it still waits, struck out as a slip if it is stored.
 */
export function UndoBar({
  kept,
  job,
  onDone,
}: {
  readonly kept: JustKept | Undoable | undefined;
  readonly job: BenchJob;
  readonly onDone: () => void;
}) {
  const [left, setLeft] = useState(SECONDS);
  useEffect(() => {
    if (!kept) return;
    setLeft(SECONDS);
    const timer = setInterval(() => setLeft((seconds) => seconds - 1), 1000);
    return () => clearInterval(timer);
  }, [kept]);
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
  const undo = undoOf(kept, job);
  back.current =
    undo &&
    (() => {
      onDone();
      void undo();
    });
  if (!kept) return null;
  return (
    <>
      <Box as="span" minWidth="0" lineClamp={2}>
        {kept.words}
      </Box>
      {undo && (
        <Press kind="undo" flexShrink={0} onClick={() => back.current?.()}>
          Undo {left} s
        </Press>
      )}
    </>
  );
}

/** How it is taken back: off the device or struck out, or as its own way says; undefined where it can't be. */
function undoOf(kept: JustKept | Undoable | undefined, job: BenchJob): (() => Promise<void>) | undefined {
  if (!kept || !('captureId' in kept)) return kept?.back;
  return async () => {
    for (const { kind, captureId } of [kept, ...(kept.also ?? [])]) await job.takeBack(kind, captureId);
    await job.sendWaiting();
  };
}
