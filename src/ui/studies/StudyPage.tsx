'use client';

import { Box, Heading } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import type { GaugeStudy } from '@/core/gauge-study/gaugeStudy';
import { partLetter } from '@/core/gauge-study/studyOrder';
import { tellGaugeStudy } from '@/core/gauge-study/tellGaugeStudy';
import { decimalsFor } from '@/core/quantity/format';
import { parseReading } from '@/core/quantity/parseReading';
import { unitsAlike } from '@/core/quantity/units';
import type { Actor } from '@/model/people';
import type { Right } from '@/model/rights';
import type { Gauge } from '@/model/snapshot';
import { UNIT_SYMBOL, type Unit } from '@/model/units';
import { PageHead } from '../frame/PageHead';
import { Field, Select, TextInput } from '../kit/Field';
import { useFigures } from '../kit/figures';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';
import { Table } from '../kit/Table';
import { SharesBar } from './SharesBar';

export interface StudyPageView {
  readonly study: {
    readonly id: string;
    readonly title: string;
    readonly unit: Unit;
    readonly parts: number;
    readonly trials: number;
    readonly appraisers: readonly string[];
    readonly tolerance: number | null;
    readonly toleranceWords: string;
  };
  readonly gauge: Gauge;
  readonly appraisers: readonly { readonly id: string; readonly name: string; readonly read: number }[];
  readonly each: number;
  readonly next?: { readonly trial: number; readonly part: number; readonly number: number };
  readonly result?: GaugeStudy;
  readonly readings?: readonly {
    readonly appraiserId: string;
    readonly trial: number;
    readonly part: number;
    readonly raw: string;
    readonly unit: Unit;
  }[];
}

interface StudyPageProps {
  readonly view: StudyPageView;
  readonly actor: Actor;
  readonly rights: readonly Right[];
}

/** One gauge study: the plan, the blind reading of whose turn it is, and at the end what the gauge is good for. */
export function StudyPage({ view, actor, rights }: StudyPageProps) {
  const { study, gauge, appraisers, each, next, result } = view;
  const waiting = appraisers.filter(({ read }) => read < each);
  return (
    <Box>
      <PageHead
        title={study.title}
        back={{ href: '/gauges/studies', words: 'All gauge studies' }}
        actor={actor}
      />
      <Box as="main" padding="16px" maxWidth="960px">
        <Box marginBottom="16px">
          {gauge.name}, {study.parts} parts ({partLetter(0)} to {partLetter(study.parts - 1)}), {study.trials}{' '}
          times each by {appraisers.map(({ name }) => name).join(', ')}.
          {study.tolerance !== null &&
            ` To decide a limit ${study.tolerance} ${UNIT_SYMBOL[study.unit]} wide${study.toleranceWords ? `: ${study.toleranceWords}` : ''}.`}
        </Box>
        {next && <BlindReading key={next.number} view={view} next={next} />}
        {!result && !next && (
          <Box borderLeft="4px solid" borderColor="metal" paddingLeft="12px">
            {appraisers.some(({ id }) => id === actor.id) ? 'You are through. ' : ''}
            Still to read: {waiting.map(({ name, read }) => `${name} (${read} of ${each})`).join(', ')}. No
            figure is shown before everybody is through.
          </Box>
        )}
        {result && <Result view={view} result={result} mayKeep={rights.includes('gauge.keep')} />}
      </Box>
    </Box>
  );
}

