import { randomUUID } from 'node:crypto';
import type {
  ExtraClassInput,
  PatternInput,
  RoomsInput,
  SectionFactsInput,
  SectionInput,
} from '@/core/frame/frameInput';
import type { CourseId, SectionId } from '@/core/ids';
import type { Act } from '@/core/may/acts';
import { mayIn } from '@/core/may/may';
import type { Course, Section } from '@/core/plan/plan';
import type { FieldError, Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { courseTexts } from '@/core/texts/school';
import { concernsSection, closes } from '@/core/time/closure';
import { dateLabel } from '@/core/time/dateLabels';
import type { PatternClass } from '@/core/time/pattern';
import { changePattern } from '@/core/time/pattern';
import { placeFrom } from '@/core/time/placeFrom';
import type { Term } from '@/core/time/term';
import { isIn } from '@/core/time/term';
import type { Change } from '@/data/history/change';
import { fromExtraClass, fromSection } from '@/data/plan/frameRows';
import { courseOfSection, writePatterns } from '@/data/plan/frameStore';
import { loadFrame } from '@/data/plan/loadPlan';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { refitMeetings } from './refitMeetings';

/** What is wrong with a week in a term: days of a rotation that it does not have. */
export function unknownDays(
  classes: readonly PatternClass[],
  { cycle }: Pick<Term, 'cycle'>,
  field = 'week',
): FieldError[] {
  const missing = classes.find(({ cycleDay }) => cycleDay !== undefined && !cycle?.days.includes(cycleDay));
  return missing
    ? [{ field, message: courseTexts.noSuchDay({ day: missing.cycleDay!, days: cycle?.days ?? [] }) }]
    : [];
}

export function addSection(
  pembit: Pembit,
  actor: SignedIn,
  id: CourseId,
  input: SectionInput,
): Promise<Outcome<{ name: string }>> {
  return perform(pembit, actor, 'addSection', async (change) => {
    const frame = await loadFrame(change, [id]);
    const [course] = frame.courses;
    const [term] = frame.terms;
    if (!course || !term || !mayIn(actor, 'addSection', id)) return refused('notFound');
    const wrong = [...nameTaken(course, input.name), ...unknownDays(input.week, term)];
    if (wrong.length > 0) return refused('badRequest', wrong);
    await makeSection(change, id, input, term);
    await refitMeetings(change, [id]);
    change.summarise(frameHistoryTexts.addedSection({ name: input.name }));
    return done({ name: input.name });
  });
}

/** A section with its week from the term's first day on; its classes come when the course is fitted. */
export async function makeSection(
  change: Change,
  course: CourseId,
  { name, week }: SectionInput,
  term: Term,
): Promise<void> {
  const id = randomUUID() as SectionId;
  await change.insert('sections', [fromSection({ id, name }, course)]);
  await writePatterns(change, id, [{ from: term.startsOn, classes: week }]);
}

const nameTaken = (course: Course, name: string, except?: SectionId): FieldError[] =>
  course.sections.some((section) => section.name === name && section.id !== except)
    ? [{ field: 'name', message: courseTexts.sectionNameTaken }]
    : [];

type Held = Readonly<{ course: Course; section: Section; term: Term }>;

/** Does something to a section whose frame one may change; its classes follow. Says how many are gone. */
function changeSectionBy(
  pembit: Pembit,
  { actor, act, id }: Readonly<{ actor: SignedIn; act: Act; id: SectionId }>,
  write: (change: Change, held: Held) => Promise<readonly FieldError[]>,
): Promise<Outcome<{ lost: number }>> {
  return perform(pembit, actor, act, async (change) => {
    const courseId = await courseOfSection(change, id);
    if (!courseId || !mayIn(actor, act, courseId)) return refused('notFound');
    const { courses, terms } = await loadFrame(change, [courseId]);
    const section = courses[0]?.sections.find((one) => one.id === id);
    if (!section || !terms[0]) return refused('notFound');
    const wrong = await write(change, { course: courses[0]!, section, term: terms[0] });
    if (wrong.length > 0) return refused('badRequest', wrong);
    const lost = await refitMeetings(change, [courseId]);
    return done({ lost: lost.length });
  });
}

/** Another week for a section from a date on: what was before it stays, the meetings after it follow. */
export const changeWeek = (pembit: Pembit, actor: SignedIn, id: SectionId, input: PatternInput) =>
  changeSectionBy(pembit, { actor, act: 'changeWeek', id }, async (change, { section, term }) => {
    const wrong = unknownDays(input.week, term);
    if (wrong.length > 0) return wrong;
    await writePatterns(
      change,
      id,
      changePattern(section.patterns, { from: input.from, classes: input.week }),
    );
    change.summarise(frameHistoryTexts.changedWeek({ name: section.name, day: dateLabel(input.from) }));
    return [];
  });

/** Another name for a section, or other first and last days. */
export const changeSection = (pembit: Pembit, actor: SignedIn, id: SectionId, input: SectionFactsInput) =>
  changeSectionBy(pembit, { actor, act: 'changeSection', id }, async (change, { course, section }) => {
    const wrong = nameTaken(course, input.name, id);
    if (wrong.length > 0) return wrong;
    await change.update('sections', id, fromSection({ id: section.id, ...input }, course.id));
    change.summarise(frameHistoryTexts.changedSection({ name: input.name }));
    return [];
  });

/** Other rooms for the classes of a section from a day on, or between two. */
export const changeRooms = (pembit: Pembit, actor: SignedIn, id: SectionId, input: RoomsInput) =>
  changeSectionBy(pembit, { actor, act: 'changeRooms', id }, async (change, { section }) => {
    const { from, until, place } = input;
    await writePatterns(change, id, placeFrom(section.patterns, { from, until, place: place || undefined }));
    change.summarise(frameHistoryTexts.changedRooms({ name: section.name, day: dateLabel(from) }));
    return [];
  });

/** A class outside of the pattern, on a day that is open. */
export const addClass = (pembit: Pembit, actor: SignedIn, id: SectionId, input: ExtraClassInput) =>
  changeSectionBy(pembit, { actor, act: 'addClass', id }, async (change, { course, section, term }) => {
    const { closures } = await loadFrame(change, [course.id]);
    const closed = closures.find(
      (c) => c.term === term.id && concernsSection(c, course.id, id) && closes(c, input),
    );
    if (!isIn(term, input.date)) return [{ field: 'date', message: courseTexts.outsideTerm }];
    if (closed) return [{ field: 'date', message: courseTexts.closedFor({ name: closed.name }) }];
    const { place, ...when } = input;
    const extra = { id: randomUUID(), ...when, ...(place ? { place } : {}) };
    await change.insert('extra_classes', [fromExtraClass(extra, id)]);
    change.summarise(frameHistoryTexts.addedClass({ name: section.name, day: dateLabel(input.date) }));
    return [];
  });

/** Takes a class away that was added outside of the pattern; what was planned for it waits. */
export const removeClass = (pembit: Pembit, actor: SignedIn, id: SectionId, extra: string) =>
  changeSectionBy(pembit, { actor, act: 'removeClass', id }, async (change, { section }) => {
    const found = section.extraClasses?.find((one) => one.id === extra);
    if (!found) return [{ field: 'class', message: courseTexts.noSuchClass }];
    await change.remove('extra_classes', extra);
    change.summarise(frameHistoryTexts.removedClass({ name: section.name, day: dateLabel(found.date) }));
    return [];
  });
