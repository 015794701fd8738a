import { mayOffice } from '@/core/may/may';
import { randomUUID } from 'node:crypto';
import type { Temporal } from 'temporal-polyfill';
import { z } from 'zod';
import type { PlanFile } from '@/core/exchange/planFile';
import { planFromFile } from '@/core/exchange/planFromFile';
import { fileId, personId } from '@/core/ids';
import type { FileId, PersonId, TermId } from '@/core/ids';
import type { Course, Plan } from '@/core/plan/plan';
import type { FieldError, Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { planFileTexts } from '@/core/texts/planFiles';
import { dateLabel } from '@/core/time/dateLabels';
import type { Term } from '@/core/time/term';
import { addEntries } from '@/data/entries/writeEntries';
import type { Reader } from '@/data/reader';
import type { Change } from '@/data/history/change';
import { insertMaterials } from '@/data/materials/materials';
import { personById } from '@/data/people/people';
import { isAnyIn } from '@/data/soundness';
import { writeClassPlan } from '@/data/plan/classPlans';
import {
  fromClosure,
  fromCourseFacts,
  fromMeeting,
  fromExtraClass,
  fromPattern,
  fromSection,
  fromSiteDate,
  fromTerm,
} from '@/data/plan/frameRows';
import { siteClosures } from '@/data/plan/frameStore';
import { allTerms, siteDatesOf } from '@/data/plan/loadPlan';
import { schoolSettings } from '@/data/plan/schoolSettings';
import { insertSheet } from '@/data/signup/sheets';
import { codeTaken } from '../frame/courses';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import type { OpenedPlan } from './parsePlan';
import { openPlan, withIds, withNewIds } from './openPlan';
import { staffRow } from '@/data/people/memberRows';

export const bringInput = z.object({
  file: fileId,
  instructor: personId.describe('Who teaches its courses from now on, and holds its office hours.'),
});
export type BringInput = z.output<typeof bringInput>;

/** What a package would add: its courses, and the term they join or bring along. */
export type PlanPreview = Readonly<{
  outline: boolean;
  /** Its first and last day as people read them. */
  term: Readonly<{ name: string; from: string; to: string; zone: string }>;
  termHere: boolean;
  courses: readonly Readonly<{ id: string; code: string; title: string; classes: number; planned: number }>[];
  /** Why it cannot be brought in as it is. */
  problems: readonly string[];
}>;

/** The term of this school that is the one of a package: of its name, its dates and its zone. */
const termHere = async (reader: Reader, { term }: PlanFile): Promise<Term | undefined> =>
  (await allTerms(reader)).find(
    (own) =>
      own.name === term.name &&
      own.tzid === term.tzid &&
      own.startsOn.equals(term.startsOn) &&
      own.endsOn.equals(term.endsOn),
  );

async function codesTaken(reader: Reader, plan: PlanFile, term: Term | undefined): Promise<FieldError[]> {
  if (!term) return [];
  const errors: FieldError[] = [];
  for (const { code } of plan.courses)
    if ((await codeTaken(reader, { term: term.id, code })).length > 0)
      errors.push({ field: 'file', message: planFileTexts.codeTaken({ code, term: term.name }) });
  return errors;
}

const plannedIn = (plan: PlanFile, course: string): number => {
  const isFor = ({ audience }: Readonly<{ audience: readonly Readonly<{ course: string }>[] }>) =>
    audience.some((part) => part.course === course);
  return (
    plan.classPlans.filter((p) => p.course === course).length +
    plan.entries.filter(isFor).length +
    plan.sheets.filter(isFor).length
  );
};

/** Says what a package holds; an outline can be looked at by everyone who teaches, for it is carried over. */
export async function previewPlan(
  pembit: Pembit,
  actor: SignedIn,
  file: FileId,
): Promise<Outcome<PlanPreview>> {
  const opened = await openPlan(pembit, actor, file);
  if (!opened.ok) return opened;
  const { plan } = opened.value;
  const term = await termHere(pembit, plan);
  const { locale } = await schoolSettings(pembit);
  const label = (day: Temporal.PlainDate) => dateLabel(day, 'long', locale);
  return done({
    outline: plan.outline,
    term: {
      name: plan.term.name,
      from: label(plan.term.startsOn),
      to: label(plan.term.endsOn),
      zone: plan.term.tzid,
    },
    termHere: term !== undefined,
    courses: plan.courses.map(({ id, code, title, sections }) => ({
      id,
      code,
      title,
      classes: sections.flatMap(({ meetings }) => meetings).length,
      planned: plannedIn(plan, id),
    })),
    problems: plan.outline
      ? [planFileTexts.isOutline]
      : (await codesTaken(pembit, plan, term)).map(({ message }) => message),
  });
}

/** Adds the courses of a package, and their term where it is not here: one act, undone as one. For the administrator. */
export async function bringPlan(
  pembit: Pembit,
  actor: SignedIn,
  { file, instructor }: BringInput,
): Promise<Outcome<{ courses: number; term: string }>> {
  if (!mayOffice(actor, 'bringPlan')) return refused('notYours');
  const opened = await openPlan(pembit, actor, file, true);
  if (!opened.ok) return opened;
  if (opened.value.plan.outline)
    return refused('badRequest', [{ field: 'file', message: planFileTexts.isOutline }]);
  return perform(pembit, actor, 'bringPlan', async (change) => {
    const host = await personById(change, instructor);
    if (!host) return refused('badRequest', [{ field: 'instructor', message: 'Choose an instructor.' }]);
    const term = await termHere(change, opened.value.plan);
    const taken = await codesTaken(change, opened.value.plan, term);
    if (taken.length > 0) return refused('badRequest', taken);
    const renamed = await ownIds(change, opened.value, term);
    if (!renamed.ok) return renamed;
    const { locale } = await schoolSettings(change);
    const plan = planFromFile({ file: renamed.value.plan, now: pembit.now(), locale });
    await insertFrame(change, plan, { instructor, joins: term?.id });
    const tzid = plan.terms[0]!.tzid;
    await insertMaterials(change, plan.materials, tzid);
    for (const taught of plan.classPlans) await writeClassPlan(change, taught);
    const sequences = new Map(plan.entries.map(({ id, sequence }) => [id, sequence]));
    await addEntries(change, plan.entries, { courses: plan.courses, sequences });
    for (const sheet of plan.sheets)
      await insertSheet(change, { ...sheet, hosts: [{ id: instructor, name: host.name }] });
    change.concerns(`person:${instructor}`);
    change.summarise(planFileTexts.brought({ courses: plan.courses.length, term: plan.terms[0]!.name }));
    return done({ courses: plan.courses.length, term: plan.terms[0]!.name });
  });
}

/**
 * Into an installation that has nothing of it, everything keeps its id and UID; else all get new ones. The term that is here
 * already takes the place of the package's own.
 */
async function ownIds(reader: Reader, opened: OpenedPlan, term: Term | undefined): Promise<Outcome<OpenedPlan>> {
  const { plan } = opened;
  const here = (table: string, column: string, values: readonly string[]) =>
    isAnyIn(reader, { table, column, values });
  const ids = (things: readonly Readonly<{ id: string }>[]) => things.map(({ id }) => id);
  const known =
    (!term && (await here('terms', 'id', [plan.term.id]))) ||
    (await here('courses', 'id', ids(plan.courses))) ||
    (await here('sections', 'id', ids(plan.courses.flatMap(({ sections }) => sections)))) ||
    (await here('entries', 'id', ids(plan.entries))) ||
    (await here('entries', 'uid', plan.entries.map(({ uid }) => uid))) ||
    (await here('class_plans', 'id', ids(plan.classPlans))) ||
    (await here('materials', 'id', ids(plan.materials))) ||
    (await here('sheets', 'id', ids(plan.sheets)));
  const own = known ? withNewIds(opened) : done(opened);
  if (!own.ok || !term) return own;
  return withIds(own.value.text, (id) => (id === own.value.plan.term.id ? term.id : undefined));
} // prettier-ignore

const sameDays = (a: Readonly<{ name: string; start: object; end: object }>, b: typeof a) =>
  a.name === b.name && String(a.start) === String(b.start) && String(a.end) === String(b.end);

async function insertFrame(
  change: Change,
  { terms, courses, closures, siteDates }: Plan,
  { instructor, joins }: Readonly<{ instructor: PersonId; joins?: TermId }>,
): Promise<void> {
  if (!joins) await change.insert('terms', terms.map(fromTerm));
  await change.insert('courses', courses.map((course) => courseRow(course, change.nowMs)));
  await change.insert('staff', courses.map(({ id }) => staffRow({ course: id, person: instructor, role: 'instructor' })));
  for (const { id, sections, groups, themes } of courses) {
    await change.insert('sections', sections.map((section) => fromSection(section, id)));
    for (const section of sections) {
      await change.insert('patterns', section.patterns.map((pattern) => fromPattern(pattern, { id: randomUUID(), section: section.id })));
      await change.insert('extra_classes', (section.extraClasses ?? []).map((extra) => fromExtraClass(extra, section.id)));
      await change.insert('meetings', section.meetings.map((meeting) => fromMeeting(meeting, section.id)));
    }
    await change.insert('course_groups', groups.map((group) => ({ id: group.id, course_id: id, name: group.name })));
    await change.insert('themes', [...themes].map(([week, theme]) => ({ id: randomUUID(), course_id: id, week, theme })));
  }
  // What closes the whole school may be here with the term.
  const here = joins ? await siteClosures(change) : [];
  const dates = joins ? await siteDatesOf(change, [joins]) : [];
  const isHere = (c: Plan['closures'][number]) => !c.course && here.some((own) => own.term === joins && sameDays(own, c));
  await change.insert('closures', closures.filter((c) => !isHere(c)).map((c) => fromClosure({ ...c, id: randomUUID() as typeof c.id })));
  await change.insert('site_dates', siteDates.filter((d) => !dates.some((own) => sameDays(own, d))).map((d) => fromSiteDate({ ...d, id: randomUUID() as typeof d.id })));
} // prettier-ignore

const courseRow = (course: Course, nowMs: number) => ({
  id: course.id,
  term_id: course.term,
  ...fromCourseFacts(course),
  archived_at: course.archived ? nowMs : null,
  reopened: 0,
  join_generation: 0,
  join_hash: null,
});
