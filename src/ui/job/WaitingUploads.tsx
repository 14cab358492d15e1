'use client';

import { Box, Flex } from '@chakra-ui/react';
import { Upload } from 'lucide-react';
import { useEffect, useState } from 'react';
import { useStore } from 'zustand';
import type { Actor } from '@/model/people';
import { RECORD_KINDS } from '@/model/recordKinds';
import { Field, TextInput } from '../kit/Field';
import { Pop } from '../kit/Pop';
import { Press } from '../kit/Press';
import { saveFile } from '../kit/saveFile';
import { followQueue, giveUp, queue, sendAgain, sendWaiting } from './queue';
import type { QueuedCapture } from './queueStore';
import { asZip } from './salvage';
import { UnreadableStore, ZIP_NAME } from './UnreadableStore';

const NOUN: Record<QueuedCapture['kind'], string> = {
  reading: 'reading',
  finding: 'finding',
  photograph: 'photograph',
  recording: 'recording',
  record: 'record',
  grade: 'grade',
  decision: 'decision',
  cause: 'cause',
  'unit-decision': 'decision for the unit',
  identity: 'count of teeth',
  acceptance: 'acceptance',
  strike: 'strike',
};

/** A record is told by its kind. */
function nounOf({ kind, content }: QueuedCapture): string {
  const { what } = (content.content ?? {}) as { what?: keyof typeof RECORD_KINDS };
  return kind === 'record' && what ? RECORD_KINDS[what].noun : NOUN[kind];
}

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
      {trouble !== '' && <UnreadableStore trouble={trouble} />}
      {trouble === '' && queued.length === 0 && 'Everything that was captured on this device is stored.'}
      {trouble === '' &&
        queued.map((capture) => <WaitingLine key={capture.id} capture={capture} actor={actor} />)}
      {trouble === '' && <KeepOwn queued={queued.filter(({ authorId }) => authorId === actor.id)} />}
    </Pop>
  );
}

/** What waits of one's own, as a file beside: for whoever doesn’t trust the network or the tablet. */
function KeepOwn({ queued }: { readonly queued: readonly QueuedCapture[] }) {
  if (queued.length === 0) return null;
  return (
    <Press marginTop="12px" onClick={() => void asZip(queued).then((zip) => saveFile(ZIP_NAME, zip))}>
      Keep what is yours as a file
    </Press>
  );
}

/** Of another's capture only what it is, of which peg and whose. */
function WaitingLine({ capture, actor }: { readonly capture: QueuedCapture; readonly actor: Actor }) {
  const [reason, setReason] = useState<string>();
  const own = capture.authorId === actor.id;
  return (
    <Box borderBottom="1px solid" borderColor="rule" paddingBlock="8px">
      <Box>
        {nounOf(capture)} of peg {capture.peg}, {own ? 'yours' : `waits for ${capture.authorName}`}
      </Box>
      {own && capture.status === 'needs-you' && (
        <>
          <Box color="oxide" role="alert">
            Needs you: {capture.message}
          </Box>
          <Flex gap="8px" marginTop="8px" wrap="wrap">
            <Press onClick={() => void sendAgain(capture).then(() => sendWaiting(actor.id))}>
              Send again
            </Press>
            <Press onClick={() => keepAsFile(capture)}>Keep as a file</Press>
            <Press kind="danger" onClick={() => setReason(reason === undefined ? '' : undefined)}>
              Give it up
            </Press>
          </Flex>
          {reason !== undefined && (
            <Flex gap="8px" align="flex-end" marginTop="8px">
              <Box flex="1">
                <Field label="Why is it given up?">
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
              <Press
                kind="danger"
                marginBottom="12px"
                disabled={reason.trim() === ''}
                onClick={() => void giveUp(capture, reason.trim())}
              >
                Take off this device
              </Press>
            </Flex>
          )}
        </>
      )}
    </Box>
  );
}

/** What could not be stored, for whoever can make something of it: the picture itself, or what was put down as JSON. */
function keepAsFile({ id, kind, peg, content, blob }: QueuedCapture): void {
  const name = typeof content.fileName === 'string' ? content.fileName : `peg-${peg}-${kind}-${id}.json`;
  saveFile(name, blob ?? new Blob([JSON.stringify({ kind, ...content }, null, 2)]));
}
