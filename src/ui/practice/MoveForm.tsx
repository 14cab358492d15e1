import { Box, Flex } from '@chakra-ui/react';
import { useState } from 'react';
import type { HowHeld } from '@/core/practice/practiceTruth';
import { parseReading } from '@/core/quantity/parseReading';
import { TextInput } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import type { Practice } from './usePractice';

/** mm: more than this no stack of shims gives, and no ring in a few turns. */
const MOST = 1;

/** What a hand moves: pieces or notches on both sides, and the pinion. */
export function MoveForm({ practice }: { readonly practice: Practice }) {
  const { held, move, finish, ask, next } = practice;
  const [typed, setTyped] = useState({ left: '', right: '', depth: '' });
  const [trouble, setTrouble] = useState('');
  const isByNotch = held.by === 'adjusters';
  const fields = [
    ['left', isByNotch ? 'Left ring, notches in' : 'Left shims, mm more'],
    ['right', isByNotch ? 'Right ring, notches in' : 'Right shims, mm more'],
    ['depth', 'Pinion, mm toward the ring'],
  ] as const;
  const put = () => {
    const read = { left: 0, right: 0, depth: 0 };
    for (const [name] of fields) {
      const figure = readFigure(typed[name], name === 'depth' ? undefined : held);
      if (typeof figure === 'string') return setTrouble(figure);
      read[name] = figure;
    }
    if (read.left === 0 && read.right === 0 && read.depth === 0)
      return setTrouble('Nothing is moved by that.');
    move(read);
  };
  return (
    <Box
      as="form"
      marginTop="12px"
      onSubmit={(event) => {
        event.preventDefault();
        put();
      }}
    >
      <Flex gap="12px" wrap="wrap" align="flex-end">
        {fields.map(([name, words]) => (
          <Box as="label" key={name} display="block" flex="1 1 150px">
            <Box as="span" display="block" fontSize="15px">
              {words}
            </Box>
            <TextInput
              inputMode="decimal"
              width="100%"
              fontSize="18px"
              value={typed[name]}
              onChange={(event) => setTyped({ ...typed, [name]: event.target.value })}
            />
          </Box>
        ))}
      </Flex>
      <Flex gap="12px" wrap="wrap" align="center" marginBlock="8px">
        <Press kind="take" size="bench" type="submit">
          Move and read
        </Press>
        <Press size="bench" onClick={finish}>
          It stays so
        </Press>
        {!next && (
          <Press kind="quiet" onClick={ask}>
            What would the tool do?
          </Press>
        )}
      </Flex>
      <Box fontSize="13px" color="second">
        More on the left pushes the ring to the pinion, more on the right away from it; more on both makes the
        carrier tighter, one side alone moves the ring by half.
        {isByNotch && ` A notch is ${held.perNotch} mm; a minus is out.`} A pinion that is moved comes out:
        the nut begins anew.
      </Box>
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
    </Box>
  );
}

/** mm of what was typed, by notches where `held` says so; a sentence where it can't be. */
function readFigure(written: string, held: HowHeld | undefined): number | string {
  if (written.trim() === '') return 0;
  const parsed = parseReading(written);
  const perStep = held?.by === 'adjusters' ? held.perNotch : 1;
  if (!parsed.ok) return `“${written}” is no figure.`;
  if (perStep !== 1 && !Number.isInteger(parsed.value))
    return `“${written}” is no whole notch: the lock finds no other place.`;
  const mm = parsed.value * perStep;
  return Math.abs(mm) <= MOST ? mm : `“${written}” is no move: at most ${MOST} mm either way.`;
}
