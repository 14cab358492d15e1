'use client';

import { Box, Heading } from '@chakra-ui/react';
import { thrusts } from '@/core/gearing/thrust';
import type { DescribedTrain } from '@/core/gearing/trainOfType';
import { formatNumber } from '@/core/quantity/format';
import type { UnitType } from '@/model/unitType';
import { Press } from '../kit/Press';
import { Table } from '../kit/Table';

interface PushesProps {
  readonly unitType: UnitType;
  readonly inGear: DescribedTrain;
  readonly onOpen: (positionId: string) => void;
}

/** Which flanks carry, where each shaft is pushed, and which bearing takes it: the other one on coast. */
export function Pushes({ unitType, inGear, onOpen }: PushesProps) {
  const found = thrusts(unitType, inGear);
  const flanks = flanksOf(unitType, inGear);
  if (found.length === 0 && flanks.length === 0) return null;
  const bodyName = (id: string) => unitType.bodies.find((body) => body.id === id)?.name ?? id;
  const positionName = (id: string) => unitType.positions.find((position) => position.id === id)?.name ?? id;
  return (
    <Box data-testid="pushes" marginBottom="16px">
      <Heading as="h3" fontSize="16px">
        Under load on {inGear.coast ? 'coast' : 'drive'}
      </Heading>
      {flanks.length > 0 && (
        <Box marginBottom="4px">
          <strong>Flanks that carry:</strong> {flanks.join('; ')}.
        </Box>
      )}
      {found.length > 0 && (
        <Table heads={['Pushed along its axis', 'Toward', 'N for each N m', 'Taken by']} label="Thrust">
          {found.map(({ body, toward, force, takenBy }) => (
            <tr key={body}>
              <td>{bodyName(body)}</td>
              <td>{wayOnSheet(unitType, body, toward)}</td>
              <td>{formatNumber(force, 1)}</td>
              <td>
                {takenBy.length === 0 && 'shoulder or washer'}
                {takenBy.map((id) => (
                  <Press
                    key={id}
                    kind="quiet"
                    paddingInline="0"
                    marginRight="12px"
                    onClick={() => onOpen(id)}
                  >
                    {positionName(id)}
                  </Press>
                ))}
              </td>
            </tr>
          ))}
        </Table>
      )}
    </Box>
  );
}

const flanksOf = (unitType: UnitType, inGear: DescribedTrain): string[] =>
  unitType.gears
    .filter(({ id }) => inGear.loadedMeshes.some(({ a, b }) => a === id || b === id))
    .flatMap(({ position, flanks }) => {
      const name = unitType.positions.find(({ id }) => id === position)?.name ?? position;
      return flanks ? [`${name} ${inGear.coast ? flanks.coast : flanks.drive}`] : [];
    });

/** In the words of the drawing. */
function wayOnSheet(unitType: UnitType, body: string, toward: 'high' | 'low'): string {
  const axis = unitType.axes.find(({ id }) => id === unitType.bodies.find((each) => each.id === body)?.axis);
  const [x, y] = axis?.direction ?? [1, 0];
  const sign = toward === 'high' ? 1 : -1;
  if (Math.abs(x) >= Math.abs(y)) return x * sign > 0 ? 'the right' : 'the left';
  return y * sign > 0 ? 'below' : 'above';
}
