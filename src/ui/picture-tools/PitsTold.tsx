'use client';

import { Box } from '@chakra-ui/react';
import { type Doubts, LEAST_TRUST } from '@/core/imaging/confidence';
import { doubtWords, tellMeasured } from '@/core/imaging/tellMeasured';
import { formatNumber } from '@/core/quantity/format';
import { EYE_WORDS, type EyeWord } from '@/model/pictureRecord';
import type { RecordOf } from '@/model/recordKinds';
import { Warning } from '../kit/Notice';
import { OneOf } from '../kit/OneOf';

type ToldReading = Pick<RecordOf<'picture-measured'>, 'found' | 'confidence' | 'byHand'>;

/** A share of pits that the picture is too poor for, and that no hand has corrected, is none. */
export const tellsNothing = ({ found, confidence, byHand }: ToldReading): boolean =>
  found.kind === 'pits' && confidence < LEAST_TRUST && !byHand;

export const isContradicted = (told: ToldReading): boolean =>
  told.found.kind === 'pits' && told.found.seenAgain === true && !tellsNothing(told);

/** The eye comes before the figure: a figure that was read first is what the eye then sees. */
export function EyeFirst({
  seen,
  onSeen,
}: {
  readonly seen: EyeWord | undefined;
  readonly onSeen: (seen: EyeWord) => void;
}) {
  return (
    <Box marginBottom="8px">
      <OneOf
        label="First the eye: how many pits are there in it?"
        options={EYE_WORDS}
        chosen={seen ? [seen] : []}
        onPress={(word) => onSeen(word)}
      />
    </Box>
  );
}

/** What was read, or why nothing was; and what the eye says against it. */
export function Told({ told, doubts }: { readonly told: ToldReading; readonly doubts: Doubts }) {
  const { found } = told;
  return (
    <Box role="status" data-testid="measured" marginBottom="8px">
      <Box fontSize="18px" lineHeight="24px">
        {tellMeasured(told)}
      </Box>
      {doubtWords(doubts).map((words) => (
        <Box key={words}>Doubtful: {words}.</Box>
      ))}
      {tellsNothing(told) && (
        <Box marginTop="4px">
          What was taken is drawn over the picture and is only an outline: correct it with the brush, draw
          round a smaller place, tap a sound surface to compare with, or take another picture.
        </Box>
      )}
      {isContradicted(told) && found.kind === 'pits' && (
        <Warning>
          By eye: {found.seen}; the picture: {formatNumber(100 * found.areaFraction, 1)} %. One of them is
          wrong. Look at the part again; then change what the eye sees, correct the outline, or keep both.
        </Warning>
      )}
    </Box>
  );
}
