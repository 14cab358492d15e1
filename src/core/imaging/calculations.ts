import { calculation, onPicture } from '../calculation';
import {
  ContactPatternInputSchema,
  ContactPatternOutputSchema,
  contactPattern,
} from './pattern/contactPattern';
import { PhotoScaleInputSchema, PhotoScaleOutputSchema, photoScale } from './photoScale';
import { SurfaceDamageInputSchema, SurfaceDamageOutputSchema, surfaceDamage } from './pits/surfaceDamage';

export const IMAGING_CALCULATIONS = {
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
  'photo-scale': calculation(
    'The true distance of two points in a photographed plane of known size',
    PhotoScaleInputSchema,
    PhotoScaleOutputSchema,
    photoScale,
  ),
};
