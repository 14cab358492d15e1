import type { PlainBox } from '@/model/plainBox';
import type { Position } from '@/model/unitType';
import { BadInput } from '../../badInput';
import { apartInBox, type DrawnBox, describeBox } from './plainBox';

export interface Told {
  /** The part that it is about; undefined where it is about the whole. */
  readonly positionId: string | undefined;
  readonly message: string;
}

export interface BoxDraft {
  /** What of the box can be drawn as it was measured. */
  readonly box: PlainBox;
  readonly drawn: DrawnBox | undefined;
  /** Why rows are left out, then what of the others doesn't touch. */
  readonly told: readonly Told[];
}

/**
 * A box while it is being measured: what can't be is left out with the reason, one row after the other, and the rest is drawn.
 */
export function draftBox(positions: readonly Position[], measured: PlainBox): BoxDraft {
  const told: Told[] = [];
  let box = measured;
  while (box.shafts.length > 0)
    try {
      const drawn = describeBox(positions, box);
      const apart = apartInBox(positions, box).map(({ path, message }) => ({
        positionId: rowAt(box, path)?.position,
        message,
      }));
      return { box, drawn, told: [...told, ...apart] };
    } catch (error) {
      if (!(error instanceof BadInput)) throw error;
      told.push({ positionId: rowAt(box, error.path)?.position, message: error.message });
      box = without(box, error.path);
    }
  return { box, drawn: undefined, told };
}

const LISTS = ['shafts', 'gears', 'rings'] as const;

function rowAt(box: PlainBox, path: string): { readonly position: string } | undefined {
  const [list, index] = path.split('.');
  const found = LISTS.find((each) => each === list);
  return found && box[found][Number(index)];
}

/** A mate that can't be met goes before its gear does; a shaft goes with all that sits on it; power that can't be goes alone. */
function without(box: PlainBox, path: string): PlainBox {
  const [list, index, field] = path.split('.');
  const at = Number(index);
  if (list === 'gears' && field === 'mate')
    return {
      ...box,
      gears: box.gears.map((gear, row) => (row === at ? { ...gear, mate: undefined } : gear)),
    };
  const gone = rowAt(box, path)?.position;
  if (gone === undefined) return { ...box, input: undefined, output: undefined };
  const stays = (row: { readonly position: string; readonly shaft: string }) =>
    row.position !== gone && row.shaft !== gone;
  const gears = box.gears.filter(stays);
  return {
    ...box,
    ...(box.input === gone || box.output === gone ? { input: undefined, output: undefined } : {}),
    shafts: box.shafts.filter(({ position }) => position !== gone),
    gears: gears.map((gear) =>
      gears.some(({ position }) => position === gear.mate) ? gear : { ...gear, mate: undefined },
    ),
    rings: box.rings.filter(stays),
  };
}
