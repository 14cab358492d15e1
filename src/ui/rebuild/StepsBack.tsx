import { Box } from '@chakra-ui/react';
import type { RebuildStep } from '@/core/rebuild/rebuildPlan';
import { Press } from '../kit/Press';

interface StepsBackProps {
  readonly steps: readonly RebuildStep[];
  readonly current: string | undefined;
  readonly onChoose: (id: string) => void;
}

/** Every step of the way back, in the order in which they go in. */
export function StepsBack({ steps, current, onChoose }: StepsBackProps) {
  return (
    <Box as="ol" marginTop="12px" paddingLeft="0" listStyleType="none" aria-label="The way back">
      {steps.map(({ id, title, done, bolts, renewed, oneUse }, index) => (
        <Box as="li" key={id} borderBottom="1px solid" borderColor="rule">
          <Press
            kind="quiet"
            width="100%"
            justifyContent="flex-start"
            textDecoration="none"
            whiteSpace="normal"
            textAlign="left"
            color={done && !bolts?.next ? 'second' : 'ink'}
            fontWeight={id === current ? 650 : 400}
            aria-current={id === current ? 'step' : undefined}
            onClick={() => onChoose(id)}
          >
            {index + 1}. {title}
            <Box as="span" fontSize="13px" color="second">
              {[
                done ? 'in' : '',
                bolts?.next ? 'bolts open' : '',
                renewed.length + oneUse.length > 0 ? `${renewed.length + oneUse.length} new` : '',
              ]
                .filter(Boolean)
                .join(', ')}
            </Box>
          </Press>
        </Box>
      ))}
    </Box>
  );
}
