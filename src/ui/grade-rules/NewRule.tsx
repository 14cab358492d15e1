'use client';

import { Box, Flex, Heading } from '@chakra-ui/react';
import { useState } from 'react';
import { modesOf } from '@/core/catalogs/words';
import type { Catalogs } from '@/model/catalogs';
import { FAMILIES, FAMILY_NAMES, type Family, GRADES, type Grade, SEVERITIES } from '@/model/damage';
import type { FindingPattern, GradeRule } from '@/model/gradeRule';
import { Field, Select, TextInput } from '../kit/Field';
import { gradeWords } from '../kit/GradeMark';
import { Press } from '../kit/Press';

interface NewRuleProps {
  readonly words: Pick<Catalogs, 'damage-words'>;
  readonly taken: ReadonlySet<string>;
  readonly onAdd: (rule: GradeRule) => void;
}

/** A rule of the shop's own: one damage word of one kind of part, how much of it, and the grade it earns. */
export function NewRule({ words, taken, onAdd }: NewRuleProps) {
  const [family, setFamily] = useState<Family>('gear-teeth');
  const [modeId, setModeId] = useState('');
  const [severity, setSeverity] = useState('');
  const [above, setAbove] = useState('');
  const [grade, setGrade] = useState<Grade>(3);
  const [said, setSaid] = useState('');
  const modes = modesOf(words, family).filter(({ id }) => id !== 'nothing-to-see');
  const mode = modes.find(({ id }) => id === modeId) ?? modes[0];
  const share = Number(above.replace(',', '.')) / 100;
  const wrongShare = above !== '' && !(share >= 0 && share <= 1);
  const add = () => {
    if (!mode) return;
    const finding: FindingPattern = {
      mode: [mode.id],
      ...(severity ? { severity: [severity as (typeof SEVERITIES)[number]] } : {}),
      ...(above === '' ? {} : { shareAbove: share }),
    };
    onAdd({
      id: freeId(`shop-${mode.id}`, taken),
      families: [family],
      when: { finding },
      grade,
      words: said.trim(),
    });
    setSaid('');
    setAbove('');
  };
  return (
    <Box
      as="form"
      borderTop="2px solid"
      borderColor="ink"
      marginTop="16px"
      paddingTop="8px"
      onSubmit={(event) => {
        event.preventDefault();
        add();
      }}
    >
      <Heading as="h3" fontSize="18px">
        Another rule
      </Heading>
      <Flex gap="12px" wrap="wrap">
        <Field label="Kind of part">
          {(wiring) => (
            <Select {...wiring} value={family} onChange={(event) => setFamily(event.target.value as Family)}>
              {FAMILIES.map((each) => (
                <option key={each} value={each}>
                  {FAMILY_NAMES[each]}
                </option>
              ))}
            </Select>
          )}
        </Field>
        <Field label="Damage">
          {(wiring) => (
            <Select {...wiring} value={mode?.id ?? ''} onChange={(event) => setModeId(event.target.value)}>
              {modes.map(({ id, term }) => (
                <option key={id} value={id}>
                  {term}
                </option>
              ))}
            </Select>
          )}
        </Field>
        <Field label="How severe">
          {(wiring) => (
            <Select {...wiring} value={severity} onChange={(event) => setSeverity(event.target.value)}>
              <option value="">any</option>
              {SEVERITIES.map((each) => (
                <option key={each}>{each}</option>
              ))}
            </Select>
          )}
        </Field>
        {mode?.shareOf && (
          <Field label={`Above per cent of ${mode.shareOf}`} error={wrongShare ? '0 to 100' : undefined}>
            {(wiring) => (
              <TextInput
                {...wiring}
                inputMode="decimal"
                value={above}
                onChange={(event) => setAbove(event.target.value)}
              />
            )}
          </Field>
        )}
        <Field label="Its grade">
          {(wiring) => (
            <Select
              {...wiring}
              value={grade}
              onChange={(event) => setGrade(Number(event.target.value) as Grade)}
            >
              {GRADES.map((each) => (
                <option key={each} value={each}>
                  {gradeWords(each)}
                </option>
              ))}
            </Select>
          )}
        </Field>
      </Flex>
      <Field label="In words, as they stand under the proposal">
        {(wiring) => (
          <TextInput
            {...wiring}
            value={said}
            maxLength={160}
            onChange={(event) => setSaid(event.target.value)}
          />
        )}
      </Field>
      <Press type="submit" disabled={!mode || said.trim() === '' || wrongShare}>
        Add the rule
      </Press>
    </Box>
  );
}

function freeId(wanted: string, taken: ReadonlySet<string>): string {
  for (let number = 1; ; number += 1) {
    const id = number === 1 ? wanted : `${wanted}-${number}`;
    if (!taken.has(id)) return id;
  }
}
