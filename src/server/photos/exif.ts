import exifr from 'exifr';

interface CameraNotes {
  readonly takenAt: string | null;
  readonly lens: string | null;
}

/**
 * What the camera says of a picture: when it was taken and through which lens. Cameras without a zone give the wall clock, which is
 * kept as it is, marked with no zone; null when there is nothing usable. Where it was taken is not asked. Never fails a capture.
 */
export async function cameraNotes(file: string): Promise<CameraNotes> {
  try {
    const tags = (await exifr.parse(file, {
      pick: ['DateTimeOriginal', 'OffsetTimeOriginal', 'LensModel', 'FocalLength', 'FNumber'],
      reviveValues: false,
    })) as Record<string, unknown> | undefined;
    const match = /^(\d{4}):(\d\d):(\d\d) (\d\d:\d\d:\d\d)/.exec(String(tags?.DateTimeOriginal ?? ''));
    return {
      takenAt: match
        ? `${match[1]}-${match[2]}-${match[3]}T${match[4]}${String(tags?.OffsetTimeOriginal ?? '')}`
        : null,
      lens: tags ? lensWords(tags) : null,
    };
  } catch {
    return { takenAt: null, lens: null };
  }
}

function lensWords({ LensModel, FocalLength, FNumber }: Record<string, unknown>): string | null {
  const words = [
    typeof LensModel === 'string' ? LensModel.trim() : '',
    typeof FocalLength === 'number' ? `${Math.round(FocalLength * 10) / 10} mm` : '',
    typeof FNumber === 'number' ? `f/${Math.round(FNumber * 10) / 10}` : '',
  ].filter(Boolean);
  return words.length === 0 ? null : words.join(', ').slice(0, 120);
}
