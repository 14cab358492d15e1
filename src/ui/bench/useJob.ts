'use client';

import { useCallback, useEffect, useMemo, useReducer, useRef } from 'react';
import { modesOf } from '@/catalog/damageWords';
import { shippedGradeRules } from '@/catalog/gradeRules';
import { toBase } from '@/core/quantity/units';
import { type PartState, partState } from '@/core/wear/partStanding';
import type { RecordContent } from '@/model/benchRecord';
import type { FindingCapture, ReadingCapture, StationId } from '@/model/job';
import type { Actor } from '@/model/people';
import type { BenchRecord, Finding, JobSnapshot, Photograph, Reading } from '@/model/snapshot';
import type { QueuedCapture } from '../capture/queueStore';
import { useCaptureQueue } from '../capture/useCaptureQueue';
import { send } from '../kit/send';
import { firstView, nextView, unconfirmed } from './jobView';

/** A photograph that still waits on this device is shown from there. */
export type ShownPhotograph = Photograph & { readonly waiting?: Blob };

export interface Job {
  /** The snapshot with what waits on this device laid over it. */
  readonly snapshot: JobSnapshot;
  readonly photographs: readonly ShownPhotograph[];
  readonly parts: readonly PartState[];
  readonly waiting: ReadonlySet<string>;
  readonly refresh: () => Promise<void>;
  readonly drain: () => Promise<void>;
}

/** The job as the bench sees it: what the server confirmed, and at once what was captured here. */
export function useJob(first: JobSnapshot, actor: Actor): Job {
  const [view, tell] = useReducer(nextView, first, firstView);
  const asked = useRef(0);
  const refresh = useCallback(async () => {
    asked.current += 1;
    const request = asked.current;
    const answer = await send<JobSnapshot>('GET', `/api/v1/jobs/${first.job.id}`);
    if (answer.ok) tell({ kind: 'snapshot', request, snapshot: answer.value });
  }, [first.job.id]);
  const { queued, drain } = useCaptureQueue(actor.id);
  useEffect(() => tell({ kind: 'queue', queued, asked: asked.current }), [queued]);
  // Each listing of the queue makes this list anew, so a request that fails is sent again with the next one.
  useEffect(() => {
    if (view.left.length > 0) void refresh();
  }, [view.left, refresh]);
  // The page may be older than the job: kept on the device since its last visit, or read a moment before the page that was here
  // before it had its last capture confirmed.
  useEffect(() => {
    void refresh();
  }, [refresh]);
  return useMemo(() => {
    const { confirmed } = view;
    const fresh = unconfirmed(view);
    const snapshot = {
      ...confirmed,
      readings: [...confirmed.readings, ...fresh.filter(({ kind }) => kind === 'reading').map(asReading)],
      findings: [...confirmed.findings, ...fresh.filter(({ kind }) => kind === 'finding').map(asFinding)],
      records: [...confirmed.records, ...fresh.filter(({ kind }) => kind === 'record').map(asRecord)],
    };
    return {
      snapshot,
      photographs: [
        ...confirmed.photographs,
        ...fresh.filter(({ kind }) => kind === 'photograph').map(asPhotograph),
      ],
      parts: snapshot.unitType.positions.map((position) =>
        partState(position, snapshot, shippedGradeRules, modesOf(position.family)),
      ),
      waiting: new Set(fresh.map(({ id }) => id)),
      refresh,
      drain,
    };
  }, [view, refresh, drain]);
}

const captured = (capture: QueuedCapture) => ({
  id: capture.id,
  author: capture.authorName,
  authorId: capture.authorId,
  deviceTime: String(capture.content.deviceTime),
  receivedAt: '',
  struck: null,
});

function asReading(capture: QueuedCapture): Reading {
  const { positionId, checkId, place, raw, unit, gaugeId, temperatureC } = capture.content as ReadingCapture;
  return {
    ...captured(capture),
    positionId,
    checkId,
    place,
    raw,
    unit,
    gaugeId,
    temperatureC: temperatureC ?? null,
    value: toBase(Number(raw.replace(',', '.')), unit),
  };
}

const asFinding = (capture: QueuedCapture): Finding => ({
  ...(capture.content as FindingCapture),
  ...captured(capture),
});

const asRecord = (capture: QueuedCapture): BenchRecord => ({
  ...captured(capture),
  content: capture.content.content as RecordContent,
});

function asPhotograph(capture: QueuedCapture): ShownPhotograph {
  const { positionId, station, stepId, fileName, digest, bytes } = capture.content as {
    positionId?: string;
    station?: StationId;
    stepId?: string;
    fileName: string;
    digest: string;
    bytes: number;
  };
  return {
    ...captured(capture),
    positionId: positionId ?? null,
    station: station ?? null,
    stepId: stepId ?? null,
    fileName,
    digest,
    bytes,
    width: 0,
    height: 0,
    mime: '',
    takenAt: null,
    lens: null,
    ...(capture.blob ? { waiting: capture.blob } : {}),
  };
}
