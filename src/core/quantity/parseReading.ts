/** What a person typed, read as one number, or the reason why it is none. */
export type ParsedReading =
  | { readonly ok: true; readonly value: number; readonly decimals: number; readonly shown: string }
  | {
      readonly ok: false;
      readonly code: 'empty' | 'not-a-number' | 'ambiguous' | 'out-of-range';
      readonly message: string;
    };

const LARGEST = 1e6;

/**
 * Reads figures as they come from a hand or a gauge: `7.21`, `7,21`, `+7.21`, `−0.05`.
 * A single comma with other than three figures after it is a decimal comma; `1,234` could be either and
 * is asked back; more than one separator is no number.
 */
export function parseReading(text: string): ParsedReading {
  const trimmed = text
    .trim()
    .replace(/^[−–]/, '-')
    .replace(/[\s\u2009\u00a0]/g, '');
  if (trimmed === '') return { ok: false, code: 'empty', message: 'No figures yet.' };
  if (!/^[+-]?\d*[.,]?\d*$/.test(trimmed) || !/\d/.test(trimmed)) {
    return {
      ok: false,
      code: 'not-a-number',
      message: `“${text.trim()}” is not one number. Type figures with one decimal point.`,
    };
  }
  if (/^[+-]?[1-9]\d{0,2},\d{3}$/.test(trimmed)) {
    const point = trimmed.replace(',', '.');
    return {
      ok: false,
      code: 'ambiguous',
      message: `“${trimmed}” can mean ${point} or ${trimmed.replace(',', '')}. Type it with a point, or without a comma.`,
    };
  }
  const shown = trimmed.replace(',', '.');
  const value = Number(shown);
  if (Math.abs(value) > LARGEST)
    return {
      ok: false,
      code: 'out-of-range',
      message: 'More than a million: no gauge of this shop reads that.',
    };
  return { ok: true, value, decimals: shown.split('.')[1]?.length ?? 0, shown };
}
