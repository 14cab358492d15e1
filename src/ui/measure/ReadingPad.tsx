'use client';

import { Box, chakra, Flex, Grid } from '@chakra-ui/react';
import { Delete } from 'lucide-react';
import { useRef, useState } from 'react';
import { placesOf } from '@/core/metrology/places';
import { REFERENCE_C } from '@/core/metrology/temperature';
import { parseReading } from '@/core/quantity/parseReading';
import { baseUnit, convert, sameDimension, unitsAlike } from '@/core/quantity/units';
import type { Check } from '@/model/checks';
import type { Gauge, Reading } from '@/model/snapshot';
import { standInOfKind } from '@/model/standIn';
import { UNIT_SYMBOL, type Unit } from '@/model/units';
import { KeyCap } from '../frame/KeysHelp';
import { BenchGauge } from '../gauge/BenchGauge';
import { keptOr } from '../job/keptOr';
import { type OfPart, useBench } from '../job/useBench';
import { Select, TextInput } from '../kit/Field';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { placeNow, type ReadingPlace, stepFrom } from './seriesWalk';
import { useMeasuring } from './useMeasuring';

const KEYS = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '.', '0', '−'] as const;

interface ReadingPadProps extends OfPart {
  readonly check: Check;
  readonly reading: ReadingPlace;
}

/** The big figures, the pad, the gauge. A keyboard, or a gauge that types like one, fills the same field. */
export function ReadingPad({ part, job, check, reading }: ReadingPadProps) {
  const { tellKept } = useBench();
  const [measuring, onMeasuring] = useMeasuring();
  const gauges = gaugesFor(job.snapshot.gauges, check);
  const [gaugeId, setGaugeId] = useState(() => usualGauge(gauges, job.snapshot.readings, check));
  const gauge = gauges.find(({ id }) => id === gaugeId);
  const [unit, setUnit] = useState<Unit>(check.unit);
  const [figures, setFigures] = useState('');
  const [trouble, setTrouble] = useState('');
  const [sure, setSure] = useState(false);
  const [warmth, setWarmth] = useState('');
  const { places, here, allRound } = reading;
  const round = placesOf(check);
  const standIn = gauge && standInOfKind(gauge.kind);
  // What was chosen last, also before the screen has followed: two fast keys are two places.
  const field = useRef<HTMLInputElement>(null);
  const chosen = useRef(measuring);
  chosen.current = measuring;
  const goTo = (at: string | undefined) => onMeasuring({ allRound, ...(at === undefined ? {} : { at }) });
  if (!gauge) return <EmptyState>No gauge of this shop measures {UNIT_SYMBOL[check.unit]}.</EmptyState>;

  const type = (text: string) => {
    setTrouble('');
    setSure(false);
    setFigures(text);
  };
  const take = async (text = figures, takenIn = unit) => {
    const parsed = parseReading(text);
    if (!parsed.ok) return setTrouble(parsed.message);
    const temperature = warmth.trim() === '' ? undefined : parseReading(warmth);
    if (temperature?.ok === false) return setTrouble(`Temperature of the part: ${temperature.message}`);
    if (takenIn !== unit) setUnit(takenIn);
    if (!sure && isFarOff(convert(parsed.value, takenIn, check.unit), check)) {
      setFigures(text);
      setSure(true);
      return setTrouble(
        `${parsed.shown} ${UNIT_SYMBOL[takenIn]} is far from what is usual here. Is the unit right? Take it again if it is so.`,
      );
    }
    // Where it belongs is taken now, from the job as it stands: the screen may not have followed the last one yet.
    const place = placeNow(job.now(), check, part.position.id, chosen.current);
    chosen.current = { allRound };
    type('');
    goTo(undefined);
    const content = {
      positionId: part.position.id,
      checkId: check.id,
      place,
      raw: parsed.shown,
      unit: takenIn,
      gaugeId,
      ...(temperature?.ok ? { temperatureC: temperature.value } : {}),
    };
    const taken = job.take('reading', content);
    tellKept({
      kind: 'reading',
      captureId: taken.id,
      words: `${place ? `${place} taken: ` : 'Taken: '}${parsed.shown} ${UNIT_SYMBOL[takenIn]}`,
    });
    const wrong = await keptOr(taken, 'take it again');
    if (wrong !== '') {
      setFigures(text);
      return setTrouble(wrong);
    }
    await job.sendWaiting();
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
          ref={field}
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
          onClick={() => {
            onMeasuring({ allRound: !allRound });
            field.current?.focus();
          }}
        >
          {allRound
            ? `Only the ${check.places?.length ?? 1} required places`
            : `Read all ${check.every.count}, round the part`}
        </Press>
      )}
      {standIn && (
        <BenchGauge
          touch={{
            gauge: standIn,
            index: Math.max(0, round.indexOf(here)),
            count: round.length,
            nominal: usualSize(check),
          }}
          onSend={(text, shownIn) => void take(text, shownIn)}
        />
      )}
      {check.temperature && (
        <Flex align="center" gap="8px" marginTop="8px" fontSize="13px">
          <label htmlFor="temperature">Part at</label>
          <TextInput
            id="temperature"
            value={warmth}
            onChange={(event) => setWarmth(event.target.value)}
            inputMode="decimal"
            autoComplete="off"
            width="90px"
          />
          <span>°C, lengths are stated at {REFERENCE_C} °C</span>
        </Flex>
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

/** The gauges that read this quantity, those of a kind that suits the check first. */
function gaugesFor(gauges: readonly Gauge[], { unit, gaugeKinds }: Check): Gauge[] {
  const suits = ({ kind }: Gauge) => (gaugeKinds as readonly string[] | undefined)?.includes(kind) ?? true;
  const able = gauges.filter((gauge) => sameDimension(gauge.unit, unit));
  return [...able.filter(suits), ...able.filter((gauge) => !suits(gauge))];
}

/** The size that a check usually finds, in millimetres: what lies between the jaws of a stand-in. */
function usualSize({ typical, limits, unit }: Check): number {
  const [limit] = limits;
  const size = limit?.aim ?? limit?.max ?? limit?.min ?? (typical ? (typical.from + typical.to) / 2 : 0);
  return Math.min(300, Math.max(0, convert(size, limit?.unit ?? unit, baseUnit(unit))));
}

/** Who measured this here before will reach for the same gauge again, or else for the one in hand; a simulated one comes last. */
function usualGauge(gauges: readonly Gauge[], readings: readonly Reading[], check: Check): string {
  const fits = (id: string) => gauges.some((gauge) => gauge.id === id);
  const before = readings.findLast((reading) => reading.checkId === check.id && fits(reading.gaugeId));
  const inHand = before ?? readings.findLast((reading) => fits(reading.gaugeId));
  return inHand?.gaugeId ?? gauges.find(({ kind }) => !standInOfKind(kind))?.id ?? gauges[0]?.id ?? '';
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
