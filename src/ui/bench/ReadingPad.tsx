'use client';

import { Box, chakra, Flex, Grid } from '@chakra-ui/react';
import { Delete } from 'lucide-react';
import { useState } from 'react';
import { placesOf } from '@/core/metrology/places';
import { parseReading } from '@/core/quantity/parseReading';
import { convert, sameDimension, unitsAlike } from '@/core/quantity/units';
import type { Gauge, Reading } from '@/model/snapshot';
import { UNIT_SYMBOL, type Unit } from '@/model/units';
import type { Check } from '@/model/unitType';
import { queueCapture } from '../capture/useCaptureQueue';
import { KeyCap } from '../frame/KeysHelp';
import { BenchGauge } from '../gauge/BenchGauge';
import { STREAMING_KIND } from '../gauge/useBenchGauge';
import { Select } from '../kit/Field';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { type ReadingPlace, stepFrom } from './seriesWalk';
import type { FaceProps } from './Ticket';

const KEYS = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '.', '0', '−'] as const;

interface ReadingPadProps extends FaceProps {
  readonly check: Check;
  readonly reading: ReadingPlace;
}

/** The big figures, the pad, the gauge. A keyboard, or a gauge that types like one, fills the same field. */
export function ReadingPad({ part, job, actor, check, reading, onMeasuring, onUndoable }: ReadingPadProps) {
  const gauges = job.snapshot.gauges.filter((gauge) => sameDimension(gauge.unit, check.unit));
  const [gaugeId, setGaugeId] = useState(() => usualGauge(gauges, job.snapshot.readings, check));
  const gauge = gauges.find(({ id }) => id === gaugeId);
  const [unit, setUnit] = useState<Unit>(check.unit);
  const [figures, setFigures] = useState('');
  const [trouble, setTrouble] = useState('');
  const [sure, setSure] = useState(false);
  const { places, here, allRound } = reading;
  const round = placesOf(check);
  const goTo = (at: string | undefined) => onMeasuring({ allRound, ...(at === undefined ? {} : { at }) });
  if (!gauge) return <EmptyState>No gauge of this shop measures {UNIT_SYMBOL[check.unit]}.</EmptyState>;

  const type = (text: string) => {
    setTrouble('');
    setSure(false);
    setFigures(text);
  };
  const take = async (text = figures) => {
    const parsed = parseReading(text);
    if (!parsed.ok) return setTrouble(parsed.message);
    if (!sure && isFarOff(convert(parsed.value, unit, check.unit), check)) {
      setFigures(text);
      setSure(true);
      return setTrouble(
        `${parsed.shown} ${UNIT_SYMBOL[unit]} is far from what is usual here. Is the unit right? Take it again if it is so.`,
      );
    }
    type('');
    goTo(undefined);
    const content = {
      positionId: part.position.id,
      checkId: check.id,
      place: here,
      raw: parsed.shown,
      unit,
      gaugeId,
    };
    const { id: jobId, peg } = job.snapshot.job;
    const captureId = await queueCapture({ kind: 'reading', jobId, peg, author: actor, content });
    onUndoable({
      kind: 'reading',
      captureId,
      words: `${here ? `${here} taken: ` : 'Taken: '}${parsed.shown} ${UNIT_SYMBOL[unit]}`,
    });
    await job.drain();
  };
  return (
    <Box
      as="form"
      marginTop="8px"
      onSubmit={(event) => {
        event.preventDefault();
        void take();
      }}
    >
      <Flex
        border="2px solid"
        borderColor={trouble ? 'oxide' : 'ink'}
        bg="field"
        align="center"
        gap="12px"
        paddingInline="12px"
        height="76px"
      >
        {places.length > 1 && (
          <Box borderRight="1px solid" borderColor="rule" paddingRight="12px" minWidth="96px">
            <Box fontSize="13px" color="second">
              Place
            </Box>
            <Box fontSize="20px" fontWeight={650} data-testid="place">
              {here}
            </Box>
          </Box>
        )}
        <chakra.input
          value={figures}
          onChange={(event) => type(event.target.value)}
          inputMode="none"
          aria-label={`Reading, ${check.title}`}
          aria-invalid={trouble ? true : undefined}
          autoFocus
          autoComplete="off"
          onKeyDown={(event) => {
            const step = { ArrowDown: 1, ArrowUp: -1 }[event.key] as 1 | -1 | undefined;
            if (step === undefined || places.length < 2) return;
            event.preventDefault();
            goTo(stepFrom(places, here, step));
          }}
          flex="1"
          minWidth="0"
          textAlign="right"
          fontSize="52px"
          lineHeight="60px"
          fontWeight={600}
          bg="transparent"
          outline="none"
        />
        <Select
          aria-label="Unit as printed on the gauge"
          value={unit}
          onChange={(event) => setUnit(event.target.value as Unit)}
          width="auto"
          border="none"
          fontSize="20px"
          bg="field"
        >
          {unitsAlike(check.unit).map((alike) => (
            <option key={alike} value={alike}>
              {UNIT_SYMBOL[alike]}
            </option>
          ))}
        </Select>
      </Flex>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Flex gap="8px" marginTop="8px">
        <Grid templateColumns="repeat(3, minmax(64px, 76px))" gap="8px">
          {KEYS.map((key) => (
            <Press
              key={key}
              height="56px"
              fontSize="28px"
              fontWeight={600}
              padding="0"
              onClick={() => type(figures + key)}
              aria-label={key === '.' ? 'point' : key === '−' ? 'minus' : key}
            >
              {key}
            </Press>
          ))}
        </Grid>
        <Flex direction="column" gap="8px" flex="1">
          <Press type="submit" kind="take" height="120px" width="100%" flexDirection="column">
            Take
            <KeyCap>Enter</KeyCap>
          </Press>
          <Press
            size="bench"
            onClick={() => type(figures.slice(0, -1))}
            aria-label="Take the last figure back"
          >
            <Delete size={26} aria-hidden />
          </Press>
          {places.length > 1 && (
            <Press size="bench" onClick={() => goTo(stepFrom(places, here, 1))} aria-label="Next place">
              Next place <KeyCap>↓</KeyCap>
            </Press>
          )}
        </Flex>
      </Flex>
      {check.every && (
        <Press
          marginTop="8px"
          width="100%"
          aria-pressed={allRound}
          onClick={() => onMeasuring({ allRound: !allRound })}
        >
          {allRound
            ? `Only the ${check.places?.length ?? 1} required places`
            : `Read all ${check.every.count}, round the part`}
        </Press>
      )}
      {gauge.kind === STREAMING_KIND && (
        <BenchGauge
          place={{ index: Math.max(0, round.indexOf(here)), count: round.length }}
          unit={unit}
          onSend={(text) => void take(text)}
        />
      )}
      <Flex align="center" gap="8px" marginTop="8px" fontSize="13px">
        <span>Gauge</span>
        <Select aria-label="Gauge" value={gaugeId} onChange={(event) => setGaugeId(event.target.value)}>
          {gauges.map(({ id, name, resolution, unit: own }) => (
            <option key={id} value={id}>
              {name}, reads to {resolution} {UNIT_SYMBOL[own]}
            </option>
          ))}
        </Select>
      </Flex>
    </Box>
  );
}

/** Who measured this here before will reach for the same gauge again, or else for the one in hand; a simulated one comes last. */
function usualGauge(gauges: readonly Gauge[], readings: readonly Reading[], check: Check): string {
  const fits = (id: string) => gauges.some((gauge) => gauge.id === id);
  const before = readings.findLast((reading) => reading.checkId === check.id && fits(reading.gaugeId));
  const inHand = before ?? readings.findLast((reading) => fits(reading.gaugeId));
  return inHand?.gaugeId ?? gauges.find(({ kind }) => kind !== STREAMING_KIND)?.id ?? gauges[0]?.id ?? '';
}

/** Ten times outside the usual span asks once: it is nearly always a wrong unit or a slipped point. */
function isFarOff(value: number, { typical }: Check): boolean {
  if (!typical) return false;
  const span = Math.max(Math.abs(typical.from), Math.abs(typical.to));
  return (
    Math.abs(value) > span * 10 ||
    (typical.from > 0 && Math.abs(value) > 0 && Math.abs(value) < typical.from / 10)
  );
}
