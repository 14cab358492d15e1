import path from 'node:path';
import { CONTACT_PATTERN_VERSION, contactPattern } from '@/core/imaging/pattern/contactPattern';
import { findScaleCard, SCALE_CARD } from '@/core/imaging/scaleCard';
import type { RecordContent } from '@/model/recordKinds';
import type { gatherSnapshot } from '@/server/job/readSnapshot';
import { decodePicture } from '@/server/photos/decodePicture';
import { flankCorners } from './render/flankCorners';
import type { DemoJob } from './scenario/scenario';

/** The demonstration's photographs are measured and marked as a person would: by the same sums, from the same files. */
export async function seedPictures(
  job: DemoJob,
  photographs: ReturnType<typeof gatherSnapshot>['photographs'],
  folder: string,
  keep: (content: RecordContent) => void,
  newId: () => string,
): Promise<void> {
  const find = (file: string) => {
    const photograph = photographs.find(({ fileName }) => fileName === file);
    if (!photograph) throw new Error(`Peg ${job.peg} has no photograph ${file}.`);
    return photograph;
  };
  for (const [file, flank] of job.patterns) {
    const { id, positionId, width, height } = find(file);
    const corners = flankCorners(width, height);
    const { confidence, coverage, centroid, extent } = contactPattern(
      await decodePicture(path.join(folder, file)),
      { flank: corners },
    );
    keep({
      ...{ what: 'picture-measured', photographId: id, positionId: positionId ?? '', confidence },
      method: CONTACT_PATTERN_VERSION,
      corners: corners.map(([x, y]) => [x, y]) as never,
      found: { kind: 'pattern', flank, coverage, centroid, extent },
    });
  }
  for (const file of job.scaled) {
    const card = findScaleCard(await decodePicture(path.join(folder, file)));
    if (!card) throw new Error(`No scale card is found in ${file}.`);
    const { width, height } = SCALE_CARD;
    const corners = card.corners.map(([x, y]) => [x, y]) as never;
    keep({
      ...{ what: 'picture-scaled', photographId: find(file).id },
      scale: { by: 'plane', corners, width, height, cornerDeviation: card.cornerDeviation },
    });
  }
  for (const { file, marks } of job.marked) {
    const { id, width, height } = find(file);
    keep({
      ...{ what: 'picture-marked', photographId: id, removed: [] },
      put: marks.map(({ points, ...mark }) => ({
        ...mark,
        id: newId(),
        points: points.map(([x, y]) => [x * width, y * height]),
      })),
    });
  }
}
