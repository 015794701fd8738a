import { Temporal } from 'temporal-polyfill';
import type { Zone } from '@/core/time/zone';
import { zonedWallAt } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import type { ZonedWall } from '@/core/time/zonedWall';
import { megabytesUsed } from '@/data/materials/fileRoom';
import type { Correction } from '@/data/people/corrections';
import { corrections } from '@/data/people/corrections';
import type { OfficeLine } from '@/data/people/officeLog';
import { officeLines } from '@/data/people/officeLog';
import type { Usage } from '@/core/frame/usage';
import { usage } from '@/data/people/usage';
import type { Pembit } from '../pembit';

/** So many days back the office reads what is used. */
export const USED_DAYS = 30;

export type OfficeNote = Omit<OfficeLine, 'atMs'> & Readonly<{ at: ZonedWall }>;

/** What the school's page says of the office's own work; moments in the zone of the school. */
export async function officePage(
  pembit: Pembit,
  tzid: string,
): Promise<
  Readonly<{ corrections: readonly Correction[]; log: readonly OfficeNote[]; megabytes: number; used: Usage }>
> {
  const zone: Zone = requireZone(tzid);
  const since = pembit.now().subtract({ hours: 24 * USED_DAYS });
  const [proposed, lines, megabytes, used] = await Promise.all([
    corrections(pembit),
    officeLines(pembit, 100),
    megabytesUsed(pembit),
    usage(pembit, { sinceMs: since.epochMilliseconds, sinceDay: since.toString().slice(0, 10) }),
  ]);
  return {
    corrections: proposed,
    log: lines.map(({ atMs, ...line }) => ({
      ...line,
      at: zonedWallAt(zone, Temporal.Instant.fromEpochMilliseconds(atMs)),
    })),
    megabytes,
    used,
  };
}
