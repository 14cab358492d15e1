import { EVERYTHING, type StreamHead } from '@/db/stream';

/** `life.seq`, as a device keeps it. */
export const cursorOf = ({ life, seq }: StreamHead): string => `${life}.${seq}`;

/** The line behind which a device asks; everything for a cursor of another life, from the future, or that can't be read. */
export function seqOf(cursor: string | undefined, head: StreamHead): number {
  const [, life, seq] = /^([0-9a-f]+)\.(\d{1,15})$/.exec(cursor ?? '') ?? [];
  return life === head.life && Number(seq) <= head.seq ? Number(seq) : EVERYTHING;
}
