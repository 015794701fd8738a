import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { courseByKey } from '@/core/plan/courseNames';
import { sheetDays } from '@/core/plan/daySheet';
import { occurrencesOf } from '@/core/plan/occurrences';
import { daySheetTexts } from '@/core/texts/daySheet';
import { currentTerm } from '@/core/time/term';
import { dateLabel } from '@/core/time/dateLabels';
import { requireZone } from '@/core/time/zoneData';
import { filesInPlace } from '@/server/materials/filesInPlace';
import { materialsSeenBy } from '@/server/materials/materialsSeenBy';
import { sharedPembit } from '@/server/pembit';
import { DayDesk } from '@/ui/daySheet/DayDesk';
import { Around } from '@/ui/daySheet/DayPageParts';
import styles from '@/ui/daySheet/DaySheet.module.css';
import { daySheetView, linkedIn } from '@/ui/daySheet/daySheetView';
import { FilesInPlace } from '@/ui/materials/PlayHere';
import { Sheet } from '@/ui/daySheet/Sheet';
import { PageFrame } from '../../PageFrame';
import { planPage } from '../../planPage';
import { titleOfPage } from '../../titleOfPage';

type Props = {
  params: Promise<{ date: string }>;
  searchParams: Promise<Record<string, string | undefined>>;
};

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const days = sheetDays(decodeURIComponent((await params).date));
  return titleOfPage(daySheetTexts.title, ({ locale }) =>
    days?.length === 1 ? dateLabel(days[0]!, 'full', locale) : undefined,
  );
}

/** Everything of one day, or of several, in one course or over all of the viewer's: `/day/DATE?course=CODE`. */
export default async function DayPage({ params, searchParams }: Props) {
  const { date: text } = await params;
  const search = await searchParams;
  const { course: code } = search;
  const asked = decodeURIComponent(text);
  const page = await planPage(`/day/${asked}${code ? `?course=${encodeURIComponent(code)}` : ''}`, search, {
    everyTerm: true,
  });
  const { actor, plan, mayMove } = page;
  const days = sheetDays(asked);
  const [first] = days ?? [];
  if (!days || !first) notFound();
  const pembit = sharedPembit();
  const term = currentTerm(plan.terms, first);
  const course = code === undefined ? undefined : courseByKey(plan.courses, code, term)?.id;
  if (code !== undefined && !course) notFound();
  // An archived course is out of the way elsewhere; its days stay where their addresses lead.
  const occurrences = course && !page.shown.has(course) ? occurrencesOf(plan, requireZone) : page.occurrences;
  const materials = await materialsSeenBy(pembit, page.viewer);
  const at = { now: pembit.now(), zoneOf: requireZone };
  const views = days.map((date) =>
    daySheetView(date, { plan, term, occurrences, materials, mayMove, at, course }),
  );
  const [view] = views;
  // Days on which nothing is planned are passed over among several.
  const some = views.filter((one) => one.parts.length > 0);
  const around = (
    <Around
      view={view!}
      code={code}
      neighbours={{
        before: first.subtract({ days: 1 }).toString(),
        after: first.add({ days: 1 }).toString(),
      }}
    />
  );
  const files = await filesInPlace(pembit, views.flatMap(linkedIn));
  if (views.length === 1 && page.data && !page.data.notesOnly)
    return (
      <PageFrame actor={actor} wide>
        <FilesInPlace files={files}>
          <DayDesk view={view!} data={page.data}>
            {around}
          </DayDesk>
        </FilesInPlace>
      </PageFrame>
    );
  return (
    <PageFrame actor={actor}>
      <div className={styles.page}>
        {views.length > 1 ? (
          <h1>
            {daySheetTexts.range({
              first: dateLabel(first, 'long', plan.locale),
              last: dateLabel(days.at(-1)!, 'long', plan.locale),
            })}
          </h1>
        ) : null}
        {(views.length > 1 && some.length > 0 ? some : views).map((one) => (
          <section key={one.date} aria-label={one.heading} className={styles.day}>
            <p className="soft">{one.where}</p>
            {views.length > 1 ? <h2>{one.heading}</h2> : <h1>{one.heading}</h1>}
            {one.parts.length === 0 ? (
              <p className="empty">{daySheetTexts.nothing}</p>
            ) : (
              <FilesInPlace files={files}>
                <Sheet view={one} />
              </FilesInPlace>
            )}
          </section>
        ))}
        {around}
      </div>
    </PageFrame>
  );
}
