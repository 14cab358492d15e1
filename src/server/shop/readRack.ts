import * as v from 'valibot';
import { currentStation, stationCounts } from '@/core/decisions/stationCounts';
import { listJobsOnRack } from '@/db/jobs';
import { readShop } from '@/db/shop';
import type { RackEntry } from '@/model/snapshot';
import { gatherSnapshot, partStates } from '../job/readSnapshot';
import { defineUseCase } from '../useCase';

const RACK_SIZE = 60;

const PageSchema = v.object({ afterDue: v.optional(v.string(), ''), afterPeg: v.optional(v.number(), 0) });

/** The shelves: every unit in the house, by due date, with what it waits for. */
export const readRack = defineUseCase('job.read', PageSchema, (_actor, { db }, page) => ({
  shop: readShop(db),
  entries: listJobsOnRack(db, { ...page, size: RACK_SIZE }).map((job): RackEntry => {
    const snapshot = gatherSnapshot(db, job.id);
    const station = currentStation(stationCounts(snapshot, partStates(snapshot)));
    const weights = snapshot.unitType.positions.flatMap(({ weightKg }) => weightKg ?? []);
    return {
      peg: job.peg,
      jobId: job.id,
      title: job.unitTitle,
      machine: job.machine,
      customer: job.customer,
      unitFamily: snapshot.unitType.family,
      weightKg: weights.length > 0 ? weights.reduce((sum, weight) => sum + weight, 0) : null,
      waitsFor: job.waitsFor,
      holdReason: job.holdReason,
      dueOn: job.dueOn,
      station: station.id,
      stationOpen: station.open ?? 0,
    };
  }),
}));
