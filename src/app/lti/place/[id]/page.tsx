import type { Metadata } from 'next';
import { mainMoment } from '@/core/entries/entry';
import { courseNames } from '@/core/plan/courseNames';
import type { SeenPlan } from '@/core/plan/seenPlan';
import type { SeenMaterial } from '@/core/materials/seenMaterials';
import { ltiTexts } from '@/core/texts/lti';
import { refusalTexts } from '@/core/texts/refusals';
import { momentLabel } from '@/core/time/dateLabels';
import { termDays } from '@/core/time/term';
import { linkedCourse } from '@/server/lti/arrive';
import { waitingPlacing } from '@/server/lti/placing';
import { materialsSeenBy } from '@/server/materials/materialsSeenBy';
import { outletsFor } from '@/server/outlets/publish';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { todayIn } from '@/server/plan/todayIn';
import { sharedPembit } from '@/server/pembit';
import { DayFrame } from '@/ui/days/DayFrame';
import { PlaceForm } from '@/ui/lti/PlaceForm';
import type { Placeable, Placeables } from '@/ui/lti/PlaceForm';
import styles from '@/ui/lti/Lti.module.css';
import { signedInOr } from '../../../signedIn';
import { termOnPage } from '../../../termOnPage';

const say = ltiTexts.place;
export const metadata: Metadata = { title: say.title };

type Offered = Readonly<{
  plan: SeenPlan;
  materials: readonly SeenMaterial[];
  embeds: readonly Readonly<{ id: string; name: string }>[];
  /** Of the site's course alone, where it is linked with one. */
  isOffered: (course: string) => boolean;
}>;

/** What of a plan can be placed, the plan's own first where the site's course is one of its courses. */
function placeablesOf({ plan, materials, embeds, isOffered }: Offered): Placeables {
  const named = (path: string, title: string, beside?: string): Placeable => ({
    path,
    title,
    label: beside ? `${title} · ${beside}` : title,
  });
  return {
    hours: plan.sheets
      .filter(({ asStaff }) => asStaff)
      .map(({ id, title }) => named(`/s/${id}`, title)),
    entry: plan.entries
      .filter((entry) => entry.kind !== 'note' && entry.audience.some(({ course }) => isOffered(course)))
      .map((entry) => named(`/e/${entry.id}`, entry.title, momentLabel(mainMoment(entry), plan.locale))),
    material: materials
      .filter(({ course }) => isOffered(course))
      .map(({ id, title }) => named(`/m/${id}`, title)),
    view: Object.entries(say.views).map(([path, title]) => named(path, title)),
    embed: embeds.map(({ id, name }) => named(id, name)),
  };
} // prettier-ignore

/** While a page of a course's site is being written: what of Pembit goes into it. */
export default async function PlacePage({ params }: Readonly<{ params: Promise<{ id: string }> }>) {
  const { id } = await params;
  const actor = await signedInOr(`/lti/place/${id}`);
  const pembit = sharedPembit();
  const waiting = await waitingPlacing(pembit, actor, id);
  if (!waiting)
    return (
      <main className={styles.page}>
        <h1>{say.title}</h1>
        <p className="notice">{refusalTexts.launchOver}</p>
      </main>
    );
  const [plan, materials, outlets, linked] = await Promise.all([
    planSeenBy(pembit, actor.viewer),
    materialsSeenBy(pembit, actor.viewer),
    outletsFor(pembit, actor),
    linkedCourse(pembit, waiting),
  ]);
  const own = plan.courses.find((course) => course.id === linked?.course);
  const today = todayIn(pembit, plan);
  const { term } = await termOnPage(plan);
  const { accepted } = waiting.order;
  return (
    <DayFrame today={today.toString()} locale={plan.locale} term={term && termDays(term)}>
      <main className={styles.page}>
        <h1>{say.title}</h1>
        <p>{say.lead({ site: waiting.platform.name })}</p>
        <PlaceForm
          id={id}
          placeables={placeablesOf({
            plan,
            materials,
            embeds: outlets.filter(({ kind }) => kind === 'embed'),
            isOffered: (course) => !own || course === own.id,
          })}
          course={own && { key: courseNames(plan.courses, plan.terms).get(own.id)!.key, code: own.code }}
          today={today.toString()}
          locale={plan.locale}
          frames={accepted.frames}
        />
      </main>
    </DayFrame>
  );
} // prettier-ignore
