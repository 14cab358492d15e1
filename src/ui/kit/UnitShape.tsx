import { Box } from '@chakra-ui/react';

interface UnitShapeProps {
  readonly unitTypeId: string;
  readonly revision: number;
}

/** The unit's own section, small, in the colour of the shift; an empty outline where nobody has described it. */
export function UnitShape({ unitTypeId, revision }: UnitShapeProps) {
  const mask = `url("/api/v1/unit-types/${unitTypeId}/revisions/${revision}/shape") left bottom / contain no-repeat`;
  return <Box aria-hidden="true" width="254px" height="86px" maxWidth="100%" bg="metal" style={{ mask }} />;
}
