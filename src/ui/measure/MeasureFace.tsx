'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { likeChecks } from '@/core/metrology/likeChecks';
import { repeatsAtPlaces } from '@/core/metrology/repeats';
import { baseUnit, convert } from '@/core/quantity/units';
import { describeLimit, describeSource } from '@/core/report/describeMeasurement';
import { runOutForecast } from '@/core/setup/runOutForecast';
import { recordsOf } from '@/core/strip/recordsOf';
import { findActive } from '@/core/wear/active';
import type { JudgedCheck } from '@/core/wear/partStanding';
import type { Check } from '@/model/checks';
import type { Gauge, Reading } from '@/model/snapshot';
import { UNIT_SYMBOL } from '@/model/units';
import { CaptureLine } from '../job/CaptureLine';
import { type OfJob, type OfPart, useBench } from '../job/useBench';
import { useFigures, useReadsIn } from '../kit/figures';
import { Arriving } from '../kit/later';
import { EmptyState } from '../kit/Notice';
import { Press } from '../kit/Press';
import { AcceptReading } from './AcceptReading';
import { CheckPicture } from './CheckPicture';
import { CorrectReading } from './CorrectReading';
import { HoldingsView } from './HoldingsView';
import { inHolding } from './openCheck';
import { LikeTable, WithoutCheck } from './pieces';
import { ReadingPad } from './ReadingPad';
import { RepeatsView } from './RepeatsView';
import { PlanesNote, TemperatureNote } from './ShapeNotes';
import { heldNow, placeToRead, readInHolding } from './seriesWalk';
import { otherWayOf, TwoWaysView } from './TwoWaysView';
import { useMeasuring } from './useMeasuring';
import { decimalsOfGauges, VerdictView } from './VerdictView';
import { WorkedOut } from './WorkedOut';

/** One check at a time: how to, the number pad, what was read, and the verdict on its ruler. */
export function MeasureFace(props: OfPart) {
  const { judgements } = props.part;
  const { place } = useBench();
  const judged = judgements.find(({ check }) => check.id === place.check) ?? judgements[0];
  if (!judged) {
    return (
      <Box>
        <EmptyState>
          No check is described for this part, so there is no limit to judge it by. It can be measured all the
          same.
        </EmptyState>
        <Arriving>
          <WithoutCheck {...props} />
        </Arriving>
      </Box>
    );
  }
  return (
    <Box>
      {judgements.length > 1 && (
        <Flex gap="8px" wrap="wrap" marginBottom="8px">
          {judgements.map(({ check }) => (
            <Press
              key={check.id}
              chosen={check.id === judged.check.id}
              aria-pressed={check.id === judged.check.id}
              onClick={() => place.goTo({ check: check.id })}
            >
              {check.title}
            </Press>
          ))}
        </Flex>
      )}
      {judged.check.difference ? (
        <>
          <WorkedOut judged={judged} job={props.job} />
          <LimitWords judged={judged} />
        </>
      ) : (
        <CheckWork {...props} judged={judged} key={judged.check.id} />
      )}
      <Besides {...props} />
    </Box>
  );
}

/** What no check asks for can be measured too, once somebody wants it. */
function Besides(props: OfPart) {
  const [open, setOpen] = useState(false);
  const taken = recordsOf(props.job.snapshot.records, 'figure').some(
    ({ content }) => content.positionId === props.part.position.id,
  );
  return (
    <Box marginTop="12px">
      <Press kind="quiet" aria-expanded={open || taken} onClick={() => setOpen(!open)}>
        Measure something else
      </Press>
      {(open || taken) && (
        <Arriving>
          <WithoutCheck {...props} />
        </Arriving>
      )}
    </Box>
  );
}

