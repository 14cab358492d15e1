'use client';

import { Box } from '@chakra-ui/react';
import { shapeOfPlanes } from '@/core/metrology/planes';
import { atReference, isNearReference, REFERENCE_C } from '@/core/metrology/temperature';
import { baseUnit, convert, sameDimension } from '@/core/quantity/units';
import type { Reading } from '@/model/snapshot';
import type { Unit } from '@/model/units';
import { useFigures } from '../kit/figures';

interface NotesProps {
  readonly readings: readonly Reading[];
  readonly unit: Unit;
  readonly decimals: number;
}

/** Taper and out-of-round, once a diameter was read in two planes and two directions. */
export function PlanesNote({ readings, unit, decimals }: NotesProps) {
  const figures = useFigures(unit, decimals);
  const shape = shapeOfPlanes(
    readings.map(({ place, value, unit: own }) => ({ place, value: convert(value, baseUnit(own), unit) })),
  );
  if (!shape) return null;
  return (
    <Box marginTop="8px" data-testid="planes">
      Taper <strong>{figures.quantity(Math.abs(shape.taper))}</strong>
      {shape.taper === 0 ? '' : `, larger at plane ${shape.taper > 0 ? 'A' : 'B'}`}; out of round{' '}
      <strong>{figures.quantity(shape.outOfRound)}</strong>.
    </Box>
  );
}

/** What a warm or cold part would measure at the temperature that lengths are stated at. */
export function TemperatureNote({ readings, unit, decimals }: NotesProps) {
  const figures = useFigures(unit, decimals);
  const off = readings.findLast(
    ({ temperatureC }) => temperatureC !== null && !isNearReference(temperatureC),
  );
  if (!off || off.temperatureC === null || !sameDimension(unit, 'mm')) return null;
  const value = convert(atReference(off.value, off.temperatureC), 'mm', unit);
  return (
    <Box
      marginTop="8px"
      borderLeft="4px solid"
      borderColor="metal"
      paddingLeft="12px"
      data-testid="temperature"
    >
      Read at {off.temperatureC} °C. At {REFERENCE_C} °C a steel part would measure about{' '}
      <strong>{figures.quantity(value)}</strong>. The verdict is on the figure as taken: let the part come to
      the room and read again before it decides anything.
    </Box>
  );
}
