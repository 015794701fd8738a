import type { PersonSettings } from '@/core/frame/personSettings';
import type { PersonId } from '@/core/ids';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { withTwelveHours } from '@/core/time/dateLabels';
import { requireZone } from '@/core/time/zoneData';
import type { Outcome } from '@/core/refusals';
import { done } from '@/core/refusals';
import { studentTexts } from '@/core/texts/student';
import { personSettings, writePersonSettings } from '@/data/students/students';
import { coursesOnStaff } from '@/data/people/staff';
import { perform } from '../history/perform';
import { keptReads } from '../keptRead';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

const kept = keptReads<PersonSettings>(4000);

export const settingsOf = (pembit: Pembit, person: PersonId): Promise<PersonSettings> =>
  kept(pembit, person, () => personSettings(pembit, person), [`person:${person}`]);

/** What somebody chooses for themselves. */
export function changeOwnSettings(
  pembit: Pembit,
  actor: SignedIn,
  settings: PersonSettings,
): Promise<Outcome<PersonSettings>> {
  return perform(
    pembit,
    actor,
    'changeOwnSettings',
    async (change) => {
      const before = await personSettings(change, actor.person.id);
      await writePersonSettings(change, actor.person.id, settings);
      // It stands on the pages of their courses.
      if (before.contact !== settings.contact)
        change.concerns(
          ...(await coursesOnStaff(change, actor.person.id)).map((course) => `course:${course}` as const),
        );
      change.summarise(studentTexts.savedSettings);
      return done(settings);
    },
    { locks: [`person:${actor.person.id}`] },
  );
}

/** A locale with what somebody has chosen: how dates are written, and the clock. */
export const wantedLocale = (
  { locale, clock }: Pick<PersonSettings, 'locale' | 'clock'>,
  school: string,
): string => (clock === 12 ? withTwelveHours(locale ?? school) : (locale ?? school));

/** A plan as somebody wants to see it: dates, clock, first day of the week, colours of courses, how much is said. It shows nothing more or less. */
export function asWanted(
  plan: SeenPlan,
  { locale, clock, plain, weekStart, colors, tzid }: PersonSettings,
): SeenPlan {
  return {
    ...plan,
    locale: wantedLocale({ locale, clock }, plan.locale),
    ...(plain ? { plain } : {}),
    terms: weekStart ? plan.terms.map((term) => ({ ...term, weekStart })) : plan.terms,
    ...(Object.keys(colors).length > 0 ? recolored(plan, colors) : {}),
    ...(tzid && !plan.terms.some((term) => term.tzid === tzid)
      ? { abroad: { own: requireZone(tzid), terms: plan.terms.map((term) => requireZone(term.tzid)) } }
      : {}),
  };
}

function recolored(plan: SeenPlan, colors: PersonSettings['colors']): Pick<SeenPlan, 'courses' | 'classes'> {
  const own = <C extends SeenPlan['courses'][number]>(course: C): C => ({
    ...course,
    color: colors[course.code] ?? course.color,
  });
  return {
    courses: plan.courses.map(own),
    classes: plan.classes.map((seen) => ({ ...seen, course: own(seen.course) })),
  };
}
