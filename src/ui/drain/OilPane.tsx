'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useEffect, useRef } from 'react';
import { tinykeys } from 'tinykeys';
import { formatNumber } from '@/core/quantity/format';
import { SHORT_OIL, tellDrained, tellsLevel } from '@/core/strip/tellDrained';
import { CAME_AS, OIL_COLOURS, OIL_SMELLS, WATER } from '@/model/records/drained';
import { typesInto } from '../frame/typesInto';
import { CaptureLine } from '../job/CaptureLine';
import { type OfJob, useBench } from '../job/useBench';
import { TextField, TextInput } from '../kit/Field';
import { figureOf } from '../kit/figureOf';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { Can, OIL_PAINT } from './Can';
import { Cells } from './Cells';
import { Magnet } from './Magnet';
import { type Oil, useOil } from './useOil';

/** The oil as an instrument: the can, what is seen in it, and the magnet; every key beside what it changes. */
export function OilPane(props: OfJob) {
  const { job } = props;
  const { rights } = useBench();
  const oil = useOil(props);
  const { sheet, last, isOpen, set, trouble } = oil;
  const belongs = job.snapshot.unitType.oil;
  const may = rights.includes('capture.take') && isOpen;
  const level = tellsLevel(sheet);
  useOilKeys(oil, may);
  return (
    <Box as="section" aria-label="The oil" data-testid="oil">
      <Heading as="h2" fontSize="24px" lineHeight="30px">
        {headOf(oil, belongs?.litres)}
        {belongs && (
          <Box as="span" fontSize="15px" fontWeight={400} color="second" marginLeft="12px">
            {belongs.kind}
          </Box>
        )}
      </Heading>
      <Flex gap="14px" wrap="wrap" marginTop="6px">
        <Box flex="0 1 262px" minWidth="180px">
          <Can
            sheet={sheet}
            belongs={belongs?.litres}
            tellsLevel={level}
            onLitres={may ? (litres) => set({ litres }) : undefined}
            onMore={may ? oil.more : undefined}
          />
          <Cells
            label="Water"
            words={WATER}
            chosen={only(sheet.water)}
            onPress={may ? (water) => set({ water }) : undefined}
          />
        </Box>
        <Box flex="1 1 210px" minWidth="0">
          <Box fontSize="13px">
            <strong>Litres that came out</strong>{' '}
            <Box as="span" color="second">
              or draw it; empty: not measured
            </Box>
          </Box>
          <Flex gap="6px">
            <Press
              flex="1"
              minHeight="56px"
              fontSize="24px"
              disabled={!may}
              aria-label="A tenth of a litre less"
              onClick={() => oil.more(-1)}
            >
              −
            </Press>
            <TextInput
              aria-label="Litres that came out"
              inputMode="decimal"
              width="84px"
              minHeight="56px"
              textAlign="center"
              fontSize="20px"
              readOnly={!may}
              value={sheet.litres}
              onChange={(event) => set({ litres: event.target.value })}
            />
            <Press
              flex="1"
              minHeight="56px"
              fontSize="24px"
              disabled={!may}
              aria-label="A tenth of a litre more"
              onClick={() => oil.more(1)}
            >
              +
            </Press>
          </Flex>
          <Cells
            label="The unit came"
            words={CAME_AS}
            chosen={only(sheet.cameAs)}
            onPress={may ? (cameAs) => set({ cameAs }) : undefined}
          />
          <Cells
            label="Colour"
            hint="against white paper"
            words={OIL_COLOURS}
            chosen={only(sheet.colour)}
            picture={(colour) => <Drop fill={OIL_PAINT[colour]} />}
            onPress={may ? (colour) => set({ colour }) : undefined}
          />
          <Cells
            label="Glitters"
            hint="tap all that you see"
            words={['none', 'grey', 'yellow']}
            chosen={
              sheet.glitter === undefined
                ? []
                : (['none', 'grey', 'yellow'] as const).filter((each) => sheet.glitter!.includes(each))
            }
            onPress={
              may
                ? (seen) => (seen === 'none' ? set({ glitter: 'none' }) : oil.toggleGlitter(seen))
                : undefined
            }
          />
          <Cells
            label="Smells"
            words={OIL_SMELLS}
            chosen={only(sheet.smell)}
            onPress={may ? (smell) => set({ smell }) : undefined}
          />
        </Box>
      </Flex>
      <Magnet job={job} found={sheet.magnet} onPress={may ? oil.toggleMagnet : undefined} />
      {may && <TextField label="Anything else" value={sheet.note} onText={(note) => set({ note })} />}
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      {may && (
        <Press kind="take" size="bench" width="100%" marginTop="8px" onClick={() => void oil.setDown()}>
          Set it down
        </Press>
      )}
      {last && !isOpen && (
        <CaptureLine kind="record" capture={{ ...last, struck: null }} job={job}>
          {tellDrained(last.content, belongs?.litres)}
        </CaptureLine>
      )}
      {last && !isOpen && rights.includes('capture.take') && (
        <Press marginTop="8px" onClick={oil.again}>
          Put it down again
        </Press>
      )}
    </Box>
  );
}

const only = <Said extends string>(said: Said | undefined): Said[] => (said === undefined ? [] : [said]);

function headOf({ sheet, last, isOpen }: Oil, belongs: number | undefined): string {
  const litres = figureOf(sheet.litres);
  if (litres === undefined || Number.isNaN(litres))
    return last && !isOpen ? 'Nobody measured the oil' : 'Nothing is put down about the oil yet';
  if (belongs === undefined) return `${formatNumber(litres, 1)} litres; how much belongs in it isn’t known`;
  const less = belongs - litres;
  if (!tellsLevel(sheet))
    return `${formatNumber(litres, 1)} of ${formatNumber(belongs, 1)} litres; short can’t be told`;
  if (litres < SHORT_OIL * belongs) return `${formatNumber(less, 1)} litres short`;
  return less < -0.05
    ? `${formatNumber(-less, 1)} litres too much`
    : `${formatNumber(litres, 1)} of ${formatNumber(belongs, 1)} litres`;
}

const Drop = ({ fill }: { readonly fill: string }) => (
  <svg width={20} height={26} viewBox="0 0 20 26" aria-hidden="true">
    <path
      d="M10 2C14 9 18 13 18 17.5A8 8 0 0 1 2 17.5C2 13 6 9 10 2Z"
      fill={fill}
      stroke="currentColor"
      strokeWidth={1.6}
    />
  </svg>
);

/** + and − level, 1 to 6 colour, G and Y glitter, Enter sets it down. */
function useOilKeys(oil: Oil, may: boolean) {
  const acts = useRef(oil);
  acts.current = oil;
  useEffect(() => {
    if (!may) return;
    const on = (act: (oil: Oil) => void) => (event: KeyboardEvent) => {
      const target = event.target as HTMLElement | null;
      if (typesInto(target) || (event.key === 'Enter' && target?.closest('button, a, [role="button"]')))
        return;
      event.preventDefault();
      act(acts.current);
    };
    const colours = OIL_COLOURS.map(
      (colour, nth) => [String(nth + 1), on(({ set }) => set({ colour }))] as const,
    );
    return tinykeys(window, {
      ...Object.fromEntries(colours),
      '+': on(({ more }) => more(1)),
      'Shift++': on(({ more }) => more(1)),
      '-': on(({ more }) => more(-1)),
      g: on(({ toggleGlitter }) => toggleGlitter('grey')),
      y: on(({ toggleGlitter }) => toggleGlitter('yellow')),
      Enter: on(({ setDown }) => void setDown()),
    });
  }, [may]);
}
