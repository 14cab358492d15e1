import { Box } from '@chakra-ui/react';
import { ErrorNotice } from './Notice';
import type { RefusalAnswer } from './send';

interface RefusalNoticeProps<Stored> {
  readonly refusal: RefusalAnswer | undefined;
  /** How a version that somebody else stored meanwhile reads in one line. */
  readonly tell: (stored: Stored) => string;
}

/** Why a save was refused. Of two who wrote at once, the second sees what the other stored beside his own words. */
export function RefusalNotice<Stored>({ refusal, tell }: RefusalNoticeProps<Stored>) {
  if (!refusal) return null;
  if (refusal.code !== 'stale') return <ErrorNotice>{refusal.message}</ErrorNotice>;
  const theirs = refusal.details.theirs as Stored | null;
  return (
    <ErrorNotice>
      Somebody else stored this meanwhile; nothing was overwritten.
      <Box color="ink">
        <strong>Theirs:</strong> {theirs ? tell(theirs) : 'nothing'}
      </Box>
      Yours still stands here. Save again to put it in the place of theirs.
    </ErrorNotice>
  );
}
