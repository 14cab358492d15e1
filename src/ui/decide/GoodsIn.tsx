import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import type { OrderLine } from '@/core/planning/orders';
import { parseReading } from '@/core/quantity/parseReading';
import type { Identity, IdentityKey } from '@/model/offers';
import { Field, TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { keysToRead } from './needsReading';

/** What was read off it, and whether it was laid beside the old part. */
export interface AsItCame {
  readonly count: number;
  readonly identity: Identity;
  readonly printed?: string;
  readonly otherwise?: string;
  readonly compared: boolean;
}

interface GoodsInProps {
  readonly line: OrderLine;
  /** It is here already and is only laid beside the old part. */
  readonly isHere: boolean;
  /** Answers what is wrong. */
  readonly onTake: (came: AsItCame) => Promise<string | undefined>;
  readonly onClose: () => void;
}

/** What came of a line: the number printed on it first, else its sizes; then whether it lay beside the old one. */
export function GoodsIn({ line, isHere, onTake, onClose }: GoodsInProps) {
  const keys = keysToRead(line);
  const [count, setCount] = useState(String(line.toCome));
  const [printed, setPrinted] = useState('');
  const [figures, setFigures] = useState<Readonly<Partial<Record<IdentityKey, string>>>>({});
  const [otherwise, setOtherwise] = useState('');
  const [compared, setCompared] = useState(isHere);
  const [trouble, setTrouble] = useState('');
  const read = (): AsItCame | string => {
    const identity: Identity = {};
    for (const { id, name } of keys) {
      const written = figures[id] ?? '';
      // The right number tells the sizes.
      if (written.trim() === '' && (!compared || line.printed !== undefined)) continue;
      const parsed = parseReading(written);
      if (!parsed.ok) return `${name}: ${parsed.message}`;
      identity[id] = parsed.value;
    }
    const pieces = Number(count.trim());
    if (!isHere && (!Number.isInteger(pieces) || pieces < 1)) return `“${count}” is no number of pieces.`;
    return {
      ...{ count: pieces, identity, compared },
      ...(printed.trim() === '' ? {} : { printed: printed.trim() }),
      ...(otherwise.trim() === '' ? {} : { otherwise: otherwise.trim() }),
    };
  };
  const save = async () => {
    const came = read();
    if (typeof came === 'string') return setTrouble(came);
    const wrong = await onTake(came);
    setTrouble(wrong ?? '');
    if (wrong === undefined) onClose();
  };
  return (
    <Box
      as="form"
      border="1.5px solid"
      borderColor="ink"
      padding="8px"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <Flex gap="8px" wrap="wrap" align="flex-end">
        {!isHere && (
          <Small label="Pieces counted" value={count} onText={setCount} inputMode="numeric" width="90px" />
        )}
        {line.printed !== undefined && (
          <Small
            label={`Number printed on it (${line.printed} belongs)`}
            {...{ value: printed, onText: setPrinted, width: '190px' }}
          />
        )}
        {keys.map(({ id, name, unit }) => (
          <Small
            key={id}
            label={`${name.charAt(0).toUpperCase()}${name.slice(1)}${unit && `, ${unit}`}`}
            value={figures[id] ?? ''}
            inputMode="decimal"
            width="110px"
            onText={(text) => setFigures({ ...figures, [id]: text })}
          />
        ))}
        <Small
          label="Something else differs (make, seal)"
          {...{ value: otherwise, onText: setOtherwise, width: '220px' }}
        />
        {!isHere && (
          <Press chosen={compared} aria-pressed={compared} onClick={() => setCompared(!compared)}>
            Laid beside the old part
          </Press>
        )}
        <Press kind="main" type="submit">
          {isHere ? 'Laid beside the old part' : 'Take it in'}
        </Press>
        <Press kind="quiet" onClick={onClose}>
          Not now
        </Press>
      </Flex>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Box>
  );
}

function Small({
  label,
  value,
  onText,
  width,
  inputMode,
}: {
  readonly label: string;
  readonly value: string;
  readonly onText: (text: string) => void;
  readonly width: string;
  readonly inputMode?: 'numeric' | 'decimal';
}) {
  return (
    <Field label={label}>
      {(wiring) => (
        <TextInput
          {...wiring}
          {...{ value, width, inputMode }}
          maxLength={120}
          onChange={(event) => onText(event.target.value)}
        />
      )}
    </Field>
  );
}
