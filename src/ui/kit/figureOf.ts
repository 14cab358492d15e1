import { parseReading } from '@/core/quantity/parseReading';

/** The figure that was typed; NaN for what is none, so that the schema says what is needed; undefined for nothing. */
export function figureOf(text: string): number | undefined {
  if (text.trim() === '') return undefined;
  const parsed = parseReading(text);
  return parsed.ok ? parsed.value : Number.NaN;
}
