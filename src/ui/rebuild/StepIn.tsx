import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import type { HeldNewPart } from '@/core/rebuild/newParts';
import type { RebuildStep } from '@/core/rebuild/rebuildPlan';
import type { ReworkTicket } from '@/core/rebuild/reworkTickets';
import type { Position } from '@/model/unitType';
import { TextField } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { BoltCircle, type Tick } from './BoltCircle';

interface StepInProps {
  readonly step: RebuildStep;
  readonly number: number;
  /** Pieces of it that are worked on and weren’t measured within yet. */
  readonly held: readonly ReworkTicket[];
  /** New pieces of it that were ordered and aren’t fit to go in. */
  readonly newHeld: readonly HeldNewPart[];
  /** Both are left out for who may not build; each answers what is wrong. */
  readonly onIn?: (note: string) => Promise<string | undefined>;
  readonly onTick?: (tick: Tick) => Promise<string | undefined>;
  readonly onRound?: (round: {
    readonly stage: number;
    readonly bolts: readonly number[];
  }) => Promise<string | undefined>;
}

/** One step of the way back, large: how it lay, what is new, what to mind, its bolts, and the act. */
export function StepIn({ step, number, held, newHeld, onIn, onTick, onRound }: StepInProps) {
  const [note, setNote] = useState('');
  const [trouble, setTrouble] = useState('');
  const { title, lay, unsaid, renewed, oneUse, clips, cautions, bolts, done } = step;
  return (
    <Box border="2px solid" borderColor="ink" padding="12px" data-testid="step-in">
      <Heading as="h3" fontSize="20px" lineHeight="24px">
        {number}. {title}, the other way round
      </Heading>
      <Box fontSize="18px" lineHeight="24px" marginBlock="6px">
        {lay === '' && (done || unsaid.length === 0) ? (
          <Box as="span" color="second">
            Nothing was noted of how it lay.
          </Box>
        ) : (
          lay !== '' && `It lay so: ${lay}.`
        )}
        {unsaid.length > 0 && !done && (
          <Box color="oxide">
            Nobody put down at the strip: {unsaid.join(', ')}. Find it out before it goes in.
          </Box>
        )}
      </Box>
      <Named words="New" parts={renewed} />
      <Named words="Never used twice, a new one goes in" parts={oneUse} />
      {clips.length > 0 && (
        <Box fontWeight={650}>The whole groove must show before {namesOf(clips)} goes in.</Box>
      )}
      {cautions.map((words) => (
        <Box key={words} borderLeft="4px solid" borderColor="oxide" paddingLeft="10px" marginBlock="4px">
          {words}
        </Box>
      ))}
      {bolts && (
        <Box marginTop="8px">
          <BoltCircle
            title={title}
            bolts={bolts}
            {...(onTick
              ? { onTick: (tick) => void onTick(tick).then((wrong) => setTrouble(wrong ?? '')) }
              : {})}
            {...(onRound
              ? { onRound: (round) => void onRound(round).then((wrong) => setTrouble(wrong ?? '')) }
              : {})}
          />
        </Box>
      )}
      {done ? (
        <Box marginTop="8px" fontWeight={650}>
          In, {done.author}
          {done.content.note && `: ${done.content.note}`}
        </Box>
      ) : (
        onIn && (
          <Box
            as="form"
            marginTop="8px"
            onSubmit={(event) => {
              event.preventDefault();
              void onIn(note.trim()).then((wrong) => setTrouble(wrong ?? ''));
            }}
          >
            <TextField
              label="Anything else (compound, play, an odd shim)"
              value={note}
              onText={setNote}
              maxLength={300}
            />
            {held.map(({ id, position, words }) => (
              <Box key={id} color="oxide" fontWeight={650} data-testid="held-by-rework">
                {position.name} may not go in: {words}.
              </Box>
            ))}
            {newHeld.map(({ positionId, name, words }) => (
              <Box key={positionId} color="oxide" fontWeight={650} data-testid="held-new-part">
                {name} may not go in: {words}.
              </Box>
            ))}
            <Press kind="take" size="bench" type="submit" disabled={held.length + newHeld.length > 0}>
              It is in
            </Press>
          </Box>
        )
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Box>
  );
}

const namesOf = (parts: readonly Position[]): string => parts.map(({ name }) => name).join(', ');

function Named({ words, parts }: { readonly words: string; readonly parts: readonly Position[] }) {
  if (parts.length === 0) return null;
  return (
    <Flex gap="8px">
      <Box as="span" fontWeight={650} whiteSpace="nowrap">
        {words}:
      </Box>
      <span>{namesOf(parts)}</span>
    </Flex>
  );
}
