import { Box, Grid } from '@chakra-ui/react';
import { Select } from '../kit/Field';

const LENGTHS = [
  ['0.15', 'at the toe'],
  ['0.3', 'between toe and middle'],
  ['0.45', 'at the middle, a little to the toe'],
  ['0.6', 'between middle and heel'],
  ['0.85', 'at the heel'],
] as const;
const HEIGHTS = [
  ['0.2', 'at the root'],
  ['0.35', 'low'],
  ['0.5', 'half way up'],
  ['0.65', 'high'],
  ['0.8', 'at the top'],
] as const;

interface PatchesProps {
  readonly marks: Readonly<Record<string, string>>;
  readonly onMarks: (marks: Readonly<Record<string, string>>) => void;
}

/** Where the patches lie on both flanks, in words. */
export function Patches({ marks, onMarks }: PatchesProps) {
  return (
    <>
      <Box fontSize="13px" color="second">
        The patches on the ring, turned by hand against a drag, several times.
      </Box>
      <Grid templateColumns={{ base: '1fr', md: '1fr 1fr' }} gap="8px">
        {(['drive', 'coast'] as const).flatMap((flank) =>
          (
            [
              ['length', LENGTHS],
              ['height', HEIGHTS],
            ] as const
          ).map(([axis, words]) => (
            <Select
              key={`${flank} ${axis}`}
              aria-label={`${flank === 'drive' ? 'Drive' : 'Coast'}, ${axis === 'length' ? 'toe or heel' : 'root or top'}`}
              value={marks[`${flank} ${axis}`] ?? ''}
              onChange={(event) => onMarks({ ...marks, [`${flank} ${axis}`]: event.target.value })}
            >
              <option value="">
                {flank}, {axis === 'length' ? 'along' : 'up'}: not marked
              </option>
              {words.map(([value, told]) => (
                <option key={value} value={value}>
                  {flank}: {told}
                </option>
              ))}
            </Select>
          )),
        )}
      </Grid>
    </>
  );
}
