import * as v from 'valibot';
import {
  WorthReplacingInputSchema,
  WorthReplacingOutputSchema,
  worthReplacing,
} from './decisions/worthReplacing';
import { BearingOrdersInputSchema, BearingOrdersOutputSchema, bearingOrders } from './gearing/bearingOrders';
import { BevelBacklashInputSchema, BevelBacklashOutputSchema, bevelBacklash } from './gearing/bevelBacklash';
import {
  GearSetIdentityInputSchema,
  GearSetIdentityOutputSchema,
  gearSetIdentity,
} from './gearing/gearSetIdentity';
import {
  NeedleComplementInputSchema,
  NeedleComplementOutputSchema,
  needleComplement,
} from './gearing/needleComplement';
import { TrainInputSchema, TrainOutputSchema, train } from './gearing/train';
import {
  ContactPatternInputSchema,
  ContactPatternOutputSchema,
  contactPattern,
} from './imaging/contactPattern';
import { PhotoScaleInputSchema, PhotoScaleOutputSchema, photoScale } from './imaging/photoScale';
import type { Raster } from './imaging/raster';
import { SurfaceDamageInputSchema, SurfaceDamageOutputSchema, surfaceDamage } from './imaging/surfaceDamage';
import { LifeInputSchema, LifeOutputSchema, life } from './lives/weibull';
import { AgreementInputSchema, AgreementOutputSchema, agreement } from './metrology/agreement';
import { GaugeStudyInputSchema, GaugeStudyOutputSchema, gaugeStudy } from './metrology/gaugeStudy';
import { OutliersInputSchema, OutliersOutputSchema, outliers } from './metrology/outliers';
import {
  RotationSeriesInputSchema,
  RotationSeriesOutputSchema,
  rotationSeries,
} from './metrology/rotationSeries';
import { verdict } from './metrology/verdict';
import { VerdictInputSchema, VerdictOutputSchema } from './metrology/verdict.schema';
import { CarrierShimsInputSchema, CarrierShimsOutputSchema, carrierShims } from './setup/carrierShims';
import { EndFloatInputSchema, EndFloatOutputSchema, endFloat } from './setup/endFloat';
import { LearnedFactorInputSchema, LearnedFactorOutputSchema, learnedFactor } from './setup/learnedFactor';
import { PatternAdviceInputSchema, PatternAdviceOutputSchema, patternAdvice } from './setup/patternAdvice';
import { ShimStackInputSchema, ShimStackOutputSchema, shimStack } from './setup/shimStack';
import { TorqueStagesInputSchema, TorqueStagesOutputSchema, torqueStages } from './setup/torqueStages';

/** A sum that can be asked for by name, from the command line or a script. */
export interface Calculation {
  readonly line: string;
  readonly input: v.GenericSchema;
  readonly output: v.GenericSchema;
  readonly run: (input: unknown) => unknown;
}

const calculation = <Input extends v.GenericSchema>(
  line: string,
  input: Input,
  output: v.GenericSchema,
  work: (input: v.InferOutput<Input>) => unknown,
): Calculation => ({
  line,
  input,
  output,
  run: (raw) => work(v.parse(input, raw)),
});

/** A sum on a picture: whoever asks for it reads the file that the input names, upright and in sRGB. */
export interface PictureCalculation extends Omit<Calculation, 'run'> {
  readonly run: (input: unknown, read: (path: string) => Promise<Raster>) => Promise<unknown>;
}

const onPicture = <Input extends v.GenericSchema<unknown, { readonly image: string }>>(
  line: string,
  input: Input,
  output: v.GenericSchema,
  work: (picture: Raster, input: v.InferOutput<Input>) => object,
): PictureCalculation => ({
  line,
  input,
  output,
  run: async (raw, read) => {
    const parsed = v.parse(input, raw);
    // What only the screen shows (the mask, the doubts one by one) stays out of the answer.
    return v.parse(output, work(await read(parsed.image), parsed));
  },
});

export const PICTURE_CALCULATIONS: Readonly<Record<string, PictureCalculation>> = {
  'contact-pattern': onPicture(
    'The contact pattern of a painted flank in a photograph: share, middle, extents, confidence',
    ContactPatternInputSchema,
    ContactPatternOutputSchema,
    contactPattern,
  ),
  'surface-damage': onPicture(
    'Pits on a surface in a photograph: share, count, largest, confidence',
    SurfaceDamageInputSchema,
    SurfaceDamageOutputSchema,
    surfaceDamage,
  ),
};

/** Every sum by the name under which `npm run compute` knows it. */
export const CALCULATIONS: Readonly<Record<string, Calculation>> = {
  'photo-scale': calculation(
    'The true distance of two points in a photographed plane of known size',
    PhotoScaleInputSchema,
    PhotoScaleOutputSchema,
    photoScale,
  ),
  'pattern-advice': calculation(
    'What to move so that the contact patterns on drive and coast come to their place',
    PatternAdviceInputSchema,
    PatternAdviceOutputSchema,
    patternAdvice,
  ),
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
  'bevel-backlash': calculation(
    'Backlash per axial move of a bevel or hypoid ring',
    BevelBacklashInputSchema,
    BevelBacklashOutputSchema,
    bevelBacklash,
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
  'torque-stages': calculation(
    'Stages and star order for a ring of bolts, and whether the wrench fits',
    TorqueStagesInputSchema,
    TorqueStagesOutputSchema,
    torqueStages,
  ),
  'worth-replacing': calculation(
    'Whether a part is worth renewing while the unit lies open',
    WorthReplacingInputSchema,
    WorthReplacingOutputSchema,
    worthReplacing,
  ),
  life: calculation(
    'Weibull life with survivors, intervals by likelihood ratio',
    LifeInputSchema,
    LifeOutputSchema,
    life,
  ),
};
