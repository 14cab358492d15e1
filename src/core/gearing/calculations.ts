import { calculation } from '../calculation';
import { BearingOrdersInputSchema, BearingOrdersOutputSchema, bearingOrders } from './bearingOrders';
import { BevelBacklashInputSchema, BevelBacklashOutputSchema, bevelBacklash } from './bevelBacklash';
import { GearSetIdentityInputSchema, GearSetIdentityOutputSchema, gearSetIdentity } from './gearSetIdentity';
import {
  NeedleComplementInputSchema,
  NeedleComplementOutputSchema,
  needleComplement,
} from './needleComplement';
import { TrainInputSchema, TrainOutputSchema, train } from './train';

export const GEARING_CALCULATIONS = {
  'bevel-backlash': calculation(
    'Backlash per axial move of a bevel or hypoid ring',
    BevelBacklashInputSchema,
    BevelBacklashOutputSchema,
    bevelBacklash,
  ),
  'needle-complement': calculation(
    'How many loose rollers fit, and the gap left over',
    NeedleComplementInputSchema,
    NeedleComplementOutputSchema,
    needleComplement,
  ),
  'bearing-orders': calculation(
    'Damage orders of a rolling bearing per turn of the inner ring',
    BearingOrdersInputSchema,
    BearingOrdersOutputSchema,
    bearingOrders,
  ),
  train: calculation(
    'Speeds and torques of a gear train; whether it turns, is free, or locked',
    TrainInputSchema,
    TrainOutputSchema,
    train,
  ),
  'gear-set-identity': calculation(
    'Counted teeth and splines against marks, tag and what is expected',
    GearSetIdentityInputSchema,
    GearSetIdentityOutputSchema,
    gearSetIdentity,
  ),
};
