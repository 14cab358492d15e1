'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useEffect, useState } from 'react';
import { parseReading } from '@/core/quantity/parseReading';
import { sameDimension } from '@/core/quantity/units';
import { recordsOf } from '@/core/strip/recordsOf';
import type { CheckDefinition } from '@/model/checkDefinition';
import { UNIT_SYMBOL, UNITS, type Unit } from '@/model/units';
import { CaptureLine } from '../job/CaptureLine';
import { type OfPart, useBench } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { Field, Select, TextField } from '../kit/Field';
import { useReadsIn } from '../kit/figures';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';
import { FigureToCheck } from './FigureToCheck';

/** What can be measured although no check asks for it: a figure now, or a check from the library for this type of unit. */
export function WithoutCheck(props: OfPart) {
  const { rights } = useBench();
  return (
    <Box>
      <Figures {...props} />
      {rights.includes('capture.take') && <FigureForm {...props} />}
      {rights.includes('unit-type.describe') && <FromTheLibrary {...props} />}
    </Box>
  );
}

/** Figures of this part that no check asked for. */
export function Figures({ part, job }: OfPart) {
  const figures = recordsOf(job.snapshot.records, 'figure').filter(
    ({ content }) => content.positionId === part.position.id,
  );
  return figures.map((figure) => {
    const { measured, raw, unit, gaugeId } = figure.content;
    const gauge = job.snapshot.gauges.find(({ id }) => id === gaugeId);
    return (
      <CaptureLine key={figure.id} kind="record" capture={{ ...figure, struck: null }} job={job}>
        {measured}: <strong>{`${raw} ${UNIT_SYMBOL[unit]}`}</strong>{' '}
        <Box as="span" fontSize="13px" color="second">
          {gauge?.name}, no limit known,
        </Box>
        <FigureToCheck job={job} figure={figure} />
      </CaptureLine>
    );
  });
}

function FigureForm({ part, job }: OfPart) {
  const keep = useKeep(job);
  const inches = useReadsIn() === 'inch';
  const [measured, setMeasured] = useState('');
  const [raw, setRaw] = useState('');
  const [unit, setUnit] = useState<Unit>(inches ? 'in' : 'mm');
  const [chosen, setGauge] = useState('');
  const [trouble, setTrouble] = useState('');
  const gauges = job.snapshot.gauges.filter((gauge) => !gauge.home && sameDimension(gauge.unit, unit));
  const gauge = gauges.find(({ id }) => id === chosen);
  const take = async () => {
    const parsed = parseReading(raw);
    if (measured.trim() === '') return setTrouble('Say what you measure.');
    if (!parsed.ok) return setTrouble(parsed.message);
    if (!gauge) return setTrouble('Say with which gauge.');
    const wrong = await keep(
      {
        ...({ what: 'figure', positionId: part.position.id } as const),
        ...{ measured, raw: parsed.shown, unit, gaugeId: gauge.id },
      },
      `${measured}: ${parsed.shown} ${UNIT_SYMBOL[unit]} taken`,
    );
    setTrouble(wrong ?? '');
    if (wrong) return;
    setRaw('');
    setMeasured('');
  };
  return (
    <Box
      as="form"
      marginTop="12px"
      data-testid="free-figure"
      onSubmit={(event) => {
        event.preventDefault();
        void take();
      }}
    >
      <Heading as="h3" fontSize="16px" marginBottom="4px">
        A figure now
      </Heading>
      <TextField label="What is measured" value={measured} onText={setMeasured} maxLength={80} />
      <Flex gap="8px" wrap="wrap" align="flex-start">
        <Box flex="1 1 110px">
          <TextField label="Figure" value={raw} onText={setRaw} inputMode="decimal" maxLength={20} />
        </Box>
        <Field label="Unit">
          {(wiring) => (
            <Select
              {...wiring}
              width="auto"
              value={unit}
              onChange={(event) => setUnit(event.target.value as Unit)}
            >
              {UNITS.map((each) => (
                <option key={each} value={each}>
                  {UNIT_SYMBOL[each]}
                </option>
              ))}
            </Select>
          )}
        </Field>
        <Box flex="2 1 180px">
          <Field label="With">
            {(wiring) => (
              <Select {...wiring} value={gauge?.id ?? ''} onChange={(event) => setGauge(event.target.value)}>
                <option value="">Which gauge?</option>
                {gauges.map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        </Box>
      </Flex>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Press type="submit" kind="take" size="bench">
        Take the figure
      </Press>
      <Box fontSize="13px" color="second" marginTop="4px">
        No limit judges it: it stands in the report as it was measured, and stays an open question.
      </Box>
    </Box>
  );
}

interface Offer {
  readonly mayAdd: boolean;
  readonly definitions: readonly CheckDefinition[];
}

function FromTheLibrary({ part, job }: OfPart) {
  const { place } = useBench();
  const { id, version } = job.snapshot.job;
  const { id: positionId } = part.position;
  const [offer, setOffer] = useState<Offer>();
  const [trouble, setTrouble] = useState('');
  useEffect(() => {
    let left = false;
    void send<Offer>('GET', `/api/v1/jobs/${id}/checks?positionId=${positionId}`).then((answer) => {
      if (left) return;
      if (answer.ok) setOffer(answer.value);
      else setTrouble(answer.refusal.message);
    });
    return () => {
      left = true;
    };
  }, [id, positionId]);
  const add = async (definition: string) => {
    const content = { positionId, version, definition };
    const answer = await send<{ checkId: string }>('POST', `/api/v1/jobs/${id}/checks`, content);
    if (!answer.ok) return setTrouble(answer.refusal.message);
    setTrouble('');
    await job.refresh();
    place.goTo({ check: answer.value.checkId });
  };
  if (!offer || (offer.definitions.length === 0 && trouble === '')) return null;
  return (
    <Box marginTop="20px" data-testid="library-checks">
      <Heading as="h3" fontSize="16px" marginBottom="4px">
        A check from the library
      </Heading>
      {offer.mayAdd ? (
        <Flex gap="8px" wrap="wrap">
          {offer.definitions.map((definition) => (
            <Press
              key={definition.id}
              size="bench"
              fontSize="15px"
              flexDirection="column"
              gap="0"
              onClick={() => void add(definition.id)}
            >
              {definition.title}
              <Box as="span" fontWeight={400} fontSize="13px" lineHeight="16px">
                {definition.measures}
              </Box>
            </Press>
          ))}
        </Flex>
      ) : (
        <Box color="second">
          The lead keeps the checks of this type: {offer.definitions.map(({ title }) => title).join(', ')}{' '}
          could be added. A figure can be taken now.
        </Box>
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Box>
  );
}
