'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { closingOf, type Deviation } from '@/core/rebuild/closing';
import { isBegun, openOfRebuild } from '@/core/rebuild/openOfRebuild';
import { describeLimit } from '@/core/report/describeMeasurement';
import { Checked } from '../cause/Checked';
import { type OfJob, useBench } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { TextField } from '../kit/Field';
import { useFigures } from '../kit/figures';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { Table } from '../kit/Table';
import { VERDICT_WORDS } from '../kit/VerdictRuler';
import { LookAgain } from './LookAgain';
import { type Place, StillOpen } from './StillOpen';

type Closed = ReturnType<typeof closingOf>;

/** What a rebuild is closed by: what is still open, figures beside what was found, deviations with a name under them, dates, and the cause. */
export function Closing({ job, onGo }: OfJob & { readonly onGo: (view: Place) => void }) {
  const { rights } = useBench();
  const { snapshot } = job;
  const closing = closingOf(snapshot);
  const open = isBegun(snapshot) ? openOfRebuild(snapshot) : [];
  const { cause } = snapshot;
  return (
    <Box data-testid="closing">
      <Heading as="h2" fontSize="20px">
        {!isBegun(snapshot)
          ? 'Nothing of it went back in yet'
          : open.length === 0
            ? 'Closed: nothing is open'
            : `${open.length} open before it is closed`}
      </Heading>
      <StillOpen job={job} open={open} onGo={onGo} />
      <Figures values={closing.values} />
      <Deviations job={job} deviations={closing.deviations} maySign={rights.includes('unit.decide')} />
      <LookAgain job={job} dates={closing.dates} mayBuild={rights.includes('rebuild.do')} />
      <Box as="section" aria-label="Did the cause hold?" marginTop="16px">
        <Heading as="h3" fontSize="18px">
          Did the cause hold?
        </Heading>
        {cause ? (
          <>
            <Box>{cause.words}</Box>
            {rights.includes('cause.note') && (
              <Checked job={job} cause={cause} offered={cause.conclusion?.roots ?? []} names={undefined} />
            )}
          </>
        ) : (
          <Box color="second">Nobody has concluded a cause yet.</Box>
        )}
      </Box>
    </Box>
  );
}

function Figures({ values }: Pick<Closed, 'values'>) {
  if (values.length === 0) return null;
  return (
    <Box as="section" aria-label="Figures" overflowX="auto">
      <Table label="Figures, found and now" heads={['Figure', 'Found', 'Now', 'Limit', '']}>
        {values.map((value) => (
          <FigureRow key={value.key} value={value} />
        ))}
      </Table>
    </Box>
  );
}

function FigureRow({
  value: { check, position, found, now, state, signed },
}: {
  readonly value: Closed['values'][number];
}) {
  const figures = useFigures(now.unit, 2, now.decisive?.value ?? found?.decisive?.value);
  const isBad = state === 'beyond' || state === 'too-close';
  return (
    <tr>
      <td>
        {check.title}, {position.name}
      </td>
      <td>{found?.decisive ? figures.quantity(found.decisive.value) : 'not read'}</td>
      <td>
        <strong>{now.decisive ? figures.quantity(now.decisive.value) : 'not read'}</strong>
      </td>
      <td>{describeLimit(now.limit)}</td>
      <td>
        <Box as="span" color={isBad ? 'oxide' : undefined} fontWeight={isBad ? 650 : 400}>
          {state === 'open' ? 'Open' : VERDICT_WORDS[state]}
          {signed ? `, signed by ${signed.author}` : ''}
        </Box>
      </td>
    </tr>
  );
}

interface DeviationsProps extends OfJob {
  readonly deviations: readonly Deviation[];
  readonly maySign: boolean;
}

function Deviations({ job, deviations, maySign }: DeviationsProps) {
  if (deviations.length === 0) return null;
  return (
    <Box as="section" aria-label="Deviations" marginTop="16px">
      <Heading as="h3" fontSize="18px">
        Leaves otherwise than it should
      </Heading>
      {deviations.map((deviation) => (
        <Sign key={deviation.key} job={job} deviation={deviation} maySign={maySign} />
      ))}
    </Box>
  );
}

function Sign({
  job,
  deviation: { key, words, signed },
  maySign,
}: OfJob & { readonly deviation: Deviation; readonly maySign: boolean }) {
  const keep = useKeep(job);
  const [reason, setReason] = useState('');
  const [owner, setOwner] = useState('');
  const [trouble, setTrouble] = useState('');
  const sign = async () => {
    if (reason.trim() === '') return setTrouble('Say why it may leave so.');
    setTrouble(
      (await keep(
        { what: 'signed-off', of: key, reason: reason.trim(), owner: owner.trim() },
        'Signed for the deviation',
      )) ?? '',
    );
  };
  return (
    <Box borderLeft="4px solid" borderColor="oxide" paddingLeft="10px" marginBlock="8px" data-deviation={key}>
      <Box fontWeight={650}>{words}</Box>
      {signed ? (
        <Box>
          Signed by {signed.author}: {signed.content.reason}
          {signed.content.owner && `; the owner knows: ${signed.content.owner}`}
        </Box>
      ) : maySign ? (
        <Box
          as="form"
          onSubmit={(event) => {
            event.preventDefault();
            void sign();
          }}
        >
          <TextField label="Why it may leave so" value={reason} onText={setReason} maxLength={300} />
          <TextField
            label="Whom of the owner’s was told, and wants it so (empty: nobody)"
            value={owner}
            onText={setOwner}
            maxLength={80}
          />
          {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
          <Flex>
            <Press type="submit">Sign for it</Press>
          </Flex>
        </Box>
      ) : (
        <Box color="second">The lead signs for it, or it is put right.</Box>
      )}
    </Box>
  );
}
