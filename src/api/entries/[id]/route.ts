import { z } from 'zod';
import { entryInput } from '@/core/entries/entryInput';
import { entryId } from '@/core/ids';
import { termOfCourse } from '@/core/plan/seenPlan';
import { may } from '@/core/may/may';
import { done, refused } from '@/core/refusals';
import { scopeInput } from '@/core/series/scope';
import { findingsOf } from '@/server/checks/findings';
import { changeEntry } from '@/server/entries/changeEntry';
import { deleteEntry } from '@/server/entries/deleteEntry';
import { linkTestsFor } from '@/server/links/linkTestsFor';
import { checkLine } from '@/ui/checks/checkLine';
import { answeredLinks } from '@/ui/entries/answeredLinks';
import { requireZone } from '@/core/time/zoneData';
import { panelEntry } from '@/ui/entries/panelView';
import { mayEdit } from '@/ui/plan/deskData';
import { panelPlan } from '@/api/panelPlan';
import { asQuery } from '../../asQuery';
import { endpoint } from '../../endpoint';
import { savedEntry, panelLink } from '../../records';
import { entryAnswer } from '../entryAnswer';

const params = z.object({ id: entryId });
const change = z
  .object({
    sequence: z.number({ error: 'Send the sequence you last saw.' }).int().min(0),
    entry: entryInput,
  })
  .and(scopeInput);

const found = z.object({
  callOff: z.boolean(),
  id: z.string(),
  sequence: z.number(),
  kind: z.enum(['event', 'assignment', 'announcement', 'note']),
  kindLabel: z.string(),
  tags: z.array(z.object({ tag: z.string(), color: z.string(), title: z.string() })),
  title: z.string(),
  when: z.string(),
  repeats: z.string(),
  cancelled: z.string().optional(),
  dates: z.array(
    z.object({
      label: z.string(),
      value: z.string(),
      day: z.string(),
      field: z.enum(['hiddenAfter', 'setOn', 'opens', 'closes', 'shownFrom', 'main']),
    }),
  ),
  facts: z.array(z.object({ label: z.string(), value: z.string() })),
  description: z.string(),
  meetingLink: z.string(),
  meetingName: z.string(),
  links: z.array(panelLink),
  who: z.string(),
  release: z.string(),
  shown: z.boolean(),
  coming: z
    .object({
      words: z.string(),
      own: z.string().optional(),
      names: z.array(z.string()),
      full: z.boolean(),
      wait: z.string(),
    })
    .optional(),
  editable: z.boolean(),
  draft: z.object({
    kind: z.enum(['event', 'assignment', 'announcement', 'note']),
    title: z.string(),
    day: z.string(),
    lastDay: z.string(),
    allDay: z.boolean(),
    starts: z.string(),
    ends: z.string(),
    place: z.string(),
    meetingLink: z.string(),
    meetingName: z.string(),
    meetingText: z.string(),
    repeat: z.object({
      kind: z.enum(['own', 'weeks', 'days', 'none', 'monthDay', 'monthWeekday']),
      every: z.string(),
      weekdays: z.array(z.number()),
      ends: z.enum(['date', 'term', 'count']),
      until: z.string(),
      count: z.string(),
      rrule: z.string(),
      skips: z.boolean(),
    }),
    asksComing: z.boolean(),
    seats: z.string(),
    setOn: z.string(),
    opensDay: z.string(),
    opensTime: z.string(),
    dueTime: z.string(),
    closesDay: z.string(),
    closesTime: z.string(),
    atClass: z.object({
      due: z.object({ number: z.string(), edge: z.enum(['start', 'end']) }),
      setOn: z.object({ number: z.string(), edge: z.enum(['start', 'end']) }),
      opens: z.object({ number: z.string(), edge: z.enum(['start', 'end']) }),
      closes: z.object({ number: z.string(), edge: z.enum(['start', 'end']) }),
    }),
    handIn: z.string(),
    lateWork: z.enum(['', 'refused', 'taken']),
    handInAgain: z.enum(['', 'no', 'yes']),
    latePolicy: z.string(),
    points: z.string(),
    effortHours: z.string(),
    pacedBy: z.enum(['', 'weeks', 'days']),
    pacedCount: z.string(),
    extensions: z.array(
      z.object({
        person: z.string(),
        day: z.string(),
        time: z.string(),
        closes: z.string().optional(),
        hiddenAfter: z.string().optional(),
      }),
    ),
    description: z.string(),
    links: z.array(
      z.object({
        url: z.string(),
        label: z.string(),
        staffOnly: z.boolean(),
        material: z.string().optional(),
        file: z.string().optional(),
        title: z.string().optional(),
        state: z.string().optional(),
      }),
    ),
    courses: z.record(
      z.string(),
      z.object({ sections: z.array(z.string()), groups: z.array(z.string()), people: z.array(z.string()) }),
    ),
    visibility: z.enum(['before', 'from', 'draft', 'visible']),
    fromDay: z.string(),
    fromTime: z.string(),
    daysBefore: z.string(),
    hiddenDay: z.string(),
    hiddenTime: z.string(),
  }),
  singles: z
    .record(
      z.string(),
      z.object({
        when: z.string(),
        title: z.string().optional(),
        place: z.string().optional(),
        description: z.string().optional(),
        cancelled: z.string().optional(),
      }),
    )
    .optional(),
  checks: z
    .array(
      z.object({
        key: z.string(),
        title: z.string(),
        tags: z.array(z.object({ tag: z.string(), color: z.string() })),
        where: z.string(),
        why: z.string(),
        remedy: z.union([
          z.object({ label: z.string(), act: z.literal('shift'), days: z.number() }),
          z.object({ label: z.string(), act: z.literal('line'), on: z.string() }),
          z.object({ label: z.string(), act: z.literal('place'), start: z.string(), end: z.string() }),
          z.object({
            label: z.string(),
            act: z.literal('dates'),
            field: z.enum(['hiddenAfter', 'setOn', 'opens', 'closes', 'shownFrom']),
            days: z.number(),
          }),
          z.object({ label: z.string(), act: z.literal('show') }),
          z.object({ label: z.string(), act: z.literal('open') }),
        ]),
        href: z.string().optional(),
        entry: z.string().optional(),
        sequence: z.number().optional(),
        meeting: z.string().optional(),
      }),
    )
    .optional(),
});

