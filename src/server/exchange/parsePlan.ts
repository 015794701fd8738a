import { z } from 'zod';
import type { PlanFile } from '@/core/exchange/planFile';
import { planFile } from '@/core/exchange/planFile';
import { missingIn } from '@/core/exchange/planFromFile';
import type { Outcome, Refused } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { planFileTexts } from '@/core/texts/planFiles';

/** What was read of a package: the plan, and its text, in which ids can be exchanged. */
export type OpenedPlan = Readonly<{ plan: PlanFile; text: string }>;

const bad = (message: string): Refused => refused('badRequest', [{ field: 'file', message }]);

/** The plan in a text of `plan.json`, or what is wrong with it. */
export function parsePlan(text: string): Outcome<OpenedPlan> {
  let json: unknown;
  try {
    json = JSON.parse(text);
  } catch {
    return bad(planFileTexts.noPlan);
  }
  const version = z.object({ format: z.literal('pembit-plan'), version: z.number() }).safeParse(json);
  if (!version.success) return bad(planFileTexts.noPlan);
  if (version.data.version !== 1) return bad(planFileTexts.newer);
  const read = planFile.safeParse(json);
  if (!read.success) {
    const [issue] = read.error.issues;
    return bad(planFileTexts.wrong({ where: issue?.path.join('.') ?? '', why: issue?.message ?? '' }));
  }
  const missing = missingIn(read.data);
  return missing.length > 0
    ? bad(planFileTexts.incomplete({ n: missing.length }))
    : done({ plan: read.data, text });
}
