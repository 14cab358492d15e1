import { Box } from '@chakra-ui/react';
import { findActive } from '@/core/wear/active';
import type { PartState } from '@/core/wear/partStanding';
import type { Check } from '@/model/checks';
import { SeriesView } from './SeriesView';
import type { StationWorkProps } from './StationWork';
import { placeToRead } from './seriesWalk';
import type { BenchPlace } from './useBenchPlace';

const judgedOf = (part: PartState, { check }: Pick<BenchPlace, 'check'>) =>
  part.judgements.find((judged) => judged.check.id === check) ?? part.judgements[0];

/** The check that the open ticket measures, if it measures one. */
export const openCheckOf = (part: PartState, place: BenchPlace): Check | undefined =>
  place.face === 'measure' ? judgedOf(part, place)?.check : undefined;

/** The series of the check that is being measured, beside the pad. */
export function OpenSeries({
  open,
  place,
  job,
  measuring,
  onMeasuring,
}: StationWorkProps & { readonly open: PartState }) {
  const judged = judgedOf(open, place);
  if (place.face !== 'measure' || !judged?.check.every) return null;
  const { check, judgement } = judged;
  const readings = findActive(job.snapshot.readings).filter(
    (reading) => reading.checkId === check.id && reading.positionId === open.position.id,
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
        judgement={judgement}
        resolution={Math.min(0.01, ...used.map(({ resolution }) => resolution))}
        nextPlace={here}
        onRead={(at) => onMeasuring({ ...measuring, at })}
      />
    </Box>
  );
}
