import { calculation } from '../calculation';
import { BestOfSeveralInputSchema, BestOfSeveralOutputSchema, bestOfSeveral } from './bestOfSeveral';
import { PartsPlanInputSchema, PartsPlanOutputSchema, partsPlan } from './partsPlan';
import { solveProgram } from './solveProgram.mjs';

export const PLANNING_CALCULATIONS = {
  'parts-plan': calculation(
    'The offers that cover every need: cheapest, soonest or best, with the proof',
    PartsPlanInputSchema,
    PartsPlanOutputSchema,
    (asked) => partsPlan(asked, solveProgram),
  ),
  'best-of-several': calculation(
    'One good unit built from several of its type and from new pieces',
    BestOfSeveralInputSchema,
    BestOfSeveralOutputSchema,
    bestOfSeveral,
  ),
};
