import { z } from 'zod';
import { meetingInput } from '@/core/frame/frameInput';
import { meetingId } from '@/core/ids';
import { may } from '@/core/may/may';
import { done, refused } from '@/core/refusals';
import { changeMeeting } from '@/server/frame/changeMeeting';
import { linkTestsFor } from '@/server/links/linkTestsFor';
import { answeredLinks } from '@/ui/entries/answeredLinks';
import { panelClass } from '@/ui/entries/panelClass';
import { panelPlan } from '@/api/panelPlan';
import { asQuery } from '../../asQuery';
import { endpoint } from '../../endpoint';
import { panelLink } from '../../records';

const params = z.object({ id: meetingId });

const found = z.object({
  editable: z.boolean(),
  callOff: z.boolean(),
  meeting: z.string(),
  course: z.string(),
  plan: z.string().optional(),
  section: z.string(),
  date: z.string(),
  tag: z.string(),
  color: z.string(),
  name: z.string(),
  when: z.string(),
  place: z.string(),
  cancelled: z.string().optional(),
  title: z.string(),
  description: z.string(),
  links: z.array(panelLink),
  pinned: z.boolean(),
  others: z.string(),
  who: z.string(),
  page: z.string(),
  daySheet: z.string(),
});

/** A class as its panel shows it; `as` is a choice of "See as". */
export const GET = endpoint(
  { who: 'person', row: 'meetings', params, query: asQuery, answer: found },
  async ({ pembit, actor, params, query }) => {
    const { plan, readOnly } = await panelPlan(pembit, actor, query);
    const seen = plan.classes.find((c) => c.meeting.id === params.id);
    if (!seen) return refused('notFound');
    const parts = [{ course: seen.course.id, sections: [seen.section.id] }];
    const callOff =
      !readOnly &&
      !seen.edits &&
      seen.meeting.cancelled === undefined &&
      may(actor, 'callOffClass', { parts }).ok;
    const cls = { ...panelClass(seen, plan), callOff };
    if (readOnly || !seen.asStaff) return done({ ...cls, editable: false });
    const tests = await linkTestsFor(
      pembit,
      cls.links.map((link) => link.url),
    );
    return done({ ...cls, links: answeredLinks(cls.links, tests) });
  },
);

const put = z.object({
  id: z.string(),
  ordinal: z.number(),
  date: z.string(),
  cancelled: z.string().optional(),
});

/** Moves a class, calls it off, or has it take place after all. */
export const PUT = endpoint(
  { who: 'person', row: 'meetings', params, body: meetingInput, answer: put },
  async ({ pembit, actor, params, body }) => {
    const outcome = await changeMeeting(pembit, actor, params.id, body);
    if (!outcome.ok) return outcome;
    const { id, ordinal, date, cancelled } = outcome.value;
    return { ...outcome, value: { id, ordinal, date: date.toString(), cancelled } };
  },
);
