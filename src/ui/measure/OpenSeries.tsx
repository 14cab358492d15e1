import { Box } from '@chakra-ui/react';
import { findActive } from '@/core/wear/active';
import { type OfPart, useBench } from '../job/useBench';
import { inHolding, judgedOf } from './openCheck';
import { SeriesView } from './SeriesView';
import { heldNow, placeToRead } from './seriesWalk';
import { useMeasuring } from './useMeasuring';

/** The series of the check that is being measured, beside the pad. */
export function OpenSeries({ part, job }: OfPart) {
  const { place } = useBench();
  const [measuring, onMeasuring] = useMeasuring();
  const judged = judgedOf(part, place);
  if (place.face !== 'measure' || !judged?.check.every) return null;
  const { check } = judged;
  const held = heldNow(job.snapshot, check, part.position.id, measuring);
  const readings = findActive(job.snapshot.readings).filter(
    (reading) =>
      reading.checkId === check.id &&
      reading.positionId === part.position.id &&
      (reading.held ?? '') === held,
  );
  const { here } = placeToRead(
    check,
    readings.map((reading) => reading.place),
    measuring,
  );
  const used = job.snapshot.gauges.filter(({ id }) => readings.some((reading) => reading.gaugeId === id));
  return (
    <Box marginTop="12px">
      <SeriesView
        check={check}
        judgement={inHolding(judged, held).judgement}
        resolution={Math.min(0.01, ...used.map(({ resolution }) => resolution))}
        nextPlace={here}
        onRead={(at) => onMeasuring({ ...measuring, at })}
      />
    </Box>
  );
}
