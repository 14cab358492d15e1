'use client';

import { useEffect, useRef, useState } from 'react';
import type { HeardAt } from '@/core/causes/placeNetwork';
import type { UnitType } from '@/model/unitType';
import type { CausesMessage, CausesTask, ToldCauses } from '@/workers/causes';
import { inBackground, wantedInThePit } from '../kit/background';
import type { KnownCauses } from './useCauses';

const causesWorker = wantedInThePit(() =>
  inBackground(
    'causes',
    () => new Worker(new URL('../../workers/causes.ts', import.meta.url), { type: 'module' }),
  ),
);

interface Known {
  readonly findings: Readonly<Record<string, boolean>>;
  readonly soft: Readonly<Record<string, number>>;
}

export interface Diagnosed {
  readonly told: ToldCauses | undefined;
  readonly trouble: string;
}

/** What the evidence says, worked out in a worker; while it works the last answer stands. */
export function useDiagnosis(
  causes: KnownCauses | undefined,
  unitType: UnitType,
  heard: HeardAt,
  { findings, soft }: Known,
  open: readonly string[],
): Diagnosed {
  const [diagnosed, setDiagnosed] = useState<Diagnosed>({ told: undefined, trouble: '' });
  const worker = useRef<Worker>(undefined);
  const placed = useRef<unknown>(undefined);
  const asked = useRef(0);
  useEffect(
    () => () => {
      worker.current?.terminate();
      worker.current = undefined;
      placed.current = undefined;
    },
    [],
  );
  const question = JSON.stringify({ findings, soft, open });
  useEffect(() => {
    if (!causes) return;
    worker.current ??= causesWorker();
    const own = worker.current;
    asked.current += 1;
    const id = asked.current;
    own.onmessage = ({ data }: MessageEvent<CausesMessage>) => {
      // Only the answer to what was asked last is shown.
      if (data.id !== asked.current) return;
      setDiagnosed((before) =>
        data.ok ? { told: data.told, trouble: '' } : { told: before.told, trouble: data.message },
      );
    };
    own.onerror = () =>
      setDiagnosed((before) => ({ told: before.told, trouble: 'The causes can’t be worked out here.' }));
    const isNew = placed.current !== heard;
    placed.current = heard;
    const { network, rates } = causes;
    const { positions, gears, meshes, bearings, stacks } = unitType;
    own.postMessage({
      ...{ id, ...(JSON.parse(question) as Known & { open: string[] }) },
      ...(isNew
        ? { place: { network, rates, heard, type: { positions, gears, meshes, bearings, stacks } } }
        : {}),
    } satisfies CausesTask);
  }, [causes, unitType, heard, question]);
  return diagnosed;
}
