'use client';

import { Box } from '@chakra-ui/react';
import { useRouter } from 'next/navigation';
import type { Actor } from '@/model/people';
import type { Right } from '@/model/rights';
import type { UnitType } from '@/model/unitType';
import { PageHead } from '../frame/PageHead';
import { send } from '../kit/send';
import { TypeEditor } from './editor/TypeEditor';
import { TypeActs } from './TypeActs';
import { TypeDrawing } from './TypeDrawing';

const BACK = { href: '/unit-types', words: 'Back to the unit types' };

/** A type of the shop's own list; what is stored becomes its next revision, jobs keep the one they pin. */
export function EditShopType({
  unitType,
  actor,
  rights,
}: {
  readonly unitType: UnitType;
  readonly actor: Actor;
  readonly rights: readonly Right[];
}) {
  const router = useRouter();
  const store = async (draft: unknown, note: string) => {
    const answer = await send<{ revision: number }>('PUT', '/api/v1/unit-types', {
      text: JSON.stringify(draft),
      note,
      revision: unitType.revision + 1,
    });
    if (!answer.ok) return answer.refusal.message;
    localStorage.removeItem(`unit-type ${unitType.id} ${unitType.revision}`);
    router.refresh();
    return undefined;
  };
  if (!rights.includes('unit-type.keep'))
    return (
      <Box>
        <PageHead title={unitType.title} back={BACK} actor={actor} />
        <TypeActs type={unitType} mayKeep={false} />
        <Box as="main" padding="16px">
          <TypeDrawing unitType={unitType} onOpen={() => undefined} />
        </Box>
      </Box>
    );
  return (
    <TypeEditor unitType={unitType} actor={actor} back={BACK} onStore={store}>
      <TypeActs type={unitType} mayKeep />
    </TypeEditor>
  );
}
