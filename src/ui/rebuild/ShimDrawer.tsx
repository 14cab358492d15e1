'use client';

import { Box } from '@chakra-ui/react';
import { useState } from 'react';
import { drawerOf } from '@/core/rebuild/packs';
import type { ShimsOnHand } from '@/model/snapshot';
import type { OfJob } from '../job/useBench';
import { TextField } from '../kit/Field';
import { ErrorNotice } from '../kit/Notice';
import { Press } from '../kit/Press';
import { send } from '../kit/send';
import { readPieces } from './readPieces';

/** The measured shims that the shop has for this type of unit, one drawer for the stacks that take the same pieces. */
export function ShimDrawer({ job }: OfJob) {
  const { stacks } = job.snapshot.unitType;
  const drawers = [...new Set(stacks.filter(({ sets }) => sets !== 'preload').map(drawerOf))];
  if (drawers.length === 0) return null;
  return (
    <Box as="details" marginTop="10px" data-testid="shim-drawers">
      <Box as="summary" cursor="pointer" minHeight="44px" paddingTop="10px">
        Shims on hand
      </Box>
      {drawers.map((drawer) => (
        <Drawer
          key={drawer}
          job={job}
          drawer={drawer}
          letters={stacks.filter((stack) => drawerOf(stack) === drawer).map(({ letter }) => letter)}
        />
      ))}
    </Box>
  );
}

const NONE: ShimsOnHand['pieces'] = [];

function Drawer({
  job,
  drawer,
  letters,
}: OfJob & { readonly drawer: string; readonly letters: readonly string[] }) {
  const kept = (job.snapshot.shims ?? []).find((each) => each.drawer === drawer)?.pieces ?? NONE;
  const [text, setText] = useState<string>();
  const [trouble, setTrouble] = useState('');
  const [told, setTold] = useState('');
  const shown =
    text ?? kept.flatMap(({ thickness, count }) => Array.from({ length: count }, () => thickness)).join(' ');
  const save = async () => {
    const pieces = readPieces(shown);
    if (typeof pieces === 'string') return setTrouble(pieces);
    const counted = [...new Set(pieces)].map((thickness) => ({
      thickness,
      count: pieces.filter((each) => each === thickness).length,
    }));
    const answer = await send('PUT', '/api/v1/shop/shims', {
      ...{ unitTypeId: job.snapshot.job.unitTypeId, drawer, pieces: counted, before: kept },
    });
    setTrouble(answer.ok ? '' : answer.refusal.message);
    setTold(answer.ok ? 'Kept for every unit of this type.' : '');
    if (!answer.ok) return;
    await job.refresh();
    setText(undefined);
  };
  return (
    <Box
      as="form"
      marginBottom="10px"
      onSubmit={(event) => {
        event.preventDefault();
        void save();
      }}
    >
      <TextField
        label={`For ${letters.join(' and ')}, measured, mm: every piece, divided by spaces`}
        value={shown}
        onText={setText}
        inputMode="text"
      />
      {trouble && <ErrorNotice>{trouble}</ErrorNotice>}
      {told && <Box role="status">{told}</Box>}
      <Press type="submit">Keep</Press>
    </Box>
  );
}
