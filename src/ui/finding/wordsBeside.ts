import type { DamageMode } from '@/model/damage';

/** The workshop's word, and the shop's own where it has one. */
export const wordsBeside = ({ workshop, own }: DamageMode): string =>
  own ? `${workshop}; here: ${own}` : workshop;
