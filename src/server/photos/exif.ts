import exifr from 'exifr';

/**
 * When the camera says a picture was taken. Cameras without a zone give the wall clock, which is kept as it
 * is, marked with no zone; null when there is nothing usable. Never fails a capture.
 */
export async function takenAt(file: string): Promise<string | null> {
  try {
    const tags = (await exifr.parse(file, {
      pick: ['DateTimeOriginal', 'OffsetTimeOriginal'],
      reviveValues: false,
    })) as { DateTimeOriginal?: string; OffsetTimeOriginal?: string } | undefined;
    const match = /^(\d{4}):(\d\d):(\d\d) (\d\d:\d\d:\d\d)/.exec(tags?.DateTimeOriginal ?? '');
    return match ? `${match[1]}-${match[2]}-${match[3]}T${match[4]}${tags?.OffsetTimeOriginal ?? ''}` : null;
  } catch {
    return null;
  }
}
