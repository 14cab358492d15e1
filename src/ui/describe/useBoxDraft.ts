import { useMemo } from 'react';
import { trainInGear } from '@/core/gearing/trainOfType';
import { draftBox, type Told } from '@/core/unit-type/plain-box/draftBox';
import { validateUnitType } from '@/core/unit-type/validate';
import type { PlainBox } from '@/model/plainBox';
import type { UnitType } from '@/model/unitType';
import { type BoxText, boxOf, partsOfBox } from './boxText';

export interface BoxAsTyped {
  readonly box: PlainBox;
  /** The type as it would be kept; undefined as long as nothing of it can be drawn. */
  readonly type: UnitType | undefined;
  readonly told: readonly Told[];
  /** What keeps it from being kept. */
  readonly blocked: string | undefined;
  readonly ratios: readonly { readonly gear: string; readonly ratio: number }[];
}

/** What was typed as a drawing, a train, and what of it can't be. */
export function useBoxDraft(unitType: UnitType, text: BoxText): BoxAsTyped {
  return useMemo(() => {
    const typed = boxOf(text, partsOfBox(unitType));
    const { box, drawn, told } = draftBox(unitType.positions, typed.box);
    const type = drawn && { ...unitType, ...drawn };
    const fault = type && validateUnitType(type).find(({ blocks }) => blocks !== 'nothing');
    return {
      ...{ box, type, told: [...typed.told, ...told], blocked: fault?.message },
      ratios: type && !fault ? ratiosOf(type) : [],
    };
  }, [unitType, text]);
}

const ratiosOf = (type: UnitType): BoxAsTyped['ratios'] =>
  type.states.flatMap(({ gear }) => {
    const found = trainInGear(type, gear);
    return found.described && found.ratio !== undefined && Number.isFinite(found.ratio)
      ? [{ gear, ratio: found.ratio }]
      : [];
  });
