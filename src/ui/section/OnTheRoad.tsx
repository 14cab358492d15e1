'use client';

import { Box, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { roadOrders } from '@/core/gearing/roadOrders';
import type { TrainInGear } from '@/core/gearing/trainOfType';
import { formatNumber } from '@/core/quantity/format';
import { parseReading } from '@/core/quantity/parseReading';
import type { UnitType } from '@/model/unitType';
import { FigureRow } from '../kit/FigureRow';
import { EmptyState } from '../kit/Notice';
import { Table } from '../kit/Table';

const USUAL = { speed: '60', rollingCircumference: '2.2', outputPerWheel: '' };

/** How often each member comes round at the road speed of the complaint. */
export function OnTheRoad({
  unitType,
  inGear,
}: {
  readonly unitType: UnitType;
  readonly inGear: TrainInGear;
}) {
  const isAxle = (unitType.power?.outputs.length ?? 0) > 1;
  const [text, setText] = useState({ ...USUAL, outputPerWheel: isAxle ? '1' : '4.1' });
  const [speed, rollingCircumference, outputPerWheel] = [
    text.speed,
    text.rollingCircumference,
    text.outputPerWheel,
  ].map((figures) => {
    const parsed = parseReading(figures);
    return parsed.ok && parsed.value > 0 ? parsed.value : undefined;
  });
  const fields = [
    ['speed', 'Road speed, km/h'],
    ['rollingCircumference', 'Wheel rolls, m a turn'],
    ...(isAxle ? [] : [['outputPerWheel', 'Ratio of the axle behind it'] as const]),
  ] as const;
  const orders =
    speed && rollingCircumference && outputPerWheel
      ? roadOrders(unitType, inGear, { speed, rollingCircumference, outputPerWheel })
      : undefined;
  return (
    <Box data-testid="road-orders">
      <Heading as="h3" fontSize="16px">
        On the road
      </Heading>
      <FigureRow fields={fields} text={text} onText={(name, typed) => setText({ ...text, [name]: typed })} />
      {!orders && <EmptyState>Speed, wheel and ratio are figures greater than 0.</EmptyState>}
      {orders && (
        <>
          {orders.oncePerTurn.length > 0 && (
            <Box marginBottom="4px">
              <strong>Once per wheel turn:</strong> {orders.oncePerTurn.join(', ')}. Tyre, hub and disc come
              round with them: look there first.
            </Box>
          )}
          <Table heads={['What comes round', 'Per wheel turn', 'Per second']} label="Orders on the road">
            {[...orders.bodies, ...orders.meshes].map(({ name, perWheelTurn, perSecond }, index) => (
              <tr key={index}>
                <td>{name}</td>
                <td>{formatNumber(perWheelTurn, 2)}</td>
                <td>{formatNumber(perSecond, 1)}</td>
              </tr>
            ))}
          </Table>
        </>
      )}
    </Box>
  );
}
