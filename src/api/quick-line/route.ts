import { z } from 'zod';
import type { CourseId } from '@/core/ids';
import { shownTerm } from '@/core/time/term';
import { done } from '@/core/refusals';
import { dueWords } from '@/server/load/dueWords';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { todayIn } from '@/server/plan/todayIn';
import { quickView } from '@/ui/quickline/quickView';
import { endpoint } from '../endpoint';

const query = z.object({ line: z.string({ error: 'Type a line.' }).max(500, 'At most 500 characters.') });

const answer = z.object({
  line: z.string(),
  pieces: z.array(z.object({ from: z.number(), to: z.number(), name: z.string(), words: z.string() })),
  asks: z.array(
    z.object({ question: z.string(), choices: z.array(z.object({ label: z.string(), line: z.string() })) }),
  ),
  ready: z
    .object({
      title: z.string(),
      who: z.string(),
      input: z.union([
        z.object({
          kind: z.literal('assignment'),
          audience: z.array(
            z.object({
              course: z.string(),
              sections: z.array(z.string()).optional(),
              groups: z.array(z.string()).optional(),
              people: z.array(z.string()).optional(),
            }),
          ),
          title: z.string(),
          setOn: z.string().optional(),
          opens: z.string().optional(),
          due: z.string().optional(),
          closes: z.string().optional(),
          atClass: z
            .object({
              setOn: z
                .object({
                  ordinal: z.number(),
                  strand: z
                    .enum([
                      'week',
                      'lab',
                      'seminar',
                      'tutorial',
                      'workshop',
                      'studio',
                      'practical',
                      'rehearsal',
                      'clinic',
                    ])
                    .optional(),
                  edge: z.enum(['start', 'end']).optional(),
                })
                .optional(),
              opens: z
                .object({
                  ordinal: z.number(),
                  strand: z
                    .enum([
                      'week',
                      'lab',
                      'seminar',
                      'tutorial',
                      'workshop',
                      'studio',
                      'practical',
                      'rehearsal',
                      'clinic',
                    ])
                    .optional(),
                  edge: z.enum(['start', 'end']).optional(),
                })
                .optional(),
              due: z
                .object({
                  ordinal: z.number(),
                  strand: z
                    .enum([
                      'week',
                      'lab',
                      'seminar',
                      'tutorial',
                      'workshop',
                      'studio',
                      'practical',
                      'rehearsal',
                      'clinic',
                    ])
                    .optional(),
                  edge: z.enum(['start', 'end']).optional(),
                })
                .optional(),
              closes: z
                .object({
                  ordinal: z.number(),
                  strand: z
                    .enum([
                      'week',
                      'lab',
                      'seminar',
                      'tutorial',
                      'workshop',
                      'studio',
                      'practical',
                      'rehearsal',
                      'clinic',
                    ])
                    .optional(),
                  edge: z.enum(['start', 'end']).optional(),
                })
                .optional(),
            })
            .optional(),
          handIn: z.string().optional(),
          lateWork: z.enum(['refused', 'taken']).optional(),
          handInAgain: z.boolean().optional(),
          latePolicy: z.string().optional(),
          points: z.number().optional(),
          effortMinutes: z.number().optional(),
          pacing: z.object({ unit: z.enum(['weeks', 'days']), count: z.number() }).optional(),
          extensions: z
            .array(
              z.object({
                person: z.string(),
                due: z.string(),
                closes: z.string().optional(),
                hiddenAfter: z.string().optional(),
              }),
            )
            .optional(),
          links: z
            .array(
              z.object({
                url: z.string().optional(),
                label: z.string().optional(),
                staffOnly: z.boolean().optional(),
                material: z.string().optional(),
                file: z.string().optional(),
              }),
            )
            .optional(),
          visibility: z
            .union([
              z.object({ kind: z.literal('draft') }),
              z.object({ kind: z.literal('visible') }),
              z.object({ kind: z.literal('from'), from: z.string() }),
              z.object({ kind: z.literal('before'), days: z.number() }),
            ])
            .optional(),
          hiddenAfter: z.string().optional(),
          description: z.string().optional(),
        }),
        z.object({
          kind: z.literal('event'),
          start: z.string(),
          audience: z.array(
            z.object({
              course: z.string(),
              sections: z.array(z.string()).optional(),
              groups: z.array(z.string()).optional(),
              people: z.array(z.string()).optional(),
            }),
          ),
          title: z.string(),
          end: z.string().optional(),
          place: z.string().optional(),
          meetingLink: z.string().optional(),
          meetingName: z.string().optional(),
          meetingText: z.string().optional(),
          rrule: z.string().optional(),
          skipsClosures: z.boolean().optional(),
          coming: z.object({ seats: z.number().optional() }).optional(),
          links: z
            .array(
              z.object({
                url: z.string().optional(),
                label: z.string().optional(),
                staffOnly: z.boolean().optional(),
                material: z.string().optional(),
                file: z.string().optional(),
              }),
            )
            .optional(),
          visibility: z
            .union([
              z.object({ kind: z.literal('draft') }),
              z.object({ kind: z.literal('visible') }),
              z.object({ kind: z.literal('from'), from: z.string() }),
              z.object({ kind: z.literal('before'), days: z.number() }),
            ])
            .optional(),
          hiddenAfter: z.string().optional(),
          description: z.string().optional(),
        }),
        z.object({
          kind: z.literal('announcement'),
          on: z.string(),
          audience: z.array(
            z.object({
              course: z.string(),
              sections: z.array(z.string()).optional(),
              groups: z.array(z.string()).optional(),
              people: z.array(z.string()).optional(),
            }),
          ),
          title: z.string(),
          links: z
            .array(
              z.object({
                url: z.string().optional(),
                label: z.string().optional(),
                staffOnly: z.boolean().optional(),
                material: z.string().optional(),
                file: z.string().optional(),
              }),
            )
            .optional(),
          visibility: z
            .union([
              z.object({ kind: z.literal('draft') }),
              z.object({ kind: z.literal('visible') }),
              z.object({ kind: z.literal('from'), from: z.string() }),
              z.object({ kind: z.literal('before'), days: z.number() }),
            ])
            .optional(),
          hiddenAfter: z.string().optional(),
          description: z.string().optional(),
        }),
        z.object({
          kind: z.literal('note'),
          on: z.string(),
          title: z.string(),
          about: z.string().optional(),
          description: z.string().optional(),
        }),
      ]),
      closed: z.string().optional(),
      load: z.string().optional(),
    })
    .optional(),
  leads: z.object({ words: z.string(), act: z.string(), href: z.string() }).optional(),
  finds: z.array(
    z.object({
      key: z.string(),
      title: z.string(),
      when: z.string(),
      tags: z.array(z.object({ tag: z.string(), color: z.string() })),
      entry: z.string().optional(),
      meeting: z.string().optional(),
    }),
  ),
});

/** What a quick line says, what it leaves open, and what on the plan has such a title. */
export const GET = endpoint(
  { who: 'person', query, answer },
  async ({ pembit, actor, query, term: chosen }) => {
    const plan = await planSeenBy(pembit, actor.viewer);
    const today = todayIn(pembit, plan);
    const term = shownTerm(plan.terms, today, chosen);
    const view = quickView({ viewer: actor.viewer, plan, term, today, line: query.line });
    const { ready } = view;
    if (ready?.input.kind !== 'assignment' || !ready.input.due) return done(view);
    const load = await dueWords(pembit, actor, ready.input.audience[0]!.course as CourseId, ready.input.due);
    return done({ ...view, ready: { ...ready, load } });
  },
);
