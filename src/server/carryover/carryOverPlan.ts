import { randomUUID } from 'node:crypto';
import type { CarryInput, CarryLine, CoursePlan } from '@/core/carryover/carry';
import { carryOver } from '@/core/carryover/carryOver';
import { planFromFile } from '@/core/exchange/planFromFile';
import type { CourseId } from '@/core/ids';
import type { Course, Plan } from '@/core/plan/plan';
import { mayIn } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { carryTexts } from '@/core/texts/carryOver';
import { concernsCourse } from '@/core/time/closure';
import type { Term } from '@/core/time/term';
import { requireZone } from '@/core/time/zoneData';
import { insertMaterials } from '@/data/materials/materials';
import { writeClassPlan } from '@/data/plan/classPlans';
import { loadPlan } from '@/data/plan/loadPlan';
import { insertSheet } from '@/data/signup/sheets';
import type { Reader } from '@/data/reader';
import { saveNewEntries } from '../entries/saveEntry';
import { openPlan } from '../exchange/openPlan';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { repointOutlets } from './repointOutlets';

type Sides = Readonly<{ before: CoursePlan; after: CoursePlan; locale: string }>;

/** A course with everything planned in it, and the closures that concern it. */
function sideOf(plan: Plan, course: Course): CoursePlan {
  const term = plan.terms.find(({ id }) => id === course.term)!;
  const isFor = (parts: readonly Readonly<{ course: CourseId }>[]) =>
    parts.some((part) => part.course === course.id);
  return {
    term,
    zone: requireZone(term.tzid),
    course,
    closures: plan.closures.filter(
      (closure) => closure.term === term.id && concernsCourse(closure, course.id),
    ),
    classPlans: plan.classPlans.filter((p) => p.course === course.id),
    entries: plan.entries.filter((entry) => entry.kind !== 'note' && isFor(entry.audience)),
    sheets: plan.sheets.filter((sheet) => isFor(sheet.audience)),
    materials: plan.materials.filter((material) => material.course === course.id),
  };
}

async function sidesFor(
  reader: Reader,
  actor: SignedIn,
  { from, to }: Pick<CarryInput, 'from' | 'to'>,
  saved: Plan | undefined,
): Promise<Outcome<Sides>> {
  if (!mayIn(actor, 'carryOver', to)) return refused('notFound');
  if (saved) {
    const plan = await loadPlan(reader, [to]);
    const [source, target] = [saved.courses.find(({ id }) => id === from), plan.courses[0]];
    if (!source || !target) return refused('notFound');
    return done({ before: sideOf(saved, source), after: sideOf(plan, target), locale: plan.locale });
  }
  if (!mayIn(actor, 'carryOver', from)) return refused('notFound');
  if (from === to) return refused('badRequest', [{ field: 'to', message: carryTexts.sameCourse }]);
  const plan = await loadPlan(reader, [from, to]);
  const [source, target] = [from, to].map((id) => plan.courses.find((course) => course.id === id));
  if (!source || !target) return refused('notFound');
  return done({ before: sideOf(plan, source), after: sideOf(plan, target), locale: plan.locale });
}

type SavedSource = Readonly<{ plan: Plan; outline: boolean }>;

/** The plan in the package that is to be carried over, if it is one. */
async function savedPlan(
  pembit: Pembit,
  actor: SignedIn,
  { file }: CarryInput,
  keepFiles: boolean,
): Promise<Outcome<SavedSource | undefined>> {
  if (!file) return done(undefined);
  const opened = await openPlan(pembit, actor, file, keepFiles);
  if (!opened.ok) return opened;
  const { plan } = opened.value;
  return done({ outline: plan.outline, plan: planFromFile({ file: plan, now: pembit.now(), locale: '' }) });
}

export type CarryPreview = Readonly<{
  lines: readonly CarryLine[];
  materials: number;
  themes: number;
  /** Who sees it at once, unless it is carried as drafts. */
  students: number;
  locale: string;
  /** Of an outline, which has no dates: the term that its days count in. */
  outlineOf?: Term;
}>;

/** What comes of everything that is planned in a course when it is carried to another; nothing is saved. */
export async function previewCarryOver(
  pembit: Pembit,
  actor: SignedIn,
  input: CarryInput,
): Promise<Outcome<CarryPreview>> {
  const saved = await savedPlan(pembit, actor, input, false);
  if (!saved.ok) return saved;
  const sides = await sidesFor(pembit, actor, input, saved.value?.plan);
  if (!sides.ok) return sides;
  const { before, after, locale } = sides.value;
  const carried = carryOver(before, after, carryingOf(pembit, actor, input));
  return done({
    lines: carried.lines,
    materials: carried.materials.length,
    themes: carried.themes.size,
    students: after.course.students,
    locale,
    ...(saved.value?.outline ? { outlineOf: before.term } : {}),
  });
}

const carryingOf = (pembit: Pembit, actor: SignedIn, input: CarryInput) => ({
  ...input,
  now: pembit.now(),
  newId: randomUUID,
  actor: actor.person,
});

/** Carries a plan over, and points public outlets at the new course: one act, undone as one. */
export async function carryOverPlan(
  pembit: Pembit,
  actor: SignedIn,
  input: CarryInput,
): Promise<Outcome<{ carried: number; code: string }>> {
  const saved = await savedPlan(pembit, actor, input, true);
  if (!saved.ok) return saved;
  return perform(pembit, actor, 'carryOver', async (change) => {
    const sides = await sidesFor(change, actor, input, saved.value?.plan);
    if (!sides.ok) return sides;
    const { before, after } = sides.value;
    const { classPlans, entries, sheets, materials, themes } = carryOver(before, after, carryingOf(pembit, actor, input)); // prettier-ignore
    await insertMaterials(change, materials, after.term.tzid);
    for (const plan of classPlans) await writeClassPlan(change, plan);
    const { wrong } = await saveNewEntries(change, entries, { actor, act: 'carryOver', courses: [after.course] }); // prettier-ignore
    const bad = entries.find(({ id }) => wrong.has(id));
    if (bad) return refused('badRequest', [{ field: 'choices', message: carryTexts.doesNotHold({ title: bad.title, why: wrong.get(bad.id)! }) }]); // prettier-ignore
    for (const sheet of sheets) await insertSheet(change, sheet);
    await change.insert('themes', [...themes].map(([week, theme]) => ({ id: randomUUID(), course_id: after.course.id, week, theme }))); // prettier-ignore
    const repointed = await repointOutlets(pembit, change, actor, { before, after, outlets: input.outlets });
    if (!repointed.ok) return repointed;
    change.concerns(`course:${after.course.id}`);
    const carried = classPlans.length + entries.length + sheets.length;
    change.summarise(carryTexts.carried({ n: carried, to: after.course.code }));
    return done({ carried, code: after.course.code });
  });
}
