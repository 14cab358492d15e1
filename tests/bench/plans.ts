import { type PartsPlanInput, partsPlan } from '@/core/planning/partsPlan';
import type { CoverProgram } from '@/core/planning/solveProgram.mjs';
import { solveInThread } from '@/server/planning/solverThread';
import { seeded } from '../unit/planning/seeded';

/* Sixty needs and sixty offers: kits, sets from one source, senders with a freight. Proved each time. */

const { whole, pick, chance } = seeded(60);
const parts = Array.from({ length: 60 }, (_, at) => `part ${at}`);
const input: PartsPlanInput = {
  needs: parts.map((part) => ({ part, qty: whole(1, 3) })),
  offers: Array.from({ length: 60 }, (_, at) => ({
    ...{ id: `offer ${at}`, price: whole(2_000, 400_000), days: whole(1, 14), tier: whole(1, 3) },
    source: pick(['north', 'south', 'east', 'west']),
    supplies: parts
      .filter((_part, own) => own === at || own === (at + 1) % 60 || chance(0.04))
      .map((part) => ({ part, qty: whole(1, 3) })),
  })),
  freights: { north: 18_000, south: 9_000, east: 25_000, west: 12_000 },
  together: Array.from({ length: 20 }, (_, at): [string, string] => [parts[at * 3]!, parts[at * 3 + 1]!]),
};
const SECONDS = 20;
const solved: CoverProgram[] = [];

export async function planInThread(): Promise<void> {
  solved.length = 0;
  const plan = await partsPlan(input, (program) => {
    solved.push(program);
    return solveInThread(program, { seconds: SECONDS });
  });
  if (!plan.feasible || !plan.provenOptimal) throw new Error('The plan of the bench was not proved.');
}

/** The same models in the same warm thread, and nothing else. */
export async function solvesAlone(): Promise<void> {
  for (const program of solved) await solveInThread(program, { seconds: SECONDS });
}