/** An entry as its panel shows it, with the draft that editing starts from; `as` is a choice of "See as". */
export const GET = endpoint(
  { who: 'person', row: 'entries', params, query: asQuery, answer: found },
  async ({ pembit, actor, params, query, term: chosen }) => {
    const {
      plan,
      term: shown,
      viewer,
      readOnly,
    } = await panelPlan(pembit, actor, { ...query, term: chosen });
    const entry = plan.entries.find((e) => e.id === params.id);
    if (!entry) return refused('notFound');
    const { courses, locale, abroad } = plan;
    const term = (entry.kind === 'note' ? undefined : termOfCourse(plan, entry.audience[0]?.course)) ?? shown;
    const editable = !readOnly && mayEdit(viewer, entry);
    const callOff =
      !readOnly &&
      !editable &&
      entry.kind !== 'note' &&
      entry.cancelled === undefined &&
      entry.whole &&
      may(actor, 'cancelEntry', { parts: entry.audience }).ok;
    const panel = {
      ...panelEntry(entry, { courses, term, locale, abroad, mayEdit: editable, zoneOf: requireZone }),
      callOff,
    };
    if (readOnly || !term) return done(panel);
    const { open } = await findingsOf(pembit, actor, term.id);
    const about = open.filter((one) => 'entry' in one.about && one.about.entry.id === entry.id);
    const tests = await linkTestsFor(
      pembit,
      panel.links.map((link) => link.url),
    );
    const links = entry.asStaff ? answeredLinks(panel.links, tests) : panel.links;
    return done({
      ...panel,
      links,
      checks: about.map((finding) => checkLine(finding, { courses, term, locale })),
    });
  },
);

const put = z.object({
  lost: z.array(z.string()),
  id: z.string(),
  uid: z.string(),
  sequence: z.number(),
  title: z.string(),
});

/** Writes an entry anew; of a series this occurrence, the later ones or all. */
export const PUT = endpoint(
  { who: 'person', row: 'entries', params, body: change, bytes: 512 * 1024, answer: put },
  async ({ pembit, actor, params, body }) => {
    const { entry, ...asked } = body;
    const outcome = await changeEntry(pembit, actor, { id: params.id, ...asked }, entry);
    if (!outcome.ok) return outcome;
    const { lost } = outcome.value;
    const answer = entryAnswer({ ...outcome, value: outcome.value.entry });
    return answer.ok ? { ...answer, value: { ...answer.value, lost } } : answer;
  },
);

/** Deletes an entry, or a part of a series. */
export const DELETE = endpoint(
  { who: 'person', row: 'entries', params, query: scopeInput, answer: savedEntry },
  async ({ pembit, actor, params, query }) => entryAnswer(await deleteEntry(pembit, actor, params.id, query)),
);
