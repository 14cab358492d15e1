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
  // Chosen one by one: walking on keeps what is chosen, and the part under the mark is chosen only by a press.
  const [picking, setPicking] = useState(false);
  const groups = useMemo(() => sheetGroups(unitType, parts, order), [unitType, parts, order]);
  const all = groups.flatMap((group) => group.parts);
  // It begins at the first that nobody has looked at, and stays with that part when something is said of it.
  const [chosen, setChosen] = useState(() => (all.find(isNotLookedAt) ?? all[0])?.position.id);
  const current = all.find(({ position }) => position.id === chosen) ?? all[0];
  const chosenToo = all.filter(({ position }) => gathered.has(position.id));
  const inHand = picking
    ? chosenToo
    : current
      ? [current, ...chosenToo.filter((part) => part !== current)]
      : [];
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
  const letGo = () => {
    setGathered(new Set());
    setPicking(false);
  };
  const goTo = (id: string) => {
    setChosen(id);
    letGo();
  };
  const toggle = (id: string) =>
    setGathered(
      (before) => new Set(before.has(id) ? [...before].filter((each) => each !== id) : [...before, id]),
    );
  const step = (by: number) => {
    const at = current ? walk.indexOf(current) : -1;
    const next = walk[Math.max(0, Math.min(walk.length - 1, at + by))];
    if (!next) return;
    if (picking) setChosen(next.position.id);
    else goTo(next.position.id);
  };
  return {
    ...{ picking, letGo, order, setOrder, onlyOpen, groups: shown, current, inHand, ids, goTo, step },
    /** What waits for somebody's eyes, of all parts. */
    notLookedAt: parts.filter(isNotLookedAt).length,
    toggleOpen: () => setOnlyOpen((only) => !only),
    /** A row that was pressed: the part in hand, or one more of those that are chosen one by one. */
    choose: (id: string) => {
      if (!picking) return goTo(id);
      setChosen(id);
      toggle(id);
    },
    /** First the like parts with the one in hand; pressed again each is chosen or left by itself. */
    gather: () => {
      if (!current) return;
      const { id } = current.position;
      if (picking) return toggle(id);
      const like = likeParts(all, id).map(({ position }) => position.id);
      if (gathered.size === 0 && like.length > 0) return setGathered(new Set([id, ...like]));
      setGathered(new Set([id, ...gathered]));
      setPicking(true);
    },
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
