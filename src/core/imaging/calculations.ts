import { calculation, onPicture } from '../calculation';
import {
  CONTACT_PATTERN_LOOKS_AT,
  ContactPatternInputSchema,
  ContactPatternOutputSchema,
  contactPattern,
} from './pattern/contactPattern';
import { PhotoScaleInputSchema, PhotoScaleOutputSchema, photoScale } from './photoScale';
import {
  SURFACE_DAMAGE_LOOKS_AT,
  SurfaceDamageInputSchema,
  SurfaceDamageOutputSchema,
  surfaceDamage,
} from './pits/surfaceDamage';

export const IMAGING_CALCULATIONS = {
  'contact-pattern': onPicture(
    'The contact pattern of a painted flank in a photograph: share, middle, extents, confidence',
    ContactPatternInputSchema,
    ContactPatternOutputSchema,
    contactPattern,
    CONTACT_PATTERN_LOOKS_AT,
  ),
  'surface-damage': onPicture(
    'Pits on a surface in a photograph: share, count, largest, confidence',
    SurfaceDamageInputSchema,
    SurfaceDamageOutputSchema,
    surfaceDamage,
    SURFACE_DAMAGE_LOOKS_AT,
  ),
  'photo-scale': calculation(
    'The true distance of two points in a photographed plane of known size',
    PhotoScaleInputSchema,
    PhotoScaleOutputSchema,
    photoScale,
  ),
};
