import type { CourseId } from '@/core/ids';
import { tokenTexts as say } from '@/core/texts/tokens';
import type { Token } from '@/core/tokens/token';
import { CAPABILITIES } from '@/core/tokens/capability';
import { permits } from '@/core/tokens/token';
import { dateLabel, momentLabel } from '@/core/time/dateLabels';
import { zonedWallAt } from '@/core/time/zone';
import type { Zone } from '@/core/time/zone';
import type { Temporal } from 'temporal-polyfill';

type Named = Token & Readonly<{ ownerName?: string }>;
type Words = Readonly<{
  zone: Zone;
  locale: string;
  now: Temporal.Instant;
  nameOf: (course: CourseId) => string | undefined;
}>;

/** What a token reaches and when it was used, in words. */
export function tokenLine(token: Named, { zone, locale, now, nameOf }: Words) {
  const { id, name, courses, expires, lastUsed } = token;
  const parts = CAPABILITIES.flatMap((one) =>
    permits(token, one, false) ? [say.scopeWords({ capability: one, write: permits(token, one, true) })] : [],
  );
  const named = [...(courses ?? [])].flatMap((course) => nameOf(course) ?? []);
  const day = expires && dateLabel(expires.on, 'short', locale);
  const isOver = expires && expires.at.epochMilliseconds <= now.epochMilliseconds;
  return {
    id,
    name,
    reach: [parts.join(', '), ...(courses ? [say.inCourses({ names: named, n: courses.size })] : [])].join(
      ' · ',
    ),
    use: [
      ...(day ? [isOver ? say.over({ day }) : say.until({ day })] : []),
      lastUsed ? say.lastUsed({ when: momentLabel(zonedWallAt(zone, lastUsed), locale) }) : say.neverUsed,
      ...token.origins,
    ].join(' · '),
  };
}
