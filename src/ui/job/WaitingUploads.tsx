'use client';

import { Box, Flex } from '@chakra-ui/react';
import { Upload } from 'lucide-react';
import { useEffect, useState } from 'react';
import { useStore } from 'zustand';
import type { Actor } from '@/model/people';
import { RECORD_KINDS } from '@/model/recordKinds';
import { Field, TextInput } from '../kit/Field';
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

/** How many captures wait on this device, and the ones that the shop's computer could not store. */
export function WaitingUploads({ actor }: { readonly actor: Actor }) {
  const queued = useStore(queue, (state) => state.queued);
  const writing = useStore(queue, (state) => state.writing);
  const trouble = useStore(queue, (state) => state.trouble);
  useEffect(() => followQueue(actor.id), [actor.id]);
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
        <span aria-live="polite">
          {trouble === '' ? waitingWords(queued, writing) : 'The store of this device can’t be read'}
        </span>
      </Press>
      {open && (queued.length > 0 || trouble !== '') && (
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
          width="min(420px, 90vw)"
          maxHeight="70vh"
          overflowY="auto"
        >
          {trouble === '' ? (
            <>
              {queued.map((capture) => (
                <WaitingLine key={capture.id} capture={capture} actor={actor} />
              ))}
              <KeepOwn queued={queued.filter(({ authorId }) => authorId === actor.id)} />
            </>
          ) : (
            <UnreadableStore trouble={trouble} />
          )}
        </Box>
      )}
    </Box>
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
