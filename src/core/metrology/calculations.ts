import { calculation } from '../calculation';
import { AgreementInputSchema, AgreementOutputSchema, agreement } from '../gauge-study/agreement';
import { GaugeStudyInputSchema, GaugeStudyOutputSchema, gaugeStudy } from '../gauge-study/gaugeStudy';
import { OutliersInputSchema, OutliersOutputSchema, outliers } from './outliers';
import { RotationSeriesInputSchema, RotationSeriesOutputSchema, rotationSeries } from './rotationSeries';
import { verdict } from './verdict';
import { VerdictInputSchema, VerdictOutputSchema } from './verdict.schema';

export const METROLOGY_CALCULATIONS = {
  verdict: calculation(
    'Readings against a limit: within, beyond or too close to call, with guard band',
    VerdictInputSchema,
    VerdictOutputSchema,
    verdict,
  ),
  outliers: calculation(
    'Outliers in a plain sample (generalized extreme Studentized deviate)',
    OutliersInputSchema,
    OutliersOutputSchema,
    outliers,
  ),
  'rotation-series': calculation(
    'A series round a circle: mean, harmonics, local defects, total indicator readings',
    RotationSeriesInputSchema,
    RotationSeriesOutputSchema,
    rotationSeries,
  ),
  'gauge-study': calculation(
    'Repeatability and reproducibility of a gauge from a crossed study',
    GaugeStudyInputSchema,
    GaugeStudyOutputSchema,
    gaugeStudy,
  ),
  agreement: calculation(
    'Agreement of two graders beyond chance (weighted kappa)',
    AgreementInputSchema,
    AgreementOutputSchema,
    agreement,
  ),
};