function CheckWork({ judged, ...props }: OfPart & { readonly judged: JudgedCheck }) {
  const { check } = judged;
  const { job, part } = props;
  const { rights } = useBench();
  const [measuring] = useMeasuring();
  const { gauges } = job.snapshot;
  const readings = job.snapshot.readings.filter(
    (reading) =>
      reading.checkId === check.id && reading.positionId === part.position.id && !reading.struck?.slip,
  );
  const active = findActive(readings);
  const held = heldNow(job.snapshot, check, part.position.id, measuring);
  const reading = placeToRead(
    check,
    readInHolding(job.snapshot, check, part.position.id, measuring),
    measuring,
  );
  const here = inHolding(judged, held);
  const other = otherWayOf(judged, part.judgements);
  const [asTable, setAsTable] = useState(false);
  const hasLike = likeChecks(check, job.snapshot.unitType.checks).length > 1;
  if (asTable)
    return (
      <Arriving>
        <LikeTable job={job} check={check} from={part.position.id} onClose={() => setAsTable(false)} />
      </Arriving>
    );
  return (
    <Box>
      <Flex gap="12px" align="flex-start" justify="space-between">
        <Box>
          <Heading as="h3" fontSize="18px">
            {check.title}
          </Heading>
          <Box fontSize="13px" lineHeight="18px">
            {check.howTo}
          </Box>
        </Box>
        {check.picture && <CheckPicture picture={check.picture} title={`How to: ${check.howTo}`} />}
      </Flex>
      {rights.includes('capture.take') && <ReadingPad {...props} check={check} reading={reading} />}
      {rights.includes('capture.take') && (hasLike || reading.places.length > 1) && (
        <Press kind="quiet" paddingInline="0" onClick={() => setAsTable(true)}>
          {hasLike ? 'Type all of its like in a table, or paste them' : 'Type it in a table, or paste it'}
        </Press>
      )}
      <VerdictView judged={here} gauges={gauges} />
      <HoldingsView judgement={judged.judgement} gauges={gauges} />
      <AcceptReading
        judged={judged}
        positionId={part.position.id}
        job={job}
        mayAccept={rights.includes('reading.accept')}
      />
      <Forecast judged={judged} job={job} part={part} />
      <ReadingNotes
        judged={here}
        readings={active.filter((each) => (each.held ?? '') === held)}
        gauges={gauges}
      />
      {other && <TwoWaysView first={judged} second={other} gauges={gauges} />}
      <Readings {...props} readings={readings} check={check} />
      <LimitWords judged={judged} />
    </Box>
  );
}

function Readings({
  readings,
  check,
  job,
}: OfJob & { readonly readings: readonly Reading[]; readonly check: Check }) {
  const { rights } = useBench();
  const [puttingRight, setPuttingRight] = useState<string>();
  return (
    <Box marginTop="8px">
      {readings.map((reading) => {
        const gauge = job.snapshot.gauges.find(({ id }) => id === reading.gaugeId);
        return (
          <CaptureLine key={reading.id} kind="reading" capture={reading} job={job}>
            {reading.place && `${reading.place}: `}
            <strong>
              {reading.raw} {UNIT_SYMBOL[reading.unit]}
            </strong>{' '}
            <AsRead reading={reading} />
            <Box as="span" fontSize="13px" color="second">
              {reading.held ? `${reading.held}, ` : ''}
              {reading.temperatureC === null ? '' : `at ${reading.temperatureC} °C, `}
              {gauge?.name},
            </Box>
            {reading.corrected && <PutRight reading={reading} job={job} />}
            {!reading.struck && !job.waiting.has(reading.id) && rights.includes('reading.move') && (
              <Press
                kind="quiet"
                aria-expanded={puttingRight === reading.id}
                onClick={() => setPuttingRight(puttingRight === reading.id ? undefined : reading.id)}
              >
                put right
              </Press>
            )}
            {puttingRight === reading.id && (
              <CorrectReading {...{ reading, check, job }} onDone={() => setPuttingRight(undefined)} />
            )}
          </CaptureLine>
        );
      })}
    </Box>
  );
}

