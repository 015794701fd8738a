import type { CourseId, FileId } from '../ids';
import type { Material } from '../materials/material';
import { inOrder, outlineOf } from '../materials/outline';
import type { Occurrence } from '../plan/occurrence';
import type { SeenPlan } from '../plan/seenPlan';
import { titleOf } from '../plan/titleOf';
import { isEveryone } from '../entries/entry';
import type { SeenEntry } from '../entries/seenBy';
import { escapeHtml } from '../richText/escapeHtml';
import { sanitize } from '../richText/sanitize';
import { entryTexts } from '../texts/entries';
import { packageTexts as say } from '../texts/packages';
import { momentLabel } from '../time/dateLabels';
import { teachingWeeks, weekNumber } from '../time/term';
import { dayOf } from '../time/zonedWall';
import type { WrittenItem } from './writeCartridge';

type Work = Extract<SeenEntry, { kind: 'assignment' }>;

const asLink = (url: string) => /^https?:/i.test(url);

/** A material as a package has it: what it has no kind for becomes a link, or a page that says what it was. */
function fromMaterial(
  { id, parent, kind, title, url, file, text }: Material,
  pathOf: (file: FileId) => string | undefined,
): WrittenItem {
  const common = { id, ...(parent ? { parent } : {}), title, url: '', text: sanitize(text) };
  if (kind === 'unit') return { ...common, kind, text: '' };
  const path = file && pathOf(file);
  if (path) return { ...common, kind: 'webContent', text: '', file: path };
  if (kind === 'topic' || kind === 'assignment') return { ...common, kind };
  return asLink(url) ? { ...common, kind: 'webLink', url, text: '' } : { ...common, kind: 'page' };
}

const paragraph = (text: string) => `<p>${escapeHtml(text)}</p>`;

function datesOf({ setOn, opens, due, closes }: Work, locale: string): string {
  const dates = [
    setOn && `${entryTexts.kind.set} ${momentLabel(setOn, locale)}`,
    opens && `${say.opens} ${momentLabel(opens, locale)}`,
    `${setOn ? entryTexts.kind.due.toLowerCase() : entryTexts.kind.due} ${momentLabel(due, locale)}`,
    closes && `${say.closes} ${momentLabel(closes, locale)}`,
  ];
  return paragraph(`${dates.filter(Boolean).join(', ')}.`);
}

/** What everybody in the course sees, week by week. */
function scheduleOf(occurrences: readonly Occurrence[], plan: SeenPlan, course: CourseId): string {
  const own = plan.courses.find(({ id }) => id === course)!;
  const term = plan.terms.find(({ id }) => id === own.term)!;
  const lineOf = (o: Occurrence) =>
    `<li>${escapeHtml(`${momentLabel(o.start, plan.locale)}: ${titleOf(o)}${o.kind === 'due' ? ` (${entryTexts.kind.due.toLowerCase()})` : ''}`)}</li>`;
  return teachingWeeks(term)
    .map(({ number }) => {
      const lines = occurrences.filter((o) => weekNumber(term, dayOf(o.start)) === number).map(lineOf);
      const theme = own.themes.get(number);
      return lines.length === 0
        ? ''
        : `<h3>${escapeHtml(say.week({ n: number, theme }))}</h3><ul>${lines.join('')}</ul>`;
    })
    .join('');
}

/** What is for everybody in the course, and not a draft. */
const isForAll = (entry: SeenEntry, course: CourseId): entry is Exclude<SeenEntry, { kind: 'note' }> =>
  entry.kind !== 'note' &&
  entry.visibility.kind !== 'draft' &&
  entry.audience.some((part) => part.course === course && isEveryone(part));

/**
 * A course as its staff take it elsewhere: the outline, the work with its dates in words, and a page that says what is when.
 * Drafts, and what is for some students alone, stay behind.
 */
export function cartridgeOutline(
  plan: SeenPlan,
  course: CourseId,
  {
    materials,
    occurrences,
    pathOf,
  }: Readonly<{
    materials: readonly Material[];
    occurrences: readonly Occurrence[];
    pathOf: (file: FileId) => string | undefined;
  }>,
): WrittenItem[] {
  const entries = plan.entries.filter((entry) => isForAll(entry, course));
  const shown = new Set<string>(entries.map(({ id }) => id));
  const kinds = new Set<Occurrence['kind']>(['class', 'event', 'due', 'announcement']);
  const listed = occurrences.filter(
    (o) =>
      kinds.has(o.kind) && o.courses.includes(course) && ('entry' in o ? shown.has(o.entry) : o.kind === 'class' && o.plan), // prettier-ignore
  );
  const work = entries.filter((entry): entry is Work => entry.kind === 'assignment');
  const holder: WrittenItem = { id: `work-${course}`, kind: 'unit', title: say.work, url: '', text: '' };
  return [
    ...inOrder(outlineOf(materials)).map(({ material }) => fromMaterial(material, pathOf)),
    ...(work.length === 0 ? [] : [holder]),
    ...work.map((entry): WrittenItem => ({
      id: entry.id,
      parent: holder.id,
      kind: 'assignment',
      title: entry.title,
      url: '',
      text: datesOf(entry, plan.locale) + sanitize(entry.description),
    })),
    {
      id: `schedule-${course}`,
      kind: 'page',
      title: say.schedule,
      url: '',
      text: scheduleOf(listed, plan, course),
    },
  ];
}
