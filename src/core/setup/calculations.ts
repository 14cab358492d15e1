import { calculation } from '../calculation';
import { CarrierShimsInputSchema, CarrierShimsOutputSchema, carrierShims } from './carrierShims';
import { EndFloatInputSchema, EndFloatOutputSchema, endFloat } from './endFloat';
import { LearnedFactorInputSchema, LearnedFactorOutputSchema, learnedFactor } from './learnedFactor';
import { PatternAdviceInputSchema, PatternAdviceOutputSchema, patternAdvice } from './patternAdvice';
import { setupAdvice } from './setupAdvice';
import { SetupAdviceInputSchema, SetupAdviceOutputSchema } from './setupAdvice.schema';
import { ShimStackInputSchema, ShimStackOutputSchema, shimStack } from './shimStack';
import { TorqueStagesInputSchema, TorqueStagesOutputSchema, torqueStages } from './torqueStages';

export const SETUP_CALCULATIONS = {
  'pattern-advice': calculation(
    'What to move so that the contact patterns on drive and coast come to their place',
    PatternAdviceInputSchema,
    PatternAdviceOutputSchema,
    patternAdvice,
  ),
  'shim-stack': calculation(
    'The stack of shims on hand that comes nearest a target',
    ShimStackInputSchema,
    ShimStackOutputSchema,
    shimStack,
  ),
  'carrier-shims': calculation(
    'Stacks on both sides of a carrier for a wanted backlash and preload',
    CarrierShimsInputSchema,
    CarrierShimsOutputSchema,
    carrierShims,
  ),
  'learned-factor': calculation(
    'The backlash factor that this unit shows, from its moves so far',
    LearnedFactorInputSchema,
    LearnedFactorOutputSchema,
    learnedFactor,
  ),
  'end-float': calculation(
    'What brings an end float to its aim',
    EndFloatInputSchema,
    EndFloatOutputSchema,
    endFloat,
  ),
  'setup-advice': calculation(
    'What to do next with a gear set that is being set up, from all rounds so far',
    SetupAdviceInputSchema,
    SetupAdviceOutputSchema,
    setupAdvice,
  ),
  'torque-stages': calculation(
    'Stages and star order for a ring of bolts, and whether the wrench fits',
    TorqueStagesInputSchema,
    TorqueStagesOutputSchema,
    torqueStages,
  ),
};
