'use client';

import { Box, Flex } from '@chakra-ui/react';
import { Field, TextInput } from '../kit/Field';
import { Press } from '../kit/Press';
import type { ScaleSetting } from './scaleSetting';

interface SettingScaleProps {
  readonly setting: ScaleSetting;
  readonly onSetting: (setting: ScaleSetting) => void;
  readonly onKeep: () => void;
  readonly onBack: () => void;
}

/** The size of what a scale is taken from, and keeping it. */
export function SettingScale({ setting, onSetting, onKeep, onBack }: SettingScaleProps) {
  return (
    <Box>
      {setting.by === 'plane' ? (
        <Flex gap="8px">
          <Field label="Longer side, mm">
            {(wiring) => (
              <TextInput
                {...wiring}
                inputMode="decimal"
                value={setting.width}
                onChange={(event) => onSetting({ ...setting, width: event.target.value })}
              />
            )}
          </Field>
          <Field label="Shorter side, mm">
            {(wiring) => (
              <TextInput
                {...wiring}
                inputMode="decimal"
                value={setting.height}
                onChange={(event) => onSetting({ ...setting, height: event.target.value })}
              />
            )}
          </Field>
        </Flex>
      ) : (
        <Field
          label="Length between the two, mm"
          hint="True only where the camera looked squarely at it; the card corrects a slanted look."
        >
          {(wiring) => (
            <TextInput
              {...wiring}
              inputMode="decimal"
              value={setting.length}
              onChange={(event) => onSetting({ ...setting, length: event.target.value })}
            />
          )}
        </Field>
      )}
      <Flex gap="8px">
        <Press kind="main" onClick={onKeep}>
          Keep the scale
        </Press>
        <Press kind="quiet" onClick={onBack}>
          Back
        </Press>
      </Flex>
    </Box>
  );
}
