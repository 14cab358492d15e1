'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { decimalsFor } from '@/core/quantity/format';
import { type AfterValue, afterValues } from '@/core/rebuild/afterValues';
import { type Float, floatsOf } from '@/core/rebuild/floats';
import { packNow } from '@/core/rebuild/packs';
import { describeLimit } from '@/core/report/describeMeasurement';
import { type OfJob, useBench } from '../job/useBench';
import { useFigures } from '../kit/figures';
import { EmptyState } from '../kit/Notice';
import { Press } from '../kit/Press';
import { VERDICT_WORDS, VerdictRuler } from '../kit/VerdictRuler';
import { MeasureAgain } from './MeasureAgain';
import { PackDrawing } from './PackDrawing';

/** Every check that a rebuilt unit is asked for: as it was found, as it is now against its set-up, and what brings a float to its aim. */
export function MeasuredAfter({ job }: OfJob) {
  const { rights } = useBench();
  const mayBuild = rights.includes('rebuild.do');
  const values = afterValues(job.snapshot);
  const floats = new Map(
    floatsOf(job.snapshot, values, job.snapshot.shims ?? []).map((each) => [each.value.key, each]),
  );
  const [chosen, setChosen] = useState<string>();
  const open = values.filter(({ state }) => state === 'open').length;
  if (values.length === 0)
    return (
      <EmptyState>Nothing that this unit is set up to is described: no check has a set-up limit.</EmptyState>
    );
  return (
    <Box data-testid="measured-after">
      <Heading as="h2" fontSize="20px">
        {open === 0 ? 'Everything is read anew' : `${open} of ${values.length} are not read anew yet`}
      </Heading>
      <Box color="second" marginBottom="6px">
        Read with the unit held as it hangs in the vehicle. What was found stays what it was.
      </Box>
      {values.map((value) => (
        <Row
          key={value.key}
          job={job}
          value={value}
          float={floats.get(value.key)}
          isOpen={chosen === value.key}
          mayBuild={mayBuild}
          onOpen={() => setChosen((before) => (before === value.key ? undefined : value.key))}
        />
      ))}
    </Box>
  );
}

interface RowProps extends OfJob {
  readonly value: AfterValue;
  readonly float: Float | undefined;
  readonly isOpen: boolean;
  readonly mayBuild: boolean;
  readonly onOpen: () => void;
}

function Row({ job, value, float, isOpen, mayBuild, onOpen }: RowProps) {
  const { check, position, found, now, state, key } = value;
  const decimals = decimalsFor(0.01);
  const figures = useFigures(now.unit, decimals, now.decisive?.value);
  const isBad = state === 'beyond' || state === 'too-close';
  return (
    <Box borderTop="1px solid" borderColor="rule" paddingBlock="8px" data-after={key} data-state={state}>
      <Flex gap="16px" wrap="wrap" align="center">
        <Box flex="1 1 170px">
          <Box fontWeight={650}>{check.title}</Box>
          <Box fontSize="13px" color="second">
            {position.name}
            {now.limit ? `; ${describeLimit(now.limit)}, ${now.limit.source.words}` : '; no limit known'}
          </Box>
          {found?.decisive && (
            <Box fontSize="13px" color="second">
              found {figures.quantity(found.decisive.value)}
            </Box>
          )}
        </Box>
        <Box flex="1 1 240px">{now.decisive && <VerdictRuler judgement={now} decimals={decimals} />}</Box>
        <Box width="130px" textAlign="right">
          {now.decisive && (
            <Box fontSize="24px" lineHeight="28px">
              {figures.quantity(now.decisive.value)}
            </Box>
          )}
          <Box fontWeight={650} color={isBad ? 'oxide' : undefined}>
            {state === 'open' ? 'Not read yet' : VERDICT_WORDS[state]}
          </Box>
          {value.atSetUp && (
            <Box fontSize="13px" color="second">
              read at Set-up
            </Box>
          )}
          {mayBuild && !value.atSetUp && (
            <Press kind="quiet" paddingInline="0" aria-expanded={isOpen} onClick={onOpen}>
              {state === 'open' ? 'Read it' : 'Read again'}
            </Press>
          )}
        </Box>
      </Flex>
      {float && <FloatAdvice job={job} float={float} />}
      {isOpen && mayBuild && <MeasureAgain job={job} value={value} onRead={onOpen} />}
    </Box>
  );
}

function FloatAdvice({ job, float: { act, pieces, expected, stack } }: OfJob & { readonly float: Float }) {
  if (act === '') return null;
  return (
    <Box bg="blue" color="onBlue" padding="10px 14px" marginTop="6px" data-testid="float-advice">
      <Box fontSize="18px" fontWeight={650}>
        {act}
      </Box>
      {stack && pieces.length > 0 && (
        <PackDrawing
          name={`Stack ${stack.letter}`}
          before={packNow(job.snapshot, undefined, stack)}
          after={pieces}
          onBlue
        />
      )}
      {expected !== undefined && <Box>Then about {expected.toFixed(2)} mm. Measure again.</Box>}
    </Box>
  );
}
