import * as v from 'valibot';
import { InstantSchema } from '@/model/day';

/** The last entry of a backup: what the others are, and how each is known again. */
export const MANIFEST = 'stereotome-backup.json';
export const BACKUP_FORMAT = 1;

/** Nothing but what belongs into a shop's folder, whatever a file says of itself. */
const PLACE =
  /^(shop\.sqlite|(photographs|recordings)\/[0-9a-f]{2}\/[0-9a-f]{64}(\.jpg)?|tls\/[\w.-]{1,80})$/;
const PlaceSchema = v.pipe(v.string(), v.regex(PLACE, 'no place of a shop’s folder'));
export const isPlace = (name: string): boolean => PLACE.test(name);

export const BackupManifestSchema = v.object({
  format: v.literal(BACKUP_FORMAT),
  madeAt: InstantSchema,
  files: v.array(
    v.object({
      place: PlaceSchema,
      bytes: v.pipe(v.number(), v.integer(), v.minValue(0)),
      sha256: v.pipe(v.string(), v.regex(/^[0-9a-f]{64}$/)),
    }),
  ),
  /** Photographs and recordings that were missing or altered in the shop itself when the backup was made. */
  missing: v.array(v.string()),
  altered: v.array(v.string()),
});
export type BackupManifest = v.InferOutput<typeof BackupManifestSchema>;
