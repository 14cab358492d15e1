'use client';

import { Box, Heading } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import { type BesidePart, besideParts, differencesByPart } from '@/core/wear/besideParts';
import type { OfJob } from '../job/useBench';
import { longDate } from '../kit/dates';
import { Field, Select } from '../kit/Field';
import { GradeLine } from '../kit/GradeMark';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';
import { Table } from '../kit/Table';

interface LikeJob {
  readonly id: string;
  readonly peg: number;
  readonly machine: string;
  readonly bookedAt: string;
  readonly sameUnit: boolean;
}

/** This strip held beside an earlier one of the same unit, or a sister's: the parts on which they differ. */
export function BesideStrip({ job, onGo }: OfJob & { readonly onGo: (positionId: string) => void }) {
  const { id } = job.snapshot.job;
  const [like, setLike] = useState<readonly LikeJob[]>([]);
  const [chosen, setChosen] = useState('');
  const [there, setThere] = useState<readonly BesidePart[]>();
  const [refusal, setRefusal] = useState('');
  useEffect(() => {
    let current = true;
    void send<{ jobs: readonly LikeJob[] }>('GET', `/api/v1/jobs/${id}/beside`).then((answer) => {
      if (current && answer.ok) setLike(answer.value.jobs);
    });
    return () => {
      current = false;
    };
  }, [id]);
  const choose = async (besideId: string) => {
    setChosen(besideId);
    setThere(undefined);
    setRefusal('');
    if (besideId === '') return;
    const answer = await send<{ parts: readonly BesidePart[] }>(
      'GET',
      `/api/v1/jobs/${id}/beside?with=${besideId}`,
    );
    if (answer.ok) setThere(answer.value.parts);
    else setRefusal(answer.refusal.message);
  };
  if (like.length === 0) return null;
  const differences = there
    ? differencesByPart(job.snapshot.unitType.positions, besideParts(job.snapshot, job.parts), there)
    : [];
  return (
    <Box as="section" aria-label="Beside another strip" data-testid="beside" marginTop="12px">
      <Field label="Hold it beside">
        {(wiring) => (
          <Select {...wiring} value={chosen} onChange={(event) => void choose(event.target.value)}>
            <option value="">no other strip</option>
            {like.map(({ id: other, peg, machine, bookedAt, sameUnit }) => (
              <option key={other} value={other}>
                {sameUnit ? 'this unit before' : 'a sister'}: peg {peg}, {machine}, {longDate(bookedAt)}
              </option>
            ))}
          </Select>
        )}
      </Field>
      {refusal && <ErrorNotice>{refusal}</ErrorNotice>}
      {there && (
        <>
          <Heading as="h3" fontSize="16px">
            {differences.length === 0
              ? 'No part is graded otherwise'
              : `${differences.length} parts are graded otherwise`}
          </Heading>
          {differences.length > 0 && (
            <Table heads={['Part', 'Here', 'There', 'Seen there']} label="Differences by part">
              {differences.map(({ positionId, name, here, there: other }) => (
                <tr key={positionId}>
                  <td>
                    <Press kind="quiet" minHeight="32px" paddingInline="0" onClick={() => onGo(positionId)}>
                      {name}
                    </Press>
                  </td>
                  <td>
                    <GradeLine grade={here.grade} />
                  </td>
                  <td>
                    <GradeLine grade={other.grade} />
                  </td>
                  <td style={{ fontSize: 13 }}>{other.seen[0] ?? ''}</td>
                </tr>
              ))}
            </Table>
          )}
        </>
      )}
    </Box>
  );
}
