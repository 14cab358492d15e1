'use client';

import { Flex } from '@chakra-ui/react';
import { useState } from 'react';
import type { RecordOf } from '@/model/recordKinds';
import { PIECE_FACES, TOWARD } from '@/model/records/step';
import { TextField } from '../kit/Field';
import { OneOf } from '../kit/OneOf';
import { OrientationSketch } from './OrientationSketch';

type Said = Pick<RecordOf<'step'>, 'orientation' | 'wayRound'>;
type Orientation = NonNullable<Said['orientation']>;

/** Which way round a piece lay: two keys draw it; words tell what no key does. */
export function WayRound({
  orientation,
  wayRound,
  onChange,
}: {
  readonly orientation: Orientation | undefined;
  readonly wayRound: string;
  readonly onChange: (over: Said) => void;
}) {
  const [half, setHalf] = useState<Partial<Orientation>>({});
  const { face, toward } = { ...orientation, ...half };
  const press = (over: Partial<Orientation>) => {
    const next = { face, toward, ...over };
    setHalf(over);
    if (next.face && next.toward) onChange({ orientation: { face: next.face, toward: next.toward } });
  };
  return (
    <Flex gap="16px" wrap="wrap" align="flex-start" role="group" aria-label="Which way round">
      <div>
        <OneOf
          label="Which way round: this face of it"
          options={PIECE_FACES}
          chosen={face ? [face] : []}
          onPress={(pressed) => press({ face: pressed })}
        />
        <OneOf
          label="looked toward the"
          options={TOWARD}
          chosen={toward ? [toward] : []}
          onPress={(pressed) => press({ toward: pressed })}
        />
        <TextField
          label="or in words: which face toward what"
          value={wayRound}
          onText={(words) => onChange({ wayRound: words })}
        />
      </div>
      {orientation && <OrientationSketch orientation={orientation} />}
    </Flex>
  );
}
