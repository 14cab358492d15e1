'use client';

import { Box, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import * as v from 'valibot';
import { OtherRatioInputSchema, otherRatio } from '@/core/gearing/otherRatio';
import { formatNumber } from '@/core/quantity/format';
import { parseReading } from '@/core/quantity/parseReading';
import { FigureRow } from '../kit/FigureRow';
import { Table } from '../kit/Table';

const FIELDS = [
  ['otherPinionTeeth', 'Other set, smaller'],
  ['otherRingTeeth', 'Other set, larger'],
  ['speed', 'Road speed, km/h'],
  ['rollingCircumference', 'Wheel rolls, m a turn'],
  ['gearRatio', 'Ratio of the gear driven in'],
] as const;
type FieldName = (typeof FIELDS)[number][0];

const USUAL: Record<FieldName, string> = {
  otherPinionTeeth: '',
  otherRingTeeth: '',
  speed: '80',
  rollingCircumference: '2.2',
  gearRatio: '1',
};

/** What another ring and pinion would do: engine speed on the road, and how strong its pinion would be. */
export function OtherRatio({
  pinionTeeth,
  ringTeeth,
}: {
  readonly pinionTeeth: number;
  readonly ringTeeth: number;
}) {
  const [text, setText] = useState(USUAL);
  const input = v.safeParse(OtherRatioInputSchema, { pinionTeeth, ringTeeth, ...numbersOf(text) });
  const begun = text.otherPinionTeeth !== '' && text.otherRingTeeth !== '';
  return (
    <Box marginTop="16px" data-testid="other-ratio">
      <Heading as="h3" fontSize="16px">
        With another ratio
      </Heading>
      <FigureRow
        fields={FIELDS}
        text={text}
        onText={(name, typed) => setText({ ...text, [name]: typed })}
        templateColumns="repeat(auto-fill, minmax(120px, 1fr))"
      />
      {begun && !input.success && (
        <Box color="oxide" role="alert">
          {labelOf(v.getDotPath(input.issues[0]))}: {input.issues[0].message}
        </Box>
      )}
      {begun && input.success && <Effects {...otherRatio(input.output)} />}
    </Box>
  );
}

const labelOf = (path: string | null): string => FIELDS.find(([name]) => name === path)?.[1] ?? path ?? '';

const numbersOf = (text: typeof USUAL): Record<string, number> =>
  Object.fromEntries(
    Object.entries(text).map(([name, figures]) => {
      const parsed = parseReading(figures);
      return [name, parsed.ok ? parsed.value : Number.NaN];
    }),
  );

function Effects(effect: ReturnType<typeof otherRatio>) {
  const percent = (factor: number) =>
    Math.abs(factor - 1) < 0.005
      ? 'the same'
      : `${factor >= 1 ? '+' : '−'}${formatNumber(Math.abs(factor - 1) * 100, 0)} %`;
  return (
    <>
      <Table heads={['Of the ratio', 'Now', 'Other set']}>
        <tr>
          <td>Ratio</td>
          <td>{formatNumber(effect.ratio, 3)}</td>
          <td>{formatNumber(effect.otherRatio, 3)}</td>
        </tr>
        <tr>
          <td>Engine, turns a minute</td>
          <td>{formatNumber(effect.engineSpeed, 0)}</td>
          <td>{formatNumber(effect.otherEngineSpeed, 0)}</td>
        </tr>
        <tr>
          <td>Size of a tooth</td>
          <td />
          <td>{percent(effect.relativeToothSize)}</td>
        </tr>
        <tr>
          <td>Diameter of the smaller gear</td>
          <td />
          <td>{percent(effect.relativePinionDiameter)}</td>
        </tr>
      </Table>
      <Box fontSize="13px" color="second">
        For a ring of the same outside diameter, the hypoid offset left out. Whether such a set fits the
        housing and the speedometer is for the maker’s book.
      </Box>
    </>
  );
}