/** The next part in the blind order. What was read before is not shown, to anybody. */
function BlindReading({
  view: { study, gauge, each },
  next,
}: {
  readonly view: StudyPageView;
  readonly next: NonNullable<StudyPageView['next']>;
}) {
  const router = useRouter();
  const [figures, setFigures] = useState('');
  const [unit, setUnit] = useState<Unit>(gauge.unit);
  const [trouble, setTrouble] = useState('');
  const [sending, setSending] = useState(false);
  const take = async () => {
    const parsed = parseReading(figures);
    if (!parsed.ok) return setTrouble(parsed.message);
    setSending(true);
    const answer = await send('PUT', `/api/v1/gauge-studies/${study.id}/readings`, {
      trial: next.trial,
      part: next.part,
      raw: parsed.shown,
      unit,
    });
    setSending(false);
    if (!answer.ok) return setTrouble(answer.refusal.message);
    router.refresh();
  };
  return (
    <Box
      as="form"
      maxWidth="480px"
      onSubmit={(event) => {
        event.preventDefault();
        void take();
      }}
    >
      <Box fontSize="24px" lineHeight="30px" fontWeight={650} data-testid="blind">
        Take part {partLetter(next.part)}
      </Box>
      <Box color="second" marginBottom="8px">
        Reading {next.number} of {each}. What you read before is not shown; read it as if for the first time.
      </Box>
      <Field label={`Part ${partLetter(next.part)}, as the gauge shows it`}>
        {(wiring) => (
          <TextInput
            {...wiring}
            value={figures}
            autoFocus
            autoComplete="off"
            inputMode="decimal"
            fontSize="40px"
            lineHeight="48px"
            textAlign="right"
            onChange={(event) => {
              setTrouble('');
              setFigures(event.target.value);
            }}
          />
        )}
      </Field>
      <Field label="Unit as printed on the gauge">
        {(wiring) => (
          <Select {...wiring} value={unit} onChange={(event) => setUnit(event.target.value as Unit)}>
            {unitsAlike(gauge.unit).map((alike) => (
              <option key={alike} value={alike}>
                {UNIT_SYMBOL[alike]}
              </option>
            ))}
          </Select>
        )}
      </Field>
      {trouble && <ErrorNotice>{trouble} What you typed is still here.</ErrorNotice>}
      <Press type="submit" kind="take" size="bench" width="100%" disabled={sending}>
        Take
      </Press>
    </Box>
  );
}

function Result({
  view,
  result,
  mayKeep,
}: {
  readonly view: StudyPageView;
  readonly result: GaugeStudy;
  readonly mayKeep: boolean;
}) {
  const { study, gauge, readings = [], appraisers } = view;
  const router = useRouter();
  const [trouble, setTrouble] = useState('');
  const figures = useFigures(study.unit, decimalsFor(gauge.resolution));
  const { word, sentences } = tellGaugeStudy(result, (value) => figures.quantity(value, 1));
  const keep = async () => {
    const answer = await send('PUT', `/api/v1/gauge-studies/${study.id}/scatter`);
    setTrouble(answer.ok ? '' : answer.refusal.message);
    if (answer.ok) router.refresh();
  };
  const kept = gauge.repeatability === result.repeatability;
  return (
    <Box data-testid="study-result">
      <Box
        fontSize="24px"
        lineHeight="30px"
        fontWeight={650}
        color={word === 'cannot-decide' ? 'oxide' : undefined}
      >
        {{ decides: 'Good enough', 'with-care': 'With care', 'cannot-decide': 'Not good enough' }[word]}
      </Box>
      {sentences.map((sentence) => (
        <Box key={sentence}>{sentence}</Box>
      ))}
      <SharesBar result={result} />
      <Box marginBlock="12px">
        The scatter of one reading, {figures.quantity(result.repeatability, 1)},{' '}
        {kept
          ? 'stands on the list of gauges.'
          : 'can stand on the list of gauges: one reading then decides more often.'}
        {mayKeep && !kept && (
          <Press marginLeft="12px" onClick={() => void keep()}>
            Put it on the list
          </Press>
        )}
        {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      </Box>
      <Heading as="h2" fontSize="18px">
        What was read
      </Heading>
      <Table
        label="What was read"
        heads={['Who', 'Time', ...Array.from({ length: study.parts }, (_, part) => partLetter(part))]}
      >
        {appraisers.flatMap(({ id, name }) =>
          Array.from({ length: study.trials }, (_, trial) => (
            <tr key={`${id} ${trial}`}>
              <td>{name}</td>
              <td>{trial + 1}</td>
              {Array.from({ length: study.parts }, (_, part) => {
                const reading = readings.find(
                  (each) => each.appraiserId === id && each.trial === trial && each.part === part,
                );
                return (
                  <td key={partLetter(part)}>
                    {reading?.raw}
                    {reading && reading.unit !== study.unit ? ` ${UNIT_SYMBOL[reading.unit]}` : ''}
                  </td>
                );
              })}
            </tr>
          )),
        )}
      </Table>
    </Box>
  );
}
