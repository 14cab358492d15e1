import * as v from 'valibot';
import { OilThresholdsSchema } from '@/core/strip/labSample';
import data from './oil-thresholds.json';

/** Figures from which an oil sample asks to be watched or acted on: rules of the trade, no maker's. */
export const shippedOilThresholds = v.parse(OilThresholdsSchema, data);
