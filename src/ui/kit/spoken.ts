import type { FieldErrors, Resolver } from 'react-hook-form';
import { inWords } from '@/core/faultWords';

/** A form's check whose faults are told in words of our own: a library's would name types of data. */
export function spoken<Check>(check: Check): Check {
  const resolve = check as unknown as Resolver;
  const told: Resolver = async (...asked) => {
    const answer = await resolve(...asked);
    return { ...answer, errors: inWordsThroughout(answer.errors) } as typeof answer;
  };
  return told as unknown as Check;
}

/** The same tree of faults; whatever has a message says it in words. */
function inWordsThroughout(errors: FieldErrors): FieldErrors {
  return Object.fromEntries(
    Object.entries(errors).map(([field, fault]) => {
      const { message, type } = (fault ?? {}) as { readonly message?: unknown; readonly type?: unknown };
      if (typeof message === 'string')
        return [field, { ...fault, message: inWords({ type: String(type) as never, message }) }];
      return [field, fault && inWordsThroughout(fault as FieldErrors)];
    }),
  ) as FieldErrors;
}
