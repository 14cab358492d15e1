import type { UnitType } from '@/model/unitType';
import { differenceFault } from '../metrology/workedOut';
import type { Blocks, Fault } from './fault';
import { meshFaults } from './meshFaults';
import { trainFaults } from './trainFaults';

/**
 * Every fault of a unit type that already fits its schema, with the path and what it blocks. An unfinished
 * type is no fault: what is not described yet simply isn't there.
 */
export function validateUnitType(type: UnitType): Fault[] {
  const broken = [...doubleIds(type), ...danglingReferences(type)];
  return [
    ...broken,
    ...meshFaults(type),
    // A train with loose ends can't be asked anything.
    ...(broken.some(({ blocks }) => blocks === 'train') ? [] : trainFaults(type)),
    ...bodiesWithoutBearing(type),
    ...statesThatTieNothing(type),
    ...stacksWithoutCheck(type),
    ...clearancesOfNothing(type),
    ...positionsNotDrawn(type),
    ...positionsNeverStripped(type),
  ];
}

const fault = (path: string, message: string, blocks: Blocks): Fault => ({ path, message, blocks });

function doubleIds(type: UnitType): Fault[] {
  const lists = [
    'axes',
    'bodies',
    'positions',
    'gears',
    'couplings',
    'bearings',
    'stacks',
    'sets',
    'checks',
    'steps',
  ] as const;
  return lists.flatMap((list) => {
    const seen = new Set<string>();
    return type[list].flatMap((item, index) => {
      if (seen.has(item.id)) return [fault(`${list}.${index}.id`, `“${item.id}” is used twice`, 'section')];
      seen.add(item.id);
      return [];
    });
  });
}

function danglingReferences(type: UnitType): Fault[] {
  const ids = (items: readonly { id: string }[]) => new Set(items.map((item) => item.id));
  const known = {
    axis: ids(type.axes),
    body: ids(type.bodies),
    position: ids(type.positions),
    gear: ids(type.gears),
    coupling: ids(type.couplings),
    bearing: ids(type.bearings),
  };
  const missing = (
    kind: keyof typeof known,
    id: string | undefined,
    path: string,
    blocks: Blocks,
  ): Fault[] => (id === undefined || known[kind].has(id) ? [] : [fault(path, `no ${kind} “${id}”`, blocks)]);
  return [
    ...type.bodies.flatMap((body, i) => missing('axis', body.axis, `bodies.${i}.axis`, 'section')),
    ...type.positions.flatMap((position, i) => [
      ...missing('axis', position.axis, `positions.${i}.axis`, 'section'),
      ...missing('body', position.body, `positions.${i}.body`, 'train'),
      ...(position.draw && 'gear' in position.draw
        ? missing('gear', position.draw.gear, `positions.${i}.draw.gear`, 'section')
        : []),
    ]),
    ...type.gears.flatMap((gear, i) => {
      const position = type.positions.find(({ id }) => id === gear.position);
      if (!position) return missing('position', gear.position, `gears.${i}.position`, 'train');
      return position.body ? [] : [fault(`gears.${i}.position`, `${position.name} sits on no body`, 'train')];
    }),
    ...type.meshes.flatMap((mesh, i) => [
      ...missing('gear', mesh.a, `meshes.${i}.a`, 'train'),
      ...missing('gear', mesh.b, `meshes.${i}.b`, 'train'),
      ...missing('body', mesh.carrier, `meshes.${i}.carrier`, 'train'),
    ]),
    ...type.couplings.flatMap((coupling, i) =>
      coupling.ties.flatMap((body, end) => missing('body', body, `couplings.${i}.ties.${end}`, 'train')),
    ),
    ...type.states.flatMap((state, i) =>
      state.engaged.flatMap((id, j) => missing('coupling', id, `states.${i}.engaged.${j}`, 'train')),
    ),
    ...missing('body', type.power?.input, 'power.input', 'train'),
    ...(type.power?.outputs ?? []).flatMap(({ body }, i) =>
      missing('body', body, `power.outputs.${i}.body`, 'train'),
    ),
    ...type.bearings.flatMap((bearing, i) => [
      ...missing('body', bearing.inner, `bearings.${i}.inner`, 'train'),
      ...missing('body', bearing.outer, `bearings.${i}.outer`, 'train'),
      ...missing('bearing', bearing.with, `bearings.${i}.with`, 'nothing'),
      ...bearing.positions.flatMap((id, j) =>
        missing('position', id, `bearings.${i}.positions.${j}`, 'nothing'),
      ),
    ]),
    ...type.stacks.flatMap((stack, i) =>
      missing('position', stack.position, `stacks.${i}.position`, 'nothing'),
    ),
    ...type.sets.flatMap((set, i) =>
      set.positions.flatMap((id, j) => missing('position', id, `sets.${i}.positions.${j}`, 'nothing')),
    ),
    ...type.checks.flatMap((check, i) =>
      check.positions.flatMap((id, j) => missing('position', id, `checks.${i}.positions.${j}`, 'nothing')),
    ),
    ...type.steps.flatMap((step, i) =>
      step.positions.flatMap((id, j) => missing('position', id, `steps.${i}.positions.${j}`, 'nothing')),
    ),
  ];
}

