'use client';

import { Box, Flex } from '@chakra-ui/react';
import { isNotLookedAt, type SheetGroup } from '@/core/wear/inspectionSheet';
import { partWords } from '@/core/wear/partWords';
import { paint } from '../kit/paint';

const HIGH = 58;
const WIDE = 6;
const PITCH = 8;

interface ProfileProps {
  readonly groups: readonly SheetGroup[];
  readonly ids: ReadonlySet<string>;
  readonly onGo: (positionId: string) => void;
}

/** Every part one tick as high as its grade, dashed where nobody has looked: count, map and way about the sheet in one. */
export function Profile({ groups, ids, onGo }: ProfileProps) {
  return (
    <Box data-testid="profile">
      <Box fontSize="13px" color="second">
        Each part as high as its grade; dashed, and counted below: not looked at
      </Box>
      <Flex gap="10px" wrap="wrap" alignItems="flex-start">
        {groups.map((group) => (
          <Box key={group.id}>
            <svg
              width={Math.max(PITCH * group.parts.length, 12)}
              height={HIGH + 2}
              role="img"
              aria-label={`${group.title}: ${group.parts.length} parts, ${group.notLookedAt} not looked at`}
            >
              <title>{group.title}</title>
              {group.parts.map((part, index) => {
                const unknown = isNotLookedAt(part) || part.grade === null;
                const high = unknown ? HIGH - 2 : 4 + ((HIGH - 8) * (part.grade ?? 0)) / 5;
                const bad = (part.grade ?? 0) >= 4;
                const inHand = ids.has(part.position.id);
                return (
                  // The sheet itself is walked by keyboard; this is a map for the finger.
                  // biome-ignore lint/a11y/noStaticElementInteractions: the rows are the targets
                  <g key={part.position.id} onClick={() => onGo(part.position.id)} cursor="pointer">
                    <title>{`${part.position.name}, ${partWords(part)}`}</title>
                    <rect x={PITCH * index} y={0} width={PITCH} height={HIGH} fill="transparent" />
                    <rect
                      x={PITCH * index + 1}
                      y={HIGH - high}
                      width={WIDE}
                      height={high}
                      fill={unknown ? (inHand ? paint('metal') : 'none') : paint(bad ? 'oxide' : 'metal')}
                      stroke={unknown || inHand ? paint(inHand ? 'brass' : 'ink') : 'none'}
                      strokeWidth={inHand ? 2 : 1}
                      strokeDasharray={unknown ? '3 2' : undefined}
                    />
                  </g>
                );
              })}
              <line x1={0} x2="100%" y1={HIGH + 1} y2={HIGH + 1} stroke={paint('ink')} strokeWidth={1.5} />
            </svg>
            <Box fontSize="13px" lineHeight="16px" maxWidth="110px" lineClamp={2}>
              {group.title.replace(/, front to tail$/, '')}
              {group.notLookedAt > 0 ? ` ${group.notLookedAt}` : ''}
            </Box>
          </Box>
        ))}
      </Flex>
    </Box>
  );
}
