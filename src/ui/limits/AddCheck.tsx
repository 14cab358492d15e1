'use client';

import { Box, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { checkFromDefinition } from '@/core/metrology/checkFromDefinition';
import type { CheckDefinition } from '@/model/checkDefinition';
import type { Check } from '@/model/checks';
import type { UnitType } from '@/model/unitType';
import { Field, Select } from '../kit/Field';
import { EmptyState } from '../kit/Notice';
import { Press } from '../kit/Press';
import { CheckPicture } from '../measure/CheckPicture';

interface AddCheckProps {
  readonly unitType: UnitType;
  readonly checks: readonly Check[];
  readonly definitions: readonly CheckDefinition[];
  readonly onAdd: (check: Check) => void;
}

/** A check from the library for one part; it comes without a limit, which is then an open question. */
export function AddCheck({ unitType, checks, definitions, onAdd }: AddCheckProps) {
  const [positionId, setPositionId] = useState(unitType.positions[0]?.id ?? '');
  const position = unitType.positions.find(({ id }) => id === positionId);
  const fitting = definitions.filter(({ families }) => position && families.includes(position.family));
  const [definitionId, setDefinitionId] = useState('');
  const definition = fitting.find(({ id }) => id === definitionId) ?? fitting[0];
  const there = checks.some(
    (check) => check.positions.includes(positionId) && check.definition === definition?.id,
  );
  const teeth = unitType.gears.find((gear) => gear.position === positionId)?.teeth;
  const add = () => {
    if (!definition) return;
    const id = freeId(`${positionId}-${definition.id}`, checks);
    onAdd(checkFromDefinition(definition, { id, positionId, ...(teeth ? { teeth } : {}) }));
  };
  return (
    <Box>
      <Heading as="h2" fontSize="18px" marginBottom="8px">
        A check from the library
      </Heading>
      <Field label="Part">
        {(wiring) => (
          <Select {...wiring} value={positionId} onChange={(event) => setPositionId(event.target.value)}>
            {unitType.positions.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </Select>
        )}
      </Field>
      {!definition && (
        <EmptyState>
          The library has no measurement for parts of this family; they are judged by eye.
        </EmptyState>
      )}
      {definition && (
        <>
          <Field label="What is measured">
            {(wiring) => (
              <Select
                {...wiring}
                value={definition.id}
                onChange={(event) => setDefinitionId(event.target.value)}
              >
                {fitting.map(({ id, title, measures }) => (
                  <option key={id} value={id}>
                    {title}: {measures}
                  </option>
                ))}
              </Select>
            )}
          </Field>
          <Box fontSize="13px" marginBottom="8px">
            <CheckPicture picture={definition.picture} title={`How to: ${definition.howTo}`} />
            {definition.howTo} Gauges: {definition.gaugeKinds.join(', ')}.
          </Box>
          {there && (
            <EmptyState>This part is checked so already. A second one may stand beside it.</EmptyState>
          )}
          <Press kind="main" onClick={add}>
            Add it to the draft
          </Press>
        </>
      )}
    </Box>
  );
}

function freeId(wish: string, checks: readonly Check[]): string {
  const base = wish.slice(0, 58);
  const taken = new Set(checks.map(({ id }) => id));
  let id = base;
  for (let number = 2; taken.has(id); number += 1) id = `${base}-${number}`;
  return id;
}
