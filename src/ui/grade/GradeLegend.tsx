import { Flex } from '@chakra-ui/react';
import { GRADES } from '@/model/damage';
import { GradeLine } from '../kit/GradeMark';

export function GradeLegend() {
  return (
    <Flex
      gap={{ base: '8px', xl: '16px' }}
      wrap="wrap"
      fontSize="13px"
      fontStretch="87.5%"
      aria-label="Grades"
      role="group"
    >
      {[...GRADES, null].map((grade) => (
        <GradeLine key={String(grade)} grade={grade} />
      ))}
    </Flex>
  );
}
