'use client';

import { Box } from '@chakra-ui/react';
import { Upload } from 'lucide-react';
import { useEffect } from 'react';
import { useStore } from 'zustand';
import type { Actor } from '@/model/people';
import { Arriving, later } from '../kit/later';
import { Pop } from '../kit/Pop';
import { Press } from '../kit/Press';
import { NOUN } from './nouns';
import { followQueue, queue } from './queue';
import type { QueuedCapture } from './queueStore';

/** Who opens it looks at what waits; until then its figure is enough. */
const WaitingList = later(() => import('./WaitingList').then((m) => m.WaitingList));

/** What is not on the disk yet is told first: until then the tablet had better not be closed. */
export function waitingWords(queued: readonly QueuedCapture[], writing = 0): string {
  if (writing > 0) return `Keeping ${writing === 1 ? 'a capture' : `${writing} captures`} …`;
  if (queued.length === 0) return 'Everything is stored';
  const refused = queued.filter(({ status }) => status === 'needs-you').length;
  const kinds = new Set(queued.map(({ kind }) => kind));
  const [only] = kinds;
  const noun = kinds.size === 1 && only ? NOUN[only] : 'capture';
  const count = `${queued.length} ${noun}${queued.length === 1 ? '' : 's'}`;
  return refused > 0 ? `${count}, ${refused} need${refused === 1 ? 's' : ''} you` : `${count} waiting`;
}

function useWaiting() {
  const queued = useStore(queue, (state) => state.queued);
  const writing = useStore(queue, (state) => state.writing);
  const trouble = useStore(queue, (state) => state.trouble);
  const words = trouble === '' ? waitingWords(queued, writing) : 'The store of this device can’t be read';
  const needsYou = trouble !== '' || queued.some(({ status }) => status === 'needs-you');
  return { queued, writing, trouble, words, needsYou };
}

/** Beside its sign where there is no room for words: how many wait, and whether they need somebody. */
export function WaitingFigure() {
  const { queued, writing, needsYou } = useWaiting();
  const figure = `${writing > 0 ? '…' : queued.length}${needsYou ? ' !' : ''}`;
  return (
    <Box
      as="span"
      aria-hidden="true"
      fontWeight={600}
      color={needsYou ? 'brass' : 'onBlue'}
      _after={{ content: `"${figure}"` }}
    />
  );
}

/** How many captures wait on this device, and the ones that the shop's computer could not store. */
export function WaitingUploads({
  actor,
  small = false,
}: {
  readonly actor: Actor;
  readonly small?: boolean;
}) {
  const { queued, trouble, words, needsYou } = useWaiting();
  useEffect(() => followQueue(actor.id), [actor.id]);
  return (
    <Pop
      label="What waits on this device"
      width="420px"
      trigger={
        <Press
          kind="onBlue"
          border="none"
          fontWeight={400}
          paddingInline="8px"
          color={needsYou ? 'brass' : 'onBlue'}
          title={words}
          data-testid="waiting-uploads"
        >
          <Upload size={20} aria-hidden />
          <Box as="span" aria-live="polite" srOnly={small}>
            {words}
          </Box>
          {small && <WaitingFigure />}
        </Press>
      }
    >
      <Arriving>
        <WaitingList {...{ actor, queued, trouble }} />
      </Arriving>
    </Pop>
  );
}
