'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import type { Actor } from '@/model/people';
import { RECORD_KINDS } from '@/model/recordKinds';
import { Field, TextInput } from '../kit/Field';
import { Press } from '../kit/Press';
import { saveFile } from '../kit/saveFile';
import { NOUN } from './nouns';
import { giveUp, sendAgain, sendWaiting } from './queue';
import type { QueuedCapture } from './queueStore';
import { asZip } from './salvage';
import { UnreadableStore, ZIP_NAME } from './UnreadableStore';

/** A record is told by its kind. */
function nounOf({ kind, content }: QueuedCapture): string {
  const { what } = (content.content ?? {}) as { what?: keyof typeof RECORD_KINDS };
  return kind === 'record' && what ? RECORD_KINDS[what].noun : NOUN[kind];
}

interface WaitingListProps {
  readonly actor: Actor;
  readonly queued: readonly QueuedCapture[];
  /** Why the store can't be read; empty where it can. */
  readonly trouble: string;
}

/** What waits on this device, one line each, and what needs somebody. */
export function WaitingList({ actor, queued, trouble }: WaitingListProps) {
  if (trouble !== '') return <UnreadableStore trouble={trouble} />;
  return (
    <>
      {queued.length === 0 && 'Everything that was captured on this device is stored.'}
      {queued.map((capture) => (
        <WaitingLine key={capture.id} capture={capture} actor={actor} />
      ))}
      <KeepOwn queued={queued.filter(({ authorId }) => authorId === actor.id)} />
    </>
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
