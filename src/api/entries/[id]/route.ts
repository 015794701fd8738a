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
import { entryAnswer } from '../entryAnswer';

const params = z.object({ id: entryId });
const change = z
  .object({
    sequence: z.number({ error: 'Send the sequence you last saw.' }).int().min(0),
    entry: entryInput,
  })
  .and(scopeInput);

/** An entry as its panel shows it, with the draft that editing starts from; `as` is a choice of "See as". */
export const GET = endpoint(
  { who: 'person', row: 'entries', params, query: asQuery },
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

/** Writes an entry anew; of a series this occurrence, the later ones or all. */
export const PUT = endpoint(
  { who: 'person', row: 'entries', params, body: change, bytes: 512 * 1024 },
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
  { who: 'person', row: 'entries', params, query: scopeInput },
  async ({ pembit, actor, params, query }) => entryAnswer(await deleteEntry(pembit, actor, params.id, query)),
);
