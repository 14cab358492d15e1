import { calculation } from '../calculation';
import { LifeInputSchema, LifeOutputSchema, life } from './weibull';

export const LIVES_CALCULATIONS = {
  life: calculation(
    'Weibull life with survivors, intervals by likelihood ratio',
    LifeInputSchema,
    LifeOutputSchema,
    life,
  ),
};
