import { type FigureField, parseReading } from '@/core/quantity/parseReading';

/**
 * What a form's field holds as a number, read as from a hand or as the application prints it: `0,01` is 0.01, `62 000 km` is
 * 62000 where the field's unit is km; what is no number stays for the schema to refuse.
 */
export const numericIn = (field: FigureField = {}) => ({
  setValueAs: (text: string | number | undefined) => {
    if (text === '' || text === undefined) return undefined;
    const parsed = parseReading(String(text), field);
    return parsed.ok ? parsed.value : Number.NaN;
  },
});

export const numeric = numericIn();
