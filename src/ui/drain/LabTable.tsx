'use client';

import { Box, Flex } from '@chakra-ui/react';
import Papa from 'papaparse';
import { useRef, useState } from 'react';
import { guessOil } from '@/core/strip/labSample';
import { guessColumns, type LabColumns, readLabTable } from '@/core/strip/labTable';
import { TABLE_LINES } from '@/model/ids';
import type { OfJob } from '../job/useBench';
import { useKeep } from '../job/useKeep';
import { Field, Select, TextArea, TextField } from '../kit/Field';
import { FileDrop } from '../kit/FileDrop';
import { figureOf } from '../kit/figureOf';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { useKept } from '../kit/useKept';
import type { Answered } from './SentSamples';

/** Characters of a table that the browser keeps for this person. */
const LONGEST = 500_000;
const EMPTY = { sample: '', distance: '', table: '', oil: '', age: '' };

/** A laboratory's table, from a file or pasted: its columns are named, each bad line says why, the good ones are kept. */
export function LabTable(
  props: OfJob & { readonly answer?: Answered | undefined; readonly onTaken?: () => void },
) {
  const { answer, onTaken, job } = props;
  const keep = useKeep(props.job);
  const thresholds = job.snapshot.catalogs['oil-thresholds'];
  const { job: of, unitType } = job.snapshot;
  const oil = guessOil(of.oilClaimed || (unitType.oil?.kind ?? ''), thresholds) ?? '';
  const [text, setText, forget] = useKept(`lab ${of.id} ${answer?.answersId ?? ''}`, {
    ...{ ...EMPTY, oil },
    ...answer,
  });
  const latest = useRef(text);
  latest.current = text;
  const [chosen, setChosen] = useState<Partial<LabColumns>>({});
  const [trouble, setTrouble] = useState('');
  const [heads = [], ...rows] = tableOf(text.table);
  const columns = { ...guessColumns(heads), ...chosen };
  const { element, value } = columns;
  const lines =
    element !== undefined && value !== undefined
      ? readLabTable(rows, { ...columns, element, value }, thresholds)
      : [];
  const good = lines.flatMap((line) =>
    line.element !== undefined && line.value !== undefined
      ? [{ element: line.element, value: line.value }]
      : [],
  );
  const setTable = (table: string) => {
    const count = table.split('\n').length;
    if (count > TABLE_LINES || table.length > LONGEST) {
      setTrouble(
        `That table is too long: at most ${TABLE_LINES} lines and half a million characters. What was here before is still here.`,
      );
      return;
    }
    setTrouble('');
    setText({ ...text, table });
  };
  const take = async () => {
    const [distanceKm, oilAgeKm] = [figureOf(text.distance), figureOf(text.age)];
    for (const [typed, figure] of [
      [text.distance, distanceKm],
      [text.age, oilAgeKm],
    ] as const)
      if (figure !== undefined && Number.isNaN(figure)) return setTrouble(`“${typed}” is no distance.`);
    const wrong = await keep(
      {
        what: 'lab',
        sample: text.sample,
        ...(distanceKm === undefined ? {} : { distanceKm }),
        ...(text.oil === '' ? {} : { oil: text.oil }),
        ...(oilAgeKm === undefined ? {} : { oilAgeKm }),
        values: good,
        note: '',
        ...(answer ? { answersId: answer.answersId } : {}),
      },
      `${text.sample} is put down`,
    );
    setTrouble(wrong ?? '');
    if (wrong) return;
    // The next table may stand there already: whoever types fast has not waited.
    if (latest.current === text) {
      forget();
      setChosen({});
    }
    onTaken?.();
  };
  return (
    <Box
      as="form"
      marginTop="12px"
      onSubmit={(event) => {
        event.preventDefault();
        void take();
      }}
    >
      <Flex gap="12px" wrap="wrap" css={{ '& > *': { flex: '1 1 200px' } }}>
        <TextField label="Sample" value={text.sample} onText={(sample) => setText({ ...text, sample })} />
        <TextField
          label="Taken at, km"
          value={text.distance}
          onText={(distance) => setText({ ...text, distance })}
          inputMode="decimal"
        />
        {thresholds.oils && (
          <>
            <Field label="Which oil it is">
              {(wiring) => (
                <Select
                  {...wiring}
                  value={text.oil}
                  onChange={(event) => setText({ ...text, oil: event.target.value })}
                >
                  <option value="">another one: the trend alone</option>
                  {thresholds.oils?.map(({ id, name }) => (
                    <option key={id} value={id}>
                      {name}
                    </option>
                  ))}
                </Select>
              )}
            </Field>
            <TextField
              label="How far this oil had gone, km"
              hint="Without it no limit judges it."
              value={text.age}
              onText={(age) => setText({ ...text, age })}
              inputMode="decimal"
            />
          </>
        )}
      </Flex>
      <FileDrop
        label="The laboratory’s table (CSV)"
        what="a CSV file"
        accept={{ 'text/csv': ['.csv'], 'text/plain': ['.txt'] }}
        onFile={(file) => void file.text().then(setTable)}
      />
      <Field label="Or typed and pasted, heads first" hint="element; value; unit">
        {(wiring) => (
          <TextArea
            {...wiring}
            rows={4}
            fontSize="13px"
            value={text.table}
            onChange={(event) => setTable(event.target.value)}
          />
        )}
      </Field>
      {heads.length > 0 && (
        <Flex gap="12px" wrap="wrap" css={{ '& > *': { flex: '1 1 160px' } }}>
          {(['element', 'value', 'unit'] as const).map((name) => (
            <Field key={name} label={`Column of the ${name}`}>
              {(wiring) => (
                <Select
                  {...wiring}
                  value={columns[name] ?? ''}
                  onChange={(event) => {
                    const { [name]: _, ...rest } = chosen;
                    setChosen(
                      event.target.value === '' ? rest : { ...rest, [name]: Number(event.target.value) },
                    );
                  }}
                >
                  <option value="">{name === 'unit' ? 'none: ppm' : 'choose'}</option>
                  {heads.map((head, index) => (
                    <option key={index} value={index}>
                      {head || `column ${index + 1}`}
                    </option>
                  ))}
                </Select>
              )}
            </Field>
          ))}
        </Flex>
      )}
      {lines.length > 0 && (
        <Box data-testid="lab-lines" marginBottom="8px">
          {good.length} of {lines.length} lines can be taken.
          {lines
            .filter(({ message }) => message !== undefined)
            .map(({ line, message }) => (
              <Box key={line} color="oxide">
                Line {line}: {message}
              </Box>
            ))}
        </Box>
      )}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      <Press type="submit" disabled={good.length === 0 || text.sample.trim() === ''}>
        {good.length === 1 ? 'Take 1 figure' : `Take ${good.length} figures`}
      </Press>
    </Box>
  );
}

/** Separators are found by the parser; lines without anything in them are none. */
const tableOf = (text: string): string[][] =>
  text.trim() === '' ? [] : Papa.parse<string[]>(text.trim(), { skipEmptyLines: 'greedy' }).data;
