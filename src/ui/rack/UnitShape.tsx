import { Box } from '@chakra-ui/react';

const [WIDTH, HEIGHT] = [254, 86];

interface UnitShapeProps {
  readonly unitTypeId: string;
  readonly revision: number;
  /** Nobody has described its pieces yet: there is nothing to show but that it stands here. */
  readonly undescribed: boolean;
}

/** The unit's own section, small, in the colour of the shift. */
export function UnitShape({ unitTypeId, revision, undescribed }: UnitShapeProps) {
  if (undescribed)
    return (
      <svg viewBox="0 0 150 84" width={150} height={84} aria-hidden="true" style={{ display: 'block' }}>
        <path
          d="M4 34H16V22H58L72 30H112C136 30 144 44 144 58C144 74 132 82 112 82H60C40 82 30 78 26 70L16 66V60H4Z"
          fill="none"
          stroke="var(--chakra-colors-metal)"
          strokeWidth={1.5}
          strokeDasharray="6 4"
        />
      </svg>
    );
  const mask = `url("/api/v1/unit-types/${unitTypeId}/revisions/${revision}/shape") left bottom / contain no-repeat`;
  return (
    <Box
      aria-hidden="true"
      width={`${WIDTH}px`}
      height={`${HEIGHT}px`}
      maxWidth="100%"
      bg="metal"
      style={{ mask }}
    />
  );
}
