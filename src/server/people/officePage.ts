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
import type { Pembit } from '../pembit';

export type OfficeNote = Omit<OfficeLine, 'atMs'> & Readonly<{ at: ZonedWall }>;

/** What the school's page says of the office's own work; moments in the zone of the school. */
export async function officePage(
  pembit: Pembit,
  tzid: string,
): Promise<Readonly<{ corrections: readonly Correction[]; log: readonly OfficeNote[]; megabytes: number }>> {
  const zone: Zone = requireZone(tzid);
  const [proposed, lines, megabytes] = await Promise.all([
    corrections(pembit),
    officeLines(pembit, 100),
    megabytesUsed(pembit),
  ]);
  return {
    corrections: proposed,
    log: lines.map(({ atMs, ...line }) => ({
      ...line,
      at: zonedWallAt(zone, Temporal.Instant.fromEpochMilliseconds(atMs)),
    })),
    megabytes,
  };
}
