'use client';

import { Box, chakra, Flex, Grid } from '@chakra-ui/react';
import { Delete } from 'lucide-react';
import { useRef, useState } from 'react';
import { gaugesFor, usualGauge } from '@/core/metrology/gaugesFor';
import { placesOf } from '@/core/metrology/places';
import { REFERENCE_C } from '@/core/metrology/temperature';
import { parseReading } from '@/core/quantity/parseReading';
import { padUnit } from '@/core/quantity/readsIn';
import { baseUnit, convert, unitsAlike } from '@/core/quantity/units';
import type { Check } from '@/model/checks';
import { standInOfKind } from '@/model/standIn';
import { UNIT_SYMBOL, type Unit } from '@/model/units';
import { KeyCap } from '../frame/KeysHelp';
import { BenchGauge } from '../gauge/BenchGauge';
import { keptOr } from '../job/keptOr';
import { type OfPart, useBench } from '../job/useBench';
import { Select, TextInput } from '../kit/Field';
import { useReadsIn } from '../kit/figures';
import { EmptyState, ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { heldNow, placeNow, type ReadingPlace, stepFrom } from './seriesWalk';
import { stackToTake } from './stackToTake';
import { TakenWith } from './TakenWith';
import { useMeasuring } from './useMeasuring';

/** As high as the screen allows: figure, gauge and keys are to be in sight together on a tablet lying on its side. */
const KEY_HEIGHT = 'clamp(44px, calc((100dvh - 592px) / 4), 56px)';
const KEYS = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '.', '0', '−'] as const;

interface ReadingPadProps extends OfPart {
  readonly check: Check;
  readonly reading: ReadingPlace;
  /** Asked when nothing is typed and taken: whether all of it is read, and the next check comes into hand. */
  readonly onDone?: () => boolean;
  /** All of it is read and another check waits: with nothing typed the large key goes on to it. */
  readonly goesOn?: boolean;
}

/** The big figures, the pad, the gauge. A keyboard, or a gauge that types like one, fills the same field. */
export function ReadingPad({ part, job, check, reading, onDone, goesOn = false }: ReadingPadProps) {
  const { tellKept } = useBench();
  const [measuring, onMeasuring] = useMeasuring();
  const gauges = gaugesFor(
    job.snapshot.gauges.filter(({ home }) => !home),
    check,
  );
  const [gaugeId, setGaugeId] = useState(() => usualGauge(gauges, job.snapshot.readings, check));
  const gauge = gauges.find(({ id }) => id === gaugeId);
  const readsIn = useReadsIn();
  const [unit, setUnit] = useState<Unit>(() => padUnit(check, readsIn));
  const stack = stackToTake(job.snapshot, check, part.position.id);
  const [figures, setFigures] = useState(() => (stack ? stack.figures(unit) : ''));
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
  const held = heldNow(job.snapshot, check, part.position.id, measuring);
  const holding = measuring.held === undefined ? {} : { held: measuring.held };
  const goTo = (at: string | undefined) =>
    onMeasuring({ allRound, ...holding, ...(at === undefined ? {} : { at }) });
  if (!gauge) return <EmptyState>No gauge of this shop measures {UNIT_SYMBOL[check.unit]}.</EmptyState>;

  const type = (text: string) => {
    setTrouble('');
    setSure(false);
    setFigures(text);
  };
  const take = async (text = figures, takenIn = unit) => {
    if (text.trim() === '' && onDone?.()) return;
    const parsed = parseReading(text, { unit: UNIT_SYMBOL[takenIn] });
    if (!parsed.ok) return setTrouble(parsed.message);
    const temperature = warmth.trim() === '' ? undefined : parseReading(warmth, { unit: '°C' });
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
    const heldHere = heldNow(job.now(), check, part.position.id, chosen.current).trim();
    chosen.current = { allRound, ...holding };
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
      ...(heldHere === '' ? {} : { held: heldHere }),
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
              {goesOn ? `${here} again` : here}
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
      {stack && (
        <Box fontSize="13px" marginTop="4px" data-testid="stack-from-strip">
          {stack.words} Take it, or measure the stack and type over it.
        </Box>
      )}
      <TakenWith
        {...{ check, gauges, gauge, held }}
        onGauge={setGaugeId}
        onHeld={(next) => onMeasuring({ allRound, held: next })}
      />
      <Flex gap="8px" marginTop="8px">
        <Grid templateColumns="repeat(3, minmax(64px, 76px))" gap="8px">
          {KEYS.map((key) => (
            <Press
              key={key}
              height={KEY_HEIGHT}
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
          <Press
            type="submit"
            kind="take"
            height={`calc(2 * ${KEY_HEIGHT} + 8px)`}
            width="100%"
            flexDirection="column"
          >
            {goesOn && figures.trim() === '' ? 'Next check' : 'Take'}
            <KeyCap>Enter</KeyCap>
          </Press>
          <Press
            minHeight={KEY_HEIGHT}
            onClick={() => type(figures.slice(0, -1))}
            aria-label="Take the last figure back"
          >
            <Delete size={26} aria-hidden />
          </Press>
          {places.length > 1 && (
            <Press
              minHeight={KEY_HEIGHT}
              onClick={() => goTo(stepFrom(places, here, 1))}
              aria-label="Next place"
            >
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
            onMeasuring({ allRound: !allRound, ...holding });
            field.current?.focus();
          }}
        >
          {allRound ? onlyRequired(check) : `Read all ${check.every.count}, round the part`}
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
    </Box>
  );
}

/** Back from all round to what the check can't do without. */
const onlyRequired = ({ places = [] }: Check): string =>
  places.length === 0
    ? 'At one place only'
    : places.length === 1
      ? 'Only the one required place'
      : `Only the ${places.length} required places`;

/** The size that a check usually finds, in millimetres: what lies between the jaws of a stand-in. */
function usualSize({ typical, limits, unit }: Check): number {
  const [limit] = limits;
  const size = limit?.aim ?? limit?.max ?? limit?.min ?? (typical ? (typical.from + typical.to) / 2 : 0);
  return Math.min(300, Math.max(0, convert(size, limit?.unit ?? unit, baseUnit(unit))));
}

/** Ten times outside the usual span asks once: it is nearly always a wrong unit or a slipped point. */
export function isFarOff(value: number, { typical }: Check): boolean {
  if (!typical) return false;
  const span = Math.max(Math.abs(typical.from), Math.abs(typical.to));
  return (
    Math.abs(value) > span * 10 ||
    (typical.from > 0 && Math.abs(value) > 0 && Math.abs(value) < typical.from / 10)
  );
}
