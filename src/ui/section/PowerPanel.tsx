'use client';

import { Box, Grid, Heading } from '@chakra-ui/react';
import { suspectsOf } from '@/core/gearing/suspects';
import type { TrainInGear } from '@/core/gearing/trainOfType';
import { formatNumber } from '@/core/quantity/format';
import type { UnitType } from '@/model/unitType';
import { EmptyState } from '../kit/Notice';
import { Press } from '../kit/Press';
import { Table } from '../kit/Table';
import { EndViews } from './EndViews';
import { OnTheRoad } from './OnTheRoad';
import { Pushes } from './Pushes';

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
            {gear}, {inGear.coast ? 'coast' : 'drive'}: ratio{' '}
            {ratio === undefined ? '–' : formatNumber(Math.abs(ratio), 3)}
            {ratio !== undefined && ratio < 0 && parallel(unitType) ? ', the output turns backwards' : ''}
          </Box>
          <Members unitType={unitType} train={train} />
          <EndViews unitType={unitType} inGear={inGear} />
        </Box>
        <Box>
          <Pushes unitType={unitType} inGear={inGear} onOpen={onOpen} />
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
  const suspects = suspectsOf(unitType, [gear]);
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
