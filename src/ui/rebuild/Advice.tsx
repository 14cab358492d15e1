import { Box } from '@chakra-ui/react';
import { formatNumber } from '@/core/quantity/format';
import type { SetUp } from '@/core/rebuild/setUp';
import { isMarked } from '@/core/setup/setupAdvice';

/** What the instruments need of a set-up: a practice axle has no more. */
export interface Shown extends Pick<SetUp, 'band' | 'means' | 'advice' | 'pattern'> {
  /** Nobody put down what the maker’s chart says. */
  readonly isUsualPattern?: boolean;
  readonly rounds: readonly {
    readonly id: string;
    readonly author: string;
    readonly content: Pick<SetUp['rounds'][number]['content'], 'moved' | 'teeth' | 'drive' | 'coast'>;
  }[];
}

const HEADS = {
  'in-band': 'It stays so',
  move: '',
  cannot: 'No shim cures this',
  misread: 'Read it again',
} as const;

/** What to do next, large. */
export function Advice({
  setUp: { advice, rounds },
  told,
}: {
  readonly setUp: Shown;
  /** As the pieces or notches make it; else as it was figured. */
  readonly told?: { readonly ring: number; readonly depth: number } | undefined;
}) {
  if (!advice) return null;
  const { status, reason, repeat } = advice;
  const move = advice.move && (told ?? advice.move);
  // Nothing is called done that nobody has looked at.
  const isUnmarked = status === 'in-band' && !isMarked(rounds.map(({ content }) => content));
  const head = move
    ? movesWords(move)
    : isUnmarked
      ? 'The backlash is right: mark the pattern'
      : HEADS[status];
  return (
    <Box
      bg="blue"
      color="onBlue"
      padding="14px 16px"
      marginBlock="10px"
      data-testid="advice"
      data-status={status}
    >
      <Box fontSize="24px" lineHeight="30px" fontWeight={650}>
        {head}
      </Box>
      {repeat && (
        <Box color="brass" fontWeight={650}>
          Round {repeat.round + 1}
          {repeat.tooth === undefined ? '' : `, tooth ${repeat.tooth + 1}`}
        </Box>
      )}
      <Box>{reason}</Box>
      {move && (
        <Box marginTop="6px">
          Lock the pinion before a hand goes between the gears. The maker’s chart decides.
        </Box>
      )}
      {status === 'in-band' && rounds.length > 0 && (
        <Box marginTop="6px">
          Backlash, drag and pattern are read once more when the new sleeve is crushed, last of all.
        </Box>
      )}
    </Box>
  );
}

const mm = (value: number, decimals = 2) => formatNumber(value, decimals);

export function movesWords({ ring, depth }: { readonly ring: number; readonly depth: number }): string {
  return [
    ring === 0 ? '' : `Ring ${mm(Math.abs(ring))} mm ${ring > 0 ? 'away from' : 'toward'} the pinion`,
    depth === 0 ? '' : `pinion ${mm(Math.abs(depth))} mm ${depth > 0 ? 'toward' : 'away from'} the ring`,
  ]
    .filter(Boolean)
    .join(', ');
}
