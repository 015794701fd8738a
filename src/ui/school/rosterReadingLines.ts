import { Temporal } from 'temporal-polyfill';
import { reportLines } from '@/core/texts/rosterReport';
import { momentLabel } from '@/core/time/dateLabels';
import type { Zone } from '@/core/time/zone';
import { zonedWallAt } from '@/core/time/zone';

type Reports = Readonly<{
  source: 'folder' | 'service' | 'none';
  readings: readonly (Parameters<typeof reportLines>[0] & Readonly<{ id: string; at: string }>)[];
}>;

/** The last readings of the school's lists, in words. */
export const rosterReadingLines = ({ source, readings }: Reports, zone: Zone, locale: string) => ({
  source,
  readings: readings.map((reading) => ({
    id: reading.id,
    when: momentLabel(zonedWallAt(zone, Temporal.Instant.from(reading.at)), locale),
    lines: reportLines(reading),
  })),
  held: readings[0]?.held.map(({ id, code }) => ({ id, code })) ?? [],
});
