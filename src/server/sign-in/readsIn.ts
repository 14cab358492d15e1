import { setReadsIn } from '@/db/people';
import { ReadsInChoiceSchema } from '@/model/measuring';
import { defineUseCase } from '../useCase';

/** The units that the signed-in person reads every screen in. Nothing stored changes. */
export const chooseReadsIn = defineUseCase(
  'session.own',
  ReadsInChoiceSchema,
  (actor, { db }, { readsIn }) => {
    setReadsIn(db, actor.id, readsIn);
    return {};
  },
);
