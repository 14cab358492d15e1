import * as v from 'valibot';
import type { Catalogs } from '@/model/catalogs';
import { FamilySchema, GradeSchema, SeveritySchema } from '@/model/damage';
import { VerdictWordSchema } from '@/model/verdictWord';
import { BadInput } from '../badInput';
import { calculation } from '../calculation';
import { findMode, modesOf } from '../catalogs/words';
import { proposeGrade } from './proposeGrade';

const GradeProposalInputSchema = v.object({
  family: FamilySchema,
  findings: v.array(
    v.object({
      mode: v.string(),
      place: v.string(),
      severity: SeveritySchema,
      share: v.optional(v.pipe(v.number(), v.minValue(0), v.maxValue(1))),
      count: v.optional(v.pipe(v.number(), v.integer(), v.minValue(0))),
      shareFrom: v.optional(v.picklist(['eye', 'picture'])),
    }),
  ),
  verdicts: v.optional(v.array(v.object({ check: v.string(), verdict: VerdictWordSchema })), []),
});
const words = v.string();
const GradeProposalOutputSchema = v.object({
  grade: v.nullable(GradeSchema),
  reasons: v.array(v.object({ rule: words, grade: GradeSchema, words })),
  neverReuse: v.array(v.object({ mode: words, words })),
});

/** The grade that the rules propose for findings and verdicts given by hand, with a line for each reason. */
export const gradeProposal = (catalogs: Pick<Catalogs, 'damage-words' | 'grade-rules'>) =>
  calculation(
    'The grade that the rules propose for what was seen and measured on a part, and why',
    GradeProposalInputSchema,
    GradeProposalOutputSchema,
    ({ family, findings, verdicts }) => {
      const modes = findings.map(({ mode }, index) => {
        const known = findMode(catalogs, family, mode);
        if (!known) throw new BadInput(`findings.${index}.mode`, `no word of this family: ${mode}`);
        return known;
      });
      const evidence = { family, findings, verdicts, modes: modesOf(catalogs, family) };
      const { grade, reasons } = proposeGrade(evidence, catalogs['grade-rules']);
      const barred = modes.flatMap(({ id, neverReuse }) =>
        neverReuse ? [{ mode: id, words: neverReuse.why }] : [],
      );
      return { grade, reasons, neverReuse: barred };
    },
  );
