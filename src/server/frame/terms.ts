import { randomUUID } from 'node:crypto';
import type { TermInput } from '@/core/frame/frameInput';
import { mainMoment } from '@/core/entries/entry';
import type { TermId } from '@/core/ids';
import { mayOffice } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { plannedMeetings } from '@/core/time/meetings';
import { concernsSection } from '@/core/time/closure';
import type { Term } from '@/core/time/term';
import { isIn } from '@/core/time/term';
import { dayOf } from '@/core/time/zonedWall';
import type { Reader } from '@/data/reader';
import { fromTerm } from '@/data/plan/frameRows';
import { calendarsInTerm, readAnew } from '@/data/outside/calendars';
import { courseIdsOf } from '@/data/plan/frameStore';
import { allTerms, loadPlan } from '@/data/plan/loadPlan';
import type { TermContents } from '@/data/plan/removeTerm';
import { removeTerm, runningIn, termContents } from '@/data/plan/removeTerm';
import { moveToZone } from '@/data/plan/moveToZone';
import { fitCalendarClosures } from '../outside/calendarClosures';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';
import { refitMeetings } from './refitMeetings';

/** The administrator adds a term. */
export function addTerm(pembit: Pembit, actor: SignedIn, input: TermInput): Promise<Outcome<Term>> {
  return perform(pembit, actor, 'addTerm', async (change) => {
    if (!mayOffice(actor, 'addTerm')) return refused('notYours');
    const term: Term = { ...input, id: randomUUID() as TermId };
    await change.insert('terms', [fromTerm(term)]);
    change.summarise(frameHistoryTexts.addedTerm({ name: term.name }));
    return done(term);
  });
}

/** What deleting a term would take away, in numbers. */
export async function termDeletion(
  pembit: Pembit,
  actor: SignedIn,
  id: TermId,
): Promise<Outcome<TermContents>> {
  if (!mayOffice(actor, 'deleteTerm')) return refused('notYours');
  const known = (await allTerms(pembit)).some((term) => term.id === id);
  return known ? done(await termContents(pembit, id)) : refused('notFound');
}

/** Deletes a term with all that is in it, once none of its courses runs any more. */
export function deleteTerm(pembit: Pembit, actor: SignedIn, id: TermId): Promise<Outcome<{ name: string }>> {
  return perform(pembit, actor, 'deleteTerm', async (change) => {
    if (!mayOffice(actor, 'deleteTerm')) return refused('notYours');
    const term = (await allTerms(change)).find((one) => one.id === id);
    if (!term) return refused('notFound');
    if ((await runningIn(change, id)).length > 0) return refused('coursesRun');
    await removeTerm(change, id);
    change.summarise(frameHistoryTexts.deletedTerm({ name: term.name }));
    return done({ name: term.name });
  });
}

/** What other dates or another zone of a term would do, in numbers. */
export type TermEffects = Readonly<{
  /** Classes that come and go. */
  classesAdded: number;
  classesLost: number;
  /** Entries and times that keep their wall time while the zone changes around them. */
  entriesKept: number;
  timesKept: number;
  /** Entries whose day would lie outside the term. */
  outside: number;
}>;

async function effectsOf(reader: Reader, before: Term, after: Term): Promise<TermEffects> {
  const ids = await courseIdsOf(reader, before.id);
  const plan = await loadPlan(reader, ids);
  const zoneChanges = before.tzid !== after.tzid;
  let classesAdded = 0;
  let classesLost = 0;
  for (const course of plan.courses) {
    for (const section of course.sections) {
      const closures = plan.closures.filter(
        (c) => c.term === before.id && concernsSection(c, course.id, section.id),
      );
      const keys = new Set(plannedMeetings(after, section, closures).map((m) => m.key));
      const had = new Set(section.meetings.map((m) => m.key));
      classesAdded += [...keys].filter((key) => !had.has(key)).length;
      classesLost += [...had].filter((key) => !keys.has(key)).length;
    }
  }
  return {
    classesAdded,
    classesLost,
    entriesKept: zoneChanges ? plan.entries.length : 0,
    timesKept: zoneChanges ? plan.sheets.flatMap((sheet) => sheet.slots).length : 0,
    outside: plan.entries.filter((entry) => !isIn(after, dayOf(mainMoment(entry)))).length,
  };
}

export async function previewTerm(
  pembit: Pembit,
  actor: SignedIn,
  id: TermId,
  input: TermInput,
): Promise<Outcome<TermEffects>> {
  if (!mayOffice(actor, 'changeTerm')) return refused('notYours');
  const before = (await allTerms(pembit)).find((term) => term.id === id);
  return before ? done(await effectsOf(pembit, before, { ...before, ...input })) : refused('notFound');
}

/** Changes a term: its classes follow its dates; in another zone everything keeps its wall time. */
export function changeTerm(
  pembit: Pembit,
  actor: SignedIn,
  id: TermId,
  input: TermInput,
): Promise<Outcome<TermEffects>> {
  return perform(pembit, actor, 'changeTerm', async (change) => {
    if (!mayOffice(actor, 'changeTerm')) return refused('notYours');
    const before = (await allTerms(change)).find((term) => term.id === id);
    if (!before) return refused('notFound');
    const after: Term = { ...before, ...input };
    const effects = await effectsOf(change, before, after);
    const courses = await courseIdsOf(change, id);
    await change.update('terms', id, fromTerm(after));
    await refitMeetings(change, courses);
    await readAnew(change, id);
    // Other days of its calendars lie in the term now.
    for (const calendar of await calendarsInTerm(change, id))
      await fitCalendarClosures(change, calendar, calendar.id);
    if (before.tzid !== after.tzid) await moveToZone(change, courses, after.tzid);
    change.summarise(frameHistoryTexts.changedTerm({ name: after.name }));
    return done(effects);
  });
}
