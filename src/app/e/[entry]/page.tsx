import type { Metadata } from 'next';
import { Link } from '@/ui/controls/Link';
import { notFound } from 'next/navigation';
import { mainMoment } from '@/core/entries/entry';
import type { EntryId } from '@/core/ids';
import { entryTexts } from '@/core/texts/entries';
import { notesOnTexts } from '@/core/texts/student';
import { trustTexts } from '@/core/texts/trust';
import { termOfCourse } from '@/core/plan/seenPlan';
import { currentTerm } from '@/core/time/term';
import { filesInPlace } from '@/server/materials/filesInPlace';
import { FilesInPlace } from '@/ui/materials/PlayHere';
import { dayOf } from '@/core/time/zonedWall';
import { goneEntry, trustOfEntry } from '@/server/history/trustLines';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { recordShown } from '@/server/plan/recordShown';
import { todayIn } from '@/server/plan/todayIn';
import { questionsOn } from '@/server/questions/questionsOn';
import { QuestionsPart } from '@/ui/questions/QuestionsPart';
import { whomToAsk } from '@/server/students/whomToAsk';
import { requireZone } from '@/core/time/zoneData';
import { WhomToAsk } from '@/ui/student/WhomToAsk';
import { sharedPembit } from '@/server/pembit';
import { ReadEntry } from '@/ui/entries/ReadEntry';
import { TrustList } from '@/ui/entries/TrustList';
import { panelEntry } from '@/ui/entries/panelView';
import { NotesOn } from '@/ui/student/NotesOn';
import { PageFrame } from '../../PageFrame';
import { signedInOr } from '../../signedIn';
import { titleOfPage } from '../../titleOfPage';

type Props = { params: Promise<{ entry: string }> };

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  const { entry: id } = await params;
  return titleOfPage(entryTexts.kind.event, ({ entries }) => entries.find((e) => e.id === id)?.title);
}

/** One entry by its address, as the signed-in person may see it. */
export default async function EntryPage({ params }: Props) {
  const { entry: id } = await params;
  const actor = await signedInOr(`/e/${id}`);
  const pembit = sharedPembit();
  const plan = await planSeenBy(pembit, actor.viewer);
  const entry = plan.entries.find((e) => e.id === id);
  await recordShown(pembit, actor.person.id, { entries: entry ? [entry] : [] });
  if (!entry) {
    const gone = await goneEntry(pembit, actor, id as EntryId);
    if (!gone) notFound();
    return (
      <PageFrame actor={actor}>
        <h1>{trustTexts.gone({ title: gone.title })}</h1>
        <p>{trustTexts.goneLead}</p>
        <TrustList lines={gone.lines} />
      </PageFrame>
    );
  }
  const links = entry.kind === 'note' ? [] : entry.links;
  const files = await filesInPlace(pembit, [links.map(({ url }) => url)]);
  const trust = await trustOfEntry(pembit, actor, entry.id);
  const term =
    (entry.kind === 'note' ? undefined : termOfCourse(plan, entry.audience[0]?.course)) ??
    currentTerm(plan.terms, todayIn(pembit, plan));
  const shown = (e: typeof entry) =>
    panelEntry(e, { courses: plan.courses, term, locale: plan.locale, abroad: plan.abroad, mayEdit: false });
  // Whoever teaches it is whom the others ask.
  const courses = entry.kind === 'note' || entry.asStaff ? [] : entry.audience.map((part) => part.course);
  const asks = courses.length > 0 ? await whomToAsk(pembit, plan, courses) : undefined;
  const asked = await questionsOn(pembit, actor, plan, entry.id);
  const about = entry.kind === 'note' ? plan.entries.find((e) => e.id === entry.about) : undefined;
  const notes = plan.entries.filter((e) => e.kind === 'note' && e.about === entry.id);
  return (
    <PageFrame actor={actor}>
      <FilesInPlace files={files}>
        <ReadEntry entry={shown(entry)} />
      </FilesInPlace>
      {asks ? <WhomToAsk {...asks} plan={plan} zoneOf={requireZone} /> : null}
      {asked && entry.kind !== 'note' ? (
        <QuestionsPart about={entry.id} on={asked} plan={plan} tzid={entry.tzid} zoneOf={requireZone} />
      ) : null}
      {trust.ok ? <TrustList lines={trust.value.lines} /> : null}
      {about ? (
        <p>
          {notesOnTexts.about} <Link href={`/e/${about.id}`}>{about.title}</Link>
        </p>
      ) : null}
      {entry.kind === 'note' ? null : (
        <NotesOn
          entry={entry.id}
          day={dayOf(mainMoment(entry)).toString()}
          notes={notes.map(shown).map(({ id: note, title, when }) => ({ id: note, title, when }))}
        />
      )}
    </PageFrame>
  );
}
