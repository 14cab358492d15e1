/** What a person typed, read as one number, or the reason why it is none. */
export type ParsedReading =
  | { readonly ok: true; readonly value: number; readonly decimals: number; readonly shown: string }
  | {
      readonly ok: false;
      readonly code: 'empty' | 'not-a-number' | 'ambiguous' | 'out-of-range' | 'other-unit';
      readonly message: string;
    };

const LARGEST = 1e6;

export interface FigureField {
  /** The unit that stands beside the field, as people write it: it may be typed behind the figures, no other may. */
  readonly unit?: string;
  /** More than this is no figure of this field; a million unless told otherwise. */
  readonly largest?: number;
}

/** Figures, and what is written behind them. A sign or a separator at the end belongs to the figures. */
const WITH_UNIT = /^(.*[\d.,])\s*([^\d\s.,+−–-][^\d]*)$/u;
const plainUnit = (unit: string) => unit.replace(/[\s·.]/g, '').toLowerCase();

/**
 * Reads figures as they come from a hand or a gauge: `7.21`, `7,21`, `+7.21`, `−0.05`.
 * A single comma with other than three figures after it is a decimal comma; `1,234` could be either and
 * is asked back; more than one separator is no number. Spaces of any width between thousands are left out, so that what the
 * application prints can be typed; the field's own unit may stand behind the figures, another is refused.
 */
export function parseReading(text: string, { unit, largest = LARGEST }: FigureField = {}): ParsedReading {
  const [, before, behind] = WITH_UNIT.exec(text.trim()) ?? [];
  if (
    behind !== undefined &&
    unit !== undefined &&
    plainUnit(behind) !== plainUnit(unit) &&
    /\d/.test(before ?? '')
  )
    return {
      ...{ ok: false, code: 'other-unit' },
      message: `“${text.trim()}” says ${behind.trim()}; this field takes ${unit}. Type the figures alone, or choose the unit beside them.`,
    };
  const figures = behind !== undefined && unit !== undefined ? (before ?? '') : text;
  const trimmed = figures
    .trim()
    .replace(/^[−–]/, '-')
    .replace(/[\s\u2009\u202f\u00a0]/g, '');
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
  if (Math.abs(value) > largest)
    return {
      ok: false,
      code: 'out-of-range',
      message:
        largest === LARGEST
          ? 'More than a million: no gauge of this shop reads that.'
          : `More than ${largest}: is it a slip?`,
    };
  return { ok: true, value, decimals: shown.split('.')[1]?.length ?? 0, shown };
}
