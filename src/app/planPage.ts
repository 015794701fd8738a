import type { Temporal } from 'temporal-polyfill';
import type { Viewer } from '@/core/entries/viewer';
import type { Occurrence } from '@/core/plan/occurrence';
import { withNews } from '@/core/plan/changesSince';
import { occurrencesOf } from '@/core/plan/occurrences';
import type { SeenPlan } from '@/core/plan/seenPlan';
import type { Term } from '@/core/time/term';
import { requireZone } from '@/core/time/zoneData';
import { sharedPembit } from '@/server/pembit';
import { rostersOf } from '@/server/people/rosters';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { recordShown } from '@/server/plan/recordShown';
import type { SeeAs } from '@/server/plan/seeAs';
import { seeAsChoices, seeAsViewer } from '@/server/plan/seeAs';
import { unseenChanges } from '@/server/students/changes';
import type { SignedIn } from '@/server/session/session';
import { withoutCourses } from '@/ui/frame/switchedCourses';
import type { DeskData } from '@/ui/plan/planItem';
import { deskData, mayEdit } from '@/ui/plan/deskData';
import { keptView, numberOf } from './keptView';
import { signedInOr } from './signedIn';
import { termOnPage } from './termOnPage';
import { shownCourses } from './shownCourses';

/** What every view of the plan begins with: who looks, what they see, expanded; and what the panel needs. */
export type PlanPage = Readonly<{
  actor: SignedIn;
  viewer: Viewer;
  /** Set while staff look at the plan as somebody else. */
  as?: SeeAs;
  choices: readonly SeeAs[];
  plan: SeenPlan;
  term?: Term;
  /** The same list as long as the plan, the switches and the news are the same: views are kept on it. */
  occurrences: readonly Occurrence[];
  /** Ids of the courses that are switched on. */
  shown: ReadonlySet<string>;
  mayMove: (entry: string) => boolean;
  today: Temporal.PlainDate;
  data?: DeskData;
}>;

/** `everyTerm`: of a page that is about days, whichever term they lie in. */
export async function planPage(
  path: string,
  search: Record<string, string | undefined>,
  { everyTerm = false }: { everyTerm?: boolean } = {},
): Promise<PlanPage> {
  const actor = await signedInOr(path);
  const pembit = sharedPembit();
  const as = await seeAsViewer(pembit, actor, search.as);
  const viewer = as?.viewer ?? actor.viewer;
  const plan = await planSeenBy(pembit, viewer, { notes: !as });
  const { term, today, ...around } = await termOnPage(plan);
  const beside = everyTerm ? undefined : around.beside;
  const choices = await seeAsChoices(pembit, actor, beside);
  const off = withoutCourses(search.without);
  const shown = shownCourses(plan, off, beside);
  // The ruler tells staff that a time is taken; to students their own booking is an entry of the day.
  const changes = as ? [] : await unseenChanges(pembit, actor, plan);
  const occurrences = keptView(plan, ['shown', [...shown], [...off], numberOf(changes)], () =>
    withNews(occurrencesOf(plan, requireZone), changes).filter(
      (o) =>
        (o.kind === 'note' || o.courses.some((id) => shown.has(id))) &&
        !(o.kind === 'booking' && !o.mine) &&
        !(o.kind === 'outside' && off.has(o.calendar)),
    ),
  );
  const editable = new Set<string>(
    as ? [] : plan.entries.filter((entry) => mayEdit(viewer, entry)).map((entry) => entry.id),
  );
  if (!as) await recordShown(pembit, actor.person.id, plan);
  const rosters = await rostersOf(pembit, actor);
  return {
    actor,
    viewer,
    as,
    choices,
    plan,
    term,
    occurrences,
    shown,
    mayMove: (entry) => editable.has(entry),
    today,
    data: term && {
      ...keptView(occurrences, ['desk', term.id, today, as?.key, numberOf(rosters)], () =>
        deskData(viewer, plan, { term, rosters, today: today.toString(), shown, as: as?.key }),
      ),
      version: String(pembit.queue.version()),
    },
  };
}
