import type { PlainBox } from '@/model/plainBox';
import type { Position } from '@/model/unitType';
import { BadInput } from '../../badInput';

export const nameOf = (positions: readonly Position[], id: string): string =>
  positions.find((position) => position.id === id)?.name ?? id;

/**
 * What of the rows can't be, before anything is laid out.
 * @throws BadInput with the path of the row
 */
export function checkBox(positions: readonly Position[], box: PlainBox): void {
  checkParts(positions, box);
  checkShafts(positions, box);
  checkSeats(positions, box);
  checkPower(box);
}

/** Each row is a part of this unit, and none is there twice. */
function checkParts(positions: readonly Position[], { shafts, gears, rings }: PlainBox): void {
  const known = new Set(positions.map(({ id }) => id));
  const seen = new Set<string>();
  for (const [list, rows] of Object.entries({ shafts, gears, rings }))
    for (const [index, { position }] of rows.entries()) {
      const path = `${list}.${index}.position`;
      if (!known.has(position)) throw new BadInput(path, `this unit has no part “${position}”`);
      if (seen.has(position)) throw new BadInput(path, `${nameOf(positions, position)} is described twice`);
      seen.add(position);
    }
}

function checkShafts(positions: readonly Position[], { shafts }: PlainBox): void {
  for (const [index, { position, lies }] of shafts.entries()) {
    if (!lies) continue;
    const path = `shafts.${index}.lies`;
    const name = nameOf(positions, position);
    if (lies.with === position) throw new BadInput(path, `${name} lies ${lies.how} with itself`);
    if (!shafts.some((shaft) => shaft.position === lies.with))
      throw new BadInput(path, `the shaft that ${name} lies ${lies.how} with is not described`);
  }
}

/** What sits on a shaft sits on one that is described, and ends before it does. */
function checkSeats(positions: readonly Position[], { shafts, gears, rings }: PlainBox): void {
  for (const [list, rows] of Object.entries({ gears, rings }))
    for (const [index, row] of rows.entries()) {
      const name = nameOf(positions, row.position);
      const shaft = shafts.find(({ position }) => position === row.shaft);
      if (!shaft)
        throw new BadInput(`${list}.${index}.shaft`, `${name} stands on no shaft that is described`);
      if (row.place + row.width > shaft.length)
        throw new BadInput(`${list}.${index}.place`, `${name} stands out beyond the end of its shaft`);
    }
  for (const [index, gear] of gears.entries()) {
    const name = nameOf(positions, gear.position);
    const mate = gears.find(({ position }) => position === gear.mate);
    if (gear.mate !== undefined && !mate)
      throw new BadInput(`gears.${index}.mate`, `the mate of ${name} is no gear that is described`);
    if (mate && mate.shaft === gear.shaft)
      throw new BadInput(`gears.${index}.mate`, `${name} and its mate stand on one shaft`);
  }
}

function checkPower({ shafts, input, output }: PlainBox): void {
  const has = (id: string | undefined) => shafts.some(({ position }) => position === id);
  if (input === undefined && output === undefined) return;
  if (!has(input)) throw new BadInput('input', 'the shaft that power comes in by is not described');
  if (!has(output)) throw new BadInput('output', 'the shaft that power leaves by is not described');
  if (input === output) throw new BadInput('output', 'power comes in and leaves by two shafts');
}
