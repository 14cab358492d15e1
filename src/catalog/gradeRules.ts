import * as v from 'valibot';
import { GradeRulesSchema } from '@/core/wear/gradeRule.schema';
import data from './grade-rules.json';

/** The shipped rules that turn findings and verdicts into a proposed grade. */
export const shippedGradeRules = v.parse(GradeRulesSchema, data);