/** What a correction changed stays in sight: where and with which gauge the reading was taken. */
function PutRight({ reading, job }: { readonly reading: Reading; readonly job: OfJob['job'] }) {
  const { corrected, place, gaugeId, held } = reading;
  if (!corrected) return null;
  const gauge = job.snapshot.gauges.find(({ id }) => id === corrected.gaugeId);
  const was = [
    ...(corrected.place === place ? [] : [`taken as ${corrected.place}`]),
    ...(corrected.held === held ? [] : [`taken as ${corrected.held ?? 'not said how it was held'}`]),
    ...(corrected.gaugeId === gaugeId ? [] : [`taken with ${gauge?.name ?? 'another gauge'}`]),
  ];
  return (
    <Box fontSize="13px" color="second">
      Put right by {corrected.by}: {was.join(', ')}. {corrected.reason}
    </Box>
  );
}

/** A reading stands as it was taken; who reads in other units finds it in those beside. */
function AsRead({ reading: { raw, unit, value } }: { readonly reading: Reading }) {
  const figures = useFigures(unit, raw.split('.')[1]?.length ?? 0, value);
  if (figures.unit === unit) return null;
  return (
    <Box as="span" fontSize="13px" color="second">
      ({figures.quantity(convert(value, baseUnit(unit), unit))}){' '}
    </Box>
  );
}

/** What several readings say together: repeats and what stands apart, taper, and a part that is not at 20 °C. */
function ReadingNotes({
  judged: { judgement },
  readings,
  gauges,
}: {
  readonly judged: JudgedCheck;
  readonly readings: readonly Reading[];
  readonly gauges: readonly Gauge[];
}) {
  const { unit } = judgement;
  const decimals = decimalsOfGauges(gauges, unit);
  const used = gauges.filter(({ id }) => readings.some(({ gaugeId }) => gaugeId === id));
  const resolution = Math.max(0, ...used.map((gauge) => convert(gauge.resolution, gauge.unit, unit)));
  const values = readings.map(({ id, place, value, unit: own }) => ({
    id,
    place,
    value: convert(value, baseUnit(own), unit),
  }));
  return (
    <>
      {repeatsAtPlaces(values, resolution).map((repeats) => (
        <RepeatsView key={repeats.place} repeats={repeats} unit={unit} decimals={decimals} />
      ))}
      <PlanesNote readings={readings} unit={unit} decimals={decimals} />
      <TemperatureNote readings={readings} unit={unit} decimals={decimals} />
    </>
  );
}

/** The limit judged by, and beside it those of the same kind that were not: an override never hides the maker's figure. */
function LimitWords({ judged: { judgement } }: { readonly judged: JudgedCheck }) {
  const readsIn = useReadsIn();
  const { limit, beside } = judgement;
  if (!limit)
    return (
      <Box fontSize="13px" marginTop="8px" color="second">
        No limit known: it stays an open question, whatever is read.
      </Box>
    );
  return (
    <Box fontSize="13px" marginTop="8px" color="second" data-testid="limit-words">
      <Box>
        {describeLimit(limit, readsIn)}: {describeSource(limit)}
      </Box>
      {beside.map((other) => (
        <Box key={other.source.kind}>
          Beside it, not judged by: {describeLimit(other, readsIn)}, {describeSource(other)}
        </Box>
      ))}
    </Box>
  );
}

/** Run-out measured on a bevel ring says at once how far the backlash will wander. */
function Forecast({ judged, job, part }: { readonly judged: JudgedCheck } & OfPart) {
  const figures = useFigures('mm', 2);
  const forecast = runOutForecast(job.snapshot.unitType, part, judged);
  if (!forecast) return null;
  const { expected, permitted, beyondShims } = forecast;
  return (
    <Box marginTop="8px" borderLeft="4px solid" borderColor="metal" paddingLeft="12px" data-testid="forecast">
      This run-out alone makes the backlash wander by about <strong>{figures.quantity(expected)}</strong>
      {permitted === undefined
        ? '.'
        : beyondShims
          ? `, more than the ${figures.quantity(permitted)} permitted: no shim will cure it.`
          : `; ${figures.quantity(permitted)} are permitted.`}
    </Box>
  );
}
