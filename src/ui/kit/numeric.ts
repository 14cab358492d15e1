import { parseReading } from '@/core/quantity/parseReading';

/** What a form's field holds as a number, read as from a hand: `0,01` is 0.01; what is no number stays for the schema to refuse. */
export const numeric = {
  setValueAs: (text: string | number | undefined) => {
    if (text === '' || text === undefined) return undefined;
    const parsed = parseReading(String(text));
    return parsed.ok ? parsed.value : Number.NaN;
  },
};
