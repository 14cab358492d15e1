'use client';

import { Box, chakra, Flex } from '@chakra-ui/react';
import { type ComponentProps, useState } from 'react';
import { parseReading } from '@/core/quantity/parseReading';
import { BEATS, LOADS, NOTHING_SAID, SOUNDS, SYMPTOMS, type Symptom, symptomKind } from '@/model/symptoms';
import { Field, TextField, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { OneOf } from '../kit/OneOf';
import { Press } from '../kit/Press';

/** As the model has it for a symptom’s speeds. */
const FASTEST = 300;

interface SymptomFormProps {
  /** The gears of the unit; empty where nobody has described them. */
  readonly gears: readonly string[];
  readonly symptoms: readonly Symptom[];
  readonly onChange: (symptoms: Symptom[]) => void;
}

/** What is complained of, by keys: each symptom asks what helps to find its place. */
export function SymptomForm({ gears, symptoms, onChange }: SymptomFormProps) {
  const chosen = (id: Symptom['id']) => symptoms.find((symptom) => symptom.id === id);
  const toggle = (id: Symptom['id']) =>
    onChange(
      chosen(id) ? symptoms.filter((symptom) => symptom.id !== id) : [...symptoms, { id, ...NOTHING_SAID }],
    );
  return (
    <chakra.fieldset border="none" padding="0" marginBottom="12px">
      <chakra.legend marginBottom="4px">Symptoms</chakra.legend>
      <Flex gap="8px" wrap="wrap">
        {SYMPTOMS.map(({ id, name }) => (
          <Press
            key={id}
            chosen={chosen(id) !== undefined}
            aria-pressed={chosen(id) !== undefined}
            onClick={() => toggle(id)}
          >
            {name}
          </Press>
        ))}
      </Flex>
      {symptoms.map((symptom) => (
        <OneSymptom
          key={symptom.id}
          gears={gears}
          symptom={symptom}
          onChange={(next) => onChange(symptoms.map((each) => (each.id === next.id ? next : each)))}
        />
      ))}
    </chakra.fieldset>
  );
}

const toggled = <T,>(list: readonly T[], entry: T): T[] =>
  list.includes(entry) ? list.filter((each) => each !== entry) : [...list, entry];

function OneSymptom({
  gears,
  symptom,
  onChange,
}: {
  readonly gears: readonly string[];
  readonly symptom: Symptom;
  readonly onChange: (symptom: Symptom) => void;
}) {
  const { name, asks } = symptomKind(symptom.id);
  const set = (over: Partial<Symptom>) => onChange({ ...symptom, ...over });
  const loadNames = LOADS.map((load) => load.name);
  const idOfLoad = (words: string) => LOADS.find((load) => load.name === words)!.id;
  return (
    <Box
      role="group"
      aria-label={name}
      marginTop="12px"
      paddingLeft="12px"
      borderLeft="2px solid"
      borderColor="rule"
    >
      <Box fontWeight={650} marginBottom="4px">
        {name}
      </Box>
      {asks.includes('gears') &&
        (gears.length > 0 ? (
          <OneOf
            label="In which gears (none: in all, or nobody knows)"
            options={gears}
            chosen={symptom.gears}
            onPress={(gear) => set({ gears: toggled(symptom.gears, gear) })}
          />
        ) : (
          <TypedGears symptom={symptom} set={set} />
        ))}
      {asks.includes('loads') && (
        <OneOf
          label="When"
          options={loadNames}
          chosen={symptom.loads.map((load) => LOADS.find(({ id }) => id === load)!.name)}
          onPress={(words) => set({ loads: toggled(symptom.loads, idOfLoad(words)) })}
        />
      )}
      {asks.includes('sounds') && (
        <OneOf
          label="How it sounds"
          options={SOUNDS}
          chosen={symptom.sounds}
          onPress={(sound) => set({ sounds: toggled(symptom.sounds, sound) })}
        />
      )}
      {asks.includes('beat') && (
        <OneOf
          label="Comes again"
          options={BEATS.map((beat) => beat.name)}
          chosen={BEATS.filter(({ id }) => id === symptom.beat).map((beat) => beat.name)}
          onPress={(words) => {
            const { id } = BEATS.find((beat) => beat.name === words)!;
            set({ beat: symptom.beat === id ? undefined : id });
          }}
        />
      )}
      {asks.includes('speed') && <Speeds symptom={symptom} set={set} />}
      <Box maxWidth="560px">
        <Field label="Anything else about it: cold or hot, since when">
          {(wiring) => (
            <TextInput
              {...wiring}
              value={symptom.when}
              maxLength={160}
              onChange={(event) => set({ when: event.target.value })}
            />
          )}
        </Field>
      </Box>
    </Box>
  );
}

interface Part {
  readonly symptom: Symptom;
  readonly set: (over: Partial<Symptom>) => void;
}

/** Gears of a unit that nobody has described. */
function TypedGears({ symptom, set }: Part) {
  const [typed, setTyped] = useState(symptom.gears.join(', '));
  return (
    <Box maxWidth="400px">
      <TextField
        label="In which gears, with commas between"
        value={typed}
        onText={(text) => {
          setTyped(text);
          set({ gears: text.split(',').flatMap((gear) => gear.trim() || []) });
        }}
      />
    </Box>
  );
}

/** A speed as people write it; what is no speed is said and not kept. */
function SpeedField({
  value,
  onSpeed,
  ...wiring
}: Omit<ComponentProps<typeof TextInput>, 'value' | 'onChange'> & {
  readonly value: number | undefined;
  readonly onSpeed: (kmh: number | undefined) => void;
}) {
  const [text, setText] = useState(value === undefined ? '' : String(value));
  const parsed = parseReading(text, { unit: 'km/h', largest: FASTEST });
  const wrong = text.trim() !== '' && (!parsed.ok || parsed.value < 0);
  return (
    <>
      <TextInput
        {...wiring}
        inputMode="decimal"
        value={text}
        aria-invalid={wrong || undefined}
        onChange={({ target }) => {
          setText(target.value);
          const read = parseReading(target.value, { unit: 'km/h', largest: FASTEST });
          onSpeed(read.ok && read.value >= 0 ? read.value : undefined);
        }}
      />
      {wrong && <ErrorNotice>A speed is a figure from 0 to {FASTEST} km/h.</ErrorNotice>}
    </>
  );
}

function Speeds({ symptom, set }: Part) {
  const speed = (label: string, value: number | undefined, onSpeed: (kmh: number | undefined) => void) => (
    <Box width="140px">
      <Field label={label}>{(wiring) => <SpeedField {...wiring} value={value} onSpeed={onSpeed} />}</Field>
    </Box>
  );
  return (
    <Flex gap="12px">
      {speed('From, km/h', symptom.fromKmh, (fromKmh) => set({ fromKmh }))}
      {speed('to, km/h', symptom.toKmh, (toKmh) => set({ toKmh }))}
    </Flex>
  );
}
