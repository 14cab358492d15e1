import { calculation } from '../calculation';
import { WorthReplacingInputSchema, WorthReplacingOutputSchema, worthReplacing } from './worthReplacing';

export const DECISIONS_CALCULATIONS = {
  'worth-replacing': calculation(
    'Whether a part is worth renewing while the unit lies open',
    WorthReplacingInputSchema,
    WorthReplacingOutputSchema,
    worthReplacing,
  ),
};
