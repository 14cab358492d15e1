import { damagedPlaces } from '@/core/report/damagedPlaces';
import { tellPlaces } from '@/core/report/tellPlaces';
import { numberedSection } from '@/core/section/numberedSection';
import { type DrawingInks, sectionSvg } from '@/core/section/sectionSvg';
import type { ReportDocument } from '@/model/report';
import type { UnitType } from '@/model/unitType';
import { paint } from '../kit/paint';

const INKS: DrawingInks = {
  ink: paint('ink'),
  paper: paint('paper'),
  cavity: paint('sectionCavity'),
  cut: paint('sectionCut'),
  steel: paint('sectionSteel'),
  land: paint('sectionLand'),
  filled: paint('blue'),
};
const SIZE = { width: 520, height: 386 };

/** A drawing that was made already: a letter goes out with it, and without the description that it was made of. */
export interface MadeDrawing {
  readonly svg: string;
  /** Numbers that it doesn't show. */
  readonly notDrawn: readonly number[];
}

/** The unit cut open, with the numbers by which list and photographs speak of it; nothing for a type without a drawing. */
export function drawForLetter(
  document: Pick<ReportDocument, 'damaged'>,
  unitType: UnitType | undefined,
): MadeDrawing | undefined {
  const places = damagedPlaces(document).flatMap(({ number, positionId, name }) =>
    number === undefined ? [] : [{ number, name, positionIds: [positionId] }],
  );
  const section = unitType && places.length > 0 ? numberedSection(unitType, places, SIZE) : undefined;
  if (!section) return undefined;
  const { notDrawn } = section;
  return { svg: sectionSvg(section, INKS, tellPlaces({ places }, notDrawn)), notDrawn };
}