/** Clearances that can't be worked out as described. */
const clearancesOfNothing = ({ checks }: UnitType): Fault[] =>
  checks.flatMap((check, index) => {
    const wrong = differenceFault(check, checks);
    return wrong ? [fault(`checks.${index}.difference`, wrong, 'section')] : [];
  });

/** A turning body that nothing carries, told apart from one that is rigidly tied to a carried one. */
function bodiesWithoutBearing(type: UnitType): Fault[] {
  const carried = new Set(type.bearings.flatMap((bearing) => [bearing.inner, bearing.outer]));
  return type.bodies.flatMap((body, index) =>
    body.axis === undefined || carried.has(body.id)
      ? []
      : [fault(`bodies.${index}`, `${body.name} runs in no bearing`, 'nothing')],
  );
}

function statesThatTieNothing(type: UnitType): Fault[] {
  if (type.couplings.length === 0) return [];
  const neutral = /^(n|neutral)$/i;
  return type.states.flatMap((state, index) =>
    state.engaged.length === 0 && !neutral.test(state.gear) && !state.note
      ? [
          fault(
            `states.${index}.engaged`,
            `${state.gear} ties nothing; say why in its note if that is meant`,
            'train',
          ),
        ]
      : [],
  );
}

function stacksWithoutCheck(type: UnitType): Fault[] {
  return type.stacks.flatMap((stack, index) =>
    type.checks.some((check) => check.positions.includes(stack.position))
      ? []
      : [fault(`stacks.${index}`, `stack ${stack.letter} is measured by no check`, 'nothing')],
  );
}

function positionsNotDrawn(type: UnitType): Fault[] {
  if (type.axes.length === 0) return [];
  return type.positions.flatMap((position, index) => {
    const { draw } = position;
    if (!draw) return [fault(`positions.${index}.draw`, `${position.name} is not drawn yet`, 'nothing')];
    const needsAxis = !['outline', 'bolts', 'hull'].includes(draw.shape);
    // What was measured on the bench before anybody said where it sits.
    if (needsAxis && position.axis === undefined && position.body === undefined)
      return [fault(`positions.${index}.axis`, `${position.name} is on no axis yet`, 'nothing')];
    if (
      needsAxis &&
      (position.axis === undefined || position.from === undefined || position.to === undefined)
    ) {
      return [fault(`positions.${index}`, `${position.name} needs an axis and a place along it`, 'section')];
    }
    if (needsAxis && (position.from ?? 0) >= (position.to ?? 0))
      return [fault(`positions.${index}.to`, `${position.name} ends before it begins`, 'section')];
    return [];
  });
}

function positionsNeverStripped(type: UnitType): Fault[] {
  if (type.steps.length === 0) return [];
  const reached = new Set(type.steps.flatMap((step) => step.positions));
  return type.positions.flatMap((position, index) =>
    reached.has(position.id)
      ? []
      : [fault(`positions.${index}`, `${position.name} is reached by no step of the strip`, 'nothing')],
  );
}
