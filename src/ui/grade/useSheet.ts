'use client';

import { useMemo, useState } from 'react';
import {
  isNotLookedAt,
  isSettled,
  likeParts,
  SHEET_ORDERS,
  type SheetOrder,
  sheetGroups,
} from '@/core/wear/inspectionSheet';
import type { PartState } from '@/core/wear/partStanding';
import type { UnitType } from '@/model/unitType';

/** Where one is on the sheet: the part in hand, those gathered with it, and what is shown. */
export function useSheet(unitType: UnitType, parts: readonly PartState[]) {
  const [order, setOrder] = useState<SheetOrder>(SHEET_ORDERS[0]);
  const [onlyOpen, setOnlyOpen] = useState(false);
  const [gathered, setGathered] = useState<ReadonlySet<string>>(new Set());
  const groups = useMemo(() => sheetGroups(unitType, parts, order), [unitType, parts, order]);
  const all = groups.flatMap((group) => group.parts);
  // It begins at the first that nobody has looked at, and stays with that part when something is said of it.
  const [chosen, setChosen] = useState(() => (all.find(isNotLookedAt) ?? all[0])?.position.id);
  const current = all.find(({ position }) => position.id === chosen) ?? all[0];
  const inHand = current ? [current, ...all.filter(({ position }) => gathered.has(position.id))] : [];
  const ids = new Set(inHand.map(({ position }) => position.id));
  const shown = onlyOpen
    ? groups
        .map((group) => ({
          ...group,
          parts: group.parts.filter((part) => !isSettled(part) || ids.has(part.position.id)),
        }))
        .filter((group) => group.parts.length > 0)
    : groups;
  const walk = shown.flatMap((group) => group.parts);
  const goTo = (id: string) => {
    setChosen(id);
    setGathered(new Set());
  };
  const step = (by: number) => {
    const at = current ? walk.indexOf(current) : -1;
    const next = walk[Math.max(0, Math.min(walk.length - 1, at + by))];
    if (next) goTo(next.position.id);
  };
  return {
    ...{ order, setOrder, onlyOpen, groups: shown, current, inHand, ids, goTo, step },
    /** What waits for somebody's eyes, of all parts. */
    notLookedAt: parts.filter(isNotLookedAt).length,
    toggleOpen: () => setOnlyOpen((only) => !only),
    /** Like parts with the one in hand; let go where they are gathered already. */
    gather: () =>
      setGathered(
        gathered.size > 0 || !current
          ? new Set()
          : new Set(likeParts(all, current.position.id).map(({ position }) => position.id)),
      ),
    letGo: () => setGathered(new Set()),
    /** On to the next that nobody has looked at or graded, from here on and then from the top. */
    onward: () => {
      const at = current ? all.indexOf(current) : -1;
      const rest = [...all.slice(at + 1), ...all.slice(0, at)];
      const next = rest.find((part) => part.grade === null && !ids.has(part.position.id)) ?? current;
      if (next) goTo(next.position.id);
    },
  };
}
export type Sheet = ReturnType<typeof useSheet>;
