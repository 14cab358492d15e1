'use client';

import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import { type BaselineCheck, baselineChecks, movedOn } from '@/core/strip/baseline';
import { type AtBench, type OfJob, useBench } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { TextField } from '../kit/Field';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { Table } from '../kit/Table';
import { BesideSection } from '../section/BesideSection';

/** How it was set before anything moves: afterwards nobody can know. */
export function BaselineStation(props: OfJob) {
  const { job } = props;
  const { rights, place } = useBench();
  const checks = baselineChecks(job.snapshot);
  const open = checks.filter(({ state }) => state === 'open').length;
  const gone = movedOn(job.snapshot.records);
  if (checks.length === 0)
    return (
      <BesideSection job={job} note="Tap a part to open its ticket.">
        <EmptyState>
          No check of this unit must come before the strip. The lead marks them so on its limit sheet; until
          then measure what you can on the tickets before anything moves.
        </EmptyState>
      </BesideSection>
    );
  const toRead = gone ? [] : checks.filter(({ state }) => state === 'open');
  const openPart = (part: string) => {
    const line = toRead.find(({ position }) => position.id === part);
    if (line) read(place, line);
    else place.goTo({ part });
  };
  return (
    <BesideSection
      job={job}
      marked={toRead.map(({ position }) => position.id)}
      onOpen={openPart}
      note={noteOf(toRead.length, gone !== undefined && open > 0)}
    >
      <Box data-testid="baseline">
        <Table heads={['Before anything moves', 'Of', 'How it stands', 'What to do']} label="Baseline">
          {checks.map((line) => (
            <tr key={`${line.position.id} ${line.check.id}`} data-baseline={line.check.id}>
              <td>
                <strong>{line.check.title}</strong>
                <Box fontSize="13px" color="second">
                  {line.check.howTo}
                </Box>
              </td>
              <td>{line.position.name}</td>
              <td>
                <BaselineState line={line} />
              </td>
              <td>
                {line.state !== 'read' && rights.includes('capture.take') && (
                  <Answer {...props} line={line} onRead={() => read(place, line)} />
                )}
                {line.state === 'read' && (
                  <Press kind="quiet" onClick={() => read(place, line)}>
                    again, or in another way
                  </Press>
                )}
              </td>
            </tr>
          ))}
        </Table>
        {gone ? (
          <Box marginTop="12px">
            {gone.author} went on with {gone.content.open} open
            {gone.content.reason ? `: ${gone.content.reason}` : ''}. The report says so.
          </Box>
        ) : (
          <MoveOn {...props} open={open} />
        )}
      </Box>
    </BesideSection>
  );
}

function noteOf(toRead: number, missed: boolean): string {
  if (missed) return 'Not all of it was read before something moved; the report says which.';
  return toRead > 0
    ? 'Marked: what must be read before anything moves. Tap it to read it.'
    : 'Everything here is read or answered.';
}

const read = (place: AtBench['place'], { position, check }: BaselineCheck) =>
  place.goTo({ part: position.id, face: 'measure', check: check.id });

function BaselineState({ line: { state, reason } }: { readonly line: BaselineCheck }) {
  if (state === 'read') return <>read</>;
  if (state === 'cannot') return <>can’t be done: {reason?.content.reason}</>;
  return <strong>open</strong>;
}

function Answer({
  line,
  onRead,
  ...props
}: OfJob & { readonly line: BaselineCheck; readonly onRead: () => void }) {
  const keep = useKeep(props.job);
  const [why, setWhy] = useState<string>();
  const [trouble, setTrouble] = useState('');
  if (why === undefined)
    return (
      <Flex gap="8px" wrap="wrap">
        <Press kind="main" onClick={onRead}>
          Read it
        </Press>
        <Press onClick={() => setWhy('')}>Can’t be done</Press>
      </Flex>
    );
  const take = async () => {
    const content = {
      what: 'not-measured' as const,
      checkId: line.check.id,
      positionId: line.position.id,
      reason: why,
    };
    const wrong =
      why.trim() === '' ? 'Say why it can’t be done.' : await keep(content, `${line.check.title}: put down`);
    setTrouble(wrong ?? '');
    if (!wrong) setWhy(undefined);
  };
  return (
    <Box
      as="form"
      onSubmit={(event) => {
        event.preventDefault();
        void take();
      }}
    >
      <TextField label="It can’t be done because" value={why} onText={setWhy} />
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Press type="submit">Put it down</Press>
    </Box>
  );
}

/** Asked once: what isn't read now can't be read any more. */
function MoveOn({ open, ...props }: OfJob & { readonly open: number }) {
  const keep = useKeep(props.job);
  const [asking, setAsking] = useState(false);
  const [reason, setReason] = useState('');
  const { rights, place } = useBench();
  const on = () => place.goTo({ station: 'strip' });
  if (!rights.includes('capture.take')) return null;
  if (open === 0)
    return (
      <Press kind="main" size="bench" marginTop="16px" onClick={on}>
        On to the strip
      </Press>
    );
  if (!asking)
    return (
      <Press size="bench" marginTop="16px" onClick={() => setAsking(true)}>
        On to the strip without {open === 1 ? 'this one' : `these ${open}`}
      </Press>
    );
  return (
    <Box
      as="form"
      maxWidth="560px"
      marginTop="16px"
      onSubmit={(event) => {
        event.preventDefault();
        void keep({ what: 'moved-on', open, reason }, 'Gone on to the strip').then(on);
      }}
    >
      <Box marginBottom="8px">
        Once something has moved, nobody can know how it was set. The report will say that {open} of these
        were not read.
      </Box>
      <TextField label="Why it goes on all the same" value={reason} onText={setReason} />
      <Flex gap="8px">
        <Press type="submit" kind="danger">
          Go on without
        </Press>
        <Press onClick={() => setAsking(false)}>Stay here</Press>
      </Flex>
    </Box>
  );
}
