import { valibotResolver } from '@hookform/resolvers/valibot';
import * as v from 'valibot';
import { expect, it } from 'vitest';
import { numericIn } from './numeric';
import { spoken } from './spoken';

/* What a form says of a bad figure: never a library's own words. */
it('is said in words of our own, whatever kind of fault it is', async () => {
  const schema = v.object({ km: v.pipe(v.number(), v.maxValue(10)), name: v.string() });
  const ask = async (values: object) => {
    const { errors } = await spoken(valibotResolver(schema))(values as never, undefined, {
      ...{ fields: {}, shouldUseNativeValidation: false },
    });
    return errors as Record<string, { readonly message: string }>;
  };
  const km = numericIn({ unit: 'km' }).setValueAs;
  expect((await ask({ km: km('far'), name: 'x' })).km?.message).toBe('a number is needed');
  expect((await ask({ km: km('12 km'), name: 'x' })).km?.message).toBe('this is too large');
  expect((await ask({ km: km('7,5 km'), name: 7 })).name?.message).toBe('something has to stand here');
});
