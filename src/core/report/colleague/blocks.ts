import type { PaperBlock } from '@/model/paper';

/** Of a section. */
export const head = (id: string, title: string) => ({ id, title });
export const text = (words: string, label?: string): PaperBlock => ({
  as: 'text',
  words,
  ...(label === undefined ? {} : { label }),
});
