'use client';

import { Box, Grid, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { roadOrders } from '@/core/gearing/roadOrders';
import { suspectsOf } from '@/core/gearing/suspects';
import type { TrainInGear } from '@/core/gearing/trainOfType';
import { formatNumber } from '@/core/quantity/format';
import { parseReading } from '@/core/quantity/parseReading';
import type { UnitType } from '@/model/unitType';
import { TextField } from '../kit/Field';
import { EmptyState } from '../kit/Notice';
import { Press } from '../kit/Press';
import { Table } from '../kit/Table';

interface PowerPanelProps {
  readonly unitType: UnitType;
  readonly gear: string;
  readonly inGear: TrainInGear;
  readonly onOpen: (positionId: string) => void;
}

/** What the chosen gear does: ratio, turns and torque of each member, what only this gear loads, and orders on the road. */
export function PowerPanel({ unitType, gear, inGear, onOpen }: PowerPanelProps) {
  if (!inGear.described) return <EmptyState>{inGear.missing}</EmptyState>;
  const { train, ratio } = inGear;
  const nameOf = (id: string) => unitType.bodies.find((body) => body.id === id)?.name ?? id;
  if (train.status === 'free')
    return (
      <Box data-testid="power-panel" marginTop="8px">
        <strong>{gear}: no drive.</strong> Nothing holds {(train.free ?? []).map(nameOf).join(', ')}.
      </Box>
    );
  if (train.status === 'locked')
    return (
      <Box data-testid="power-panel" marginTop="8px">
        <strong>{gear}: locked.</strong> It would turn if one of these let go:{' '}
        {(train.lockedBy ?? [])
          .map((by) => ('tied' in by ? by.tied.map(nameOf).join(' to ') : nameOf(by.held)))
          .join('; ')}
        .
      </Box>
    );
  return (
    <Box data-testid="power-panel" marginTop="8px" borderTop="1px solid" borderColor="rule" paddingTop="8px">
      <Grid templateColumns={{ base: '1fr', lg: '1fr 1fr' }} gap="32px">
        <Box>
          <Box fontSize="20px" fontWeight={650}>
            {gear}: ratio {ratio === undefined ? '–' : formatNumber(Math.abs(ratio), 3)}
            {ratio !== undefined && ratio < 0 && parallel(unitType) ? ', the output turns backwards' : ''}
          </Box>
          <Members unitType={unitType} train={train} />
        </Box>
        <Box>
          <Suspects unitType={unitType} gear={gear} onOpen={onOpen} />
          <OnTheRoad unitType={unitType} inGear={inGear} />
        </Box>
      </Grid>
    </Box>
  );
}

/** Between crossing axes there is no backwards. */
const parallel = ({ gears }: UnitType): boolean =>
  !gears.some(({ kind }) => kind === 'bevel' || kind === 'hypoid');

function Members({
  unitType,
  train,
}: {
  readonly unitType: UnitType;
  readonly train: Extract<TrainInGear, { described: true }>['train'];
}) {
  const torque = (id: string) => train.outside?.[id];
  return (
    <Table heads={['Member', 'Turns, input 1', 'Torque from outside, input 1']} label="Turns and torque">
      {unitType.bodies
        .filter(({ id }) => (train.speeds?.[id] ?? 0) !== 0 || (torque(id) ?? 0) !== 0)
        .map(({ id, name }) => (
          <tr key={id}>
            <td>{name}</td>
            <td>{formatNumber(train.speeds?.[id] ?? 0, 3)}</td>
            <td>{torque(id) ? formatNumber(torque(id)!, 2) : ''}</td>
          </tr>
        ))}
    </Table>
  );
}

function Suspects({ unitType, gear, onOpen }: Pick<PowerPanelProps, 'unitType' | 'gear' | 'onOpen'>) {
  const suspects = suspectsOf(unitType, gear);
  if (suspects.length === 0) return null;
  return (
    <Box data-testid="suspects" marginBottom="16px">
      <Heading as="h3" fontSize="16px">
        Wrong in {gear} only? Look here first
      </Heading>
      <Box fontSize="13px" color="second">
        Each {suspects[0]!.reason}.
      </Box>
      {suspects.map(({ positionId }) => (
        <Press
          key={positionId}
          kind="quiet"
          paddingInline="0"
          marginRight="16px"
          onClick={() => onOpen(positionId)}
        >
          {unitType.positions.find(({ id }) => id === positionId)?.name}
        </Press>
      ))}
    </Box>
  );
}

const USUAL = { speed: '60', rollingCircumference: '2.2', outputPerWheel: '' };

function OnTheRoad({ unitType, inGear }: Pick<PowerPanelProps, 'unitType' | 'inGear'>) {
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
      <Grid templateColumns={`repeat(${fields.length}, 1fr)`} columnGap="12px">
        {fields.map(([name, label]) => (
          <TextField
            key={name}
            label={label}
            value={text[name]}
            onText={(typed) => setText({ ...text, [name]: typed })}
            inputMode="decimal"
          />
        ))}
      </Grid>
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
