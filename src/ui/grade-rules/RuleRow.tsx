'use client';

import { Box, Flex } from '@chakra-ui/react';
import { X } from 'lucide-react';
import { boundsOf, tellRule, withBound } from '@/core/wear/tellRule';
import type { Catalogs } from '@/model/catalogs';
import { GRADES, type Grade } from '@/model/damage';
import type { GradeRule } from '@/model/gradeRule';
import { Select, TextInput } from '../kit/Field';
import { GradeMark, gradeWords } from '../kit/GradeMark';
import { Press } from '../kit/Press';

interface RuleRowProps {
  readonly rule: GradeRule;
  /** As it stands in the revision in force; undefined for a new one. */
  readonly before: GradeRule | undefined;
  readonly words: Pick<Catalogs, 'damage-words'>;
  /** How often it held; undefined where it wasn't tried yet. */
  readonly fired: number | undefined;
  readonly onChange: (rule: GradeRule) => void;
  readonly onRemove: () => void;
}

/** One rule as a sentence, its grade and its figures to be changed, and how often it has held. */
export function RuleRow({ rule, before, words, fired, onChange, onRemove }: RuleRowProps) {
  const changed = before === undefined || JSON.stringify(before) !== JSON.stringify(rule);
  return (
    <Box
      data-testid={`rule-${rule.id}`}
      borderTop="1px solid"
      borderColor="rule"
      borderLeft={changed ? '4px solid' : undefined}
      borderLeftColor="metal"
      paddingLeft={changed ? '8px' : undefined}
      paddingBlock="8px"
    >
      <Flex gap="12px" align="center" wrap="wrap">
        <GradeMark grade={rule.grade} size={32} />
        <Box flex="1 1 280px" minWidth="0">
          <Box fontWeight={650}>{rule.words}</Box>
          <Box fontSize="13px" color="second">
            {tellRule(rule, words)}{' '}
            <Box as="span" color="ink">
              {fired === undefined ? 'Not tried yet.' : fired === 0 ? 'Has never held.' : `Held ${fired}×.`}
            </Box>
          </Box>
        </Box>
        {boundsOf(rule.when).map((bound, index) => (
          <BoundField
            key={`${bound.name} ${index}`}
            label={bound.words}
            of={rule.words}
            value={bound.name === 'countUpTo' ? bound.value : Math.round(bound.value * 10_000) / 100}
            onChange={(typed) =>
              onChange({
                ...rule,
                when: withBound(rule.when, bound, bound.name === 'countUpTo' ? typed : typed / 100),
              })
            }
          />
        ))}
        <Select
          width="150px"
          aria-label={`Grade of: ${rule.words}`}
          value={rule.grade}
          onChange={(event) => onChange({ ...rule, grade: Number(event.target.value) as Grade })}
        >
          {GRADES.map((grade) => (
            <option key={grade} value={grade}>
              {gradeWords(grade)}
            </option>
          ))}
        </Select>
        <Press kind="quiet" paddingInline="0" onClick={onRemove} aria-label={`Leave out: ${rule.words}`}>
          <X size={18} aria-hidden />
        </Press>
      </Flex>
    </Box>
  );
}

interface BoundFieldProps {
  readonly label: string;
  readonly of: string;
  readonly value: number;
  readonly onChange: (value: number) => void;
}

function BoundField({ label, of, value, onChange }: BoundFieldProps) {
  return (
    <Box width="72px" fontSize="13px" lineHeight="16px" color="second">
      {label}
      <TextInput
        aria-label={`${of}: ${label}`}
        inputMode="decimal"
        defaultValue={String(value)}
        onBlur={(event) => {
          const typed = Number(event.target.value.replace(',', '.'));
          if (event.target.value.trim() !== '' && Number.isFinite(typed) && typed >= 0) onChange(typed);
          else event.target.value = String(value);
        }}
      />
    </Box>
  );
}
