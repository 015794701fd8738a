import { randomUUID } from 'node:crypto';
import type { PersonId, TermId } from '@/core/ids';
import type { SetupInput } from '@/core/frame/frameInput';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { select } from '@/data/database';
import { personRow } from '@/data/people/people';
import { recordChange } from '@/data/history/change';
import { fromTerm } from '@/data/plan/frameRows';
import { writeSettings } from '@/data/plan/schoolSettings';
import type { Pembit } from '../pembit';
import { choosePassword } from '../session/choosePassword';

/** Whether nobody has been here yet: then the first-run page is open, and nothing else. */
export async function isEmpty(pembit: Pembit): Promise<boolean> {
  const [row] = await select<{ people: number }>(pembit, 'SELECT COUNT(*) AS people FROM people');
  return row?.people === 0;
}

/** The first run: an administrator's account, the school, its first term. Refused once anybody has an account. */
export async function setUp(pembit: Pembit, input: SetupInput): Promise<Outcome<{ email: string }>> {
  const chosen = await choosePassword(input.password, [input.name, input.email, input.school]);
  if (!chosen.ok) return chosen;
  const nowMs = pembit.now().epochMilliseconds;
  const { result } = await recordChange(
    pembit.queue,
    { act: 'setUp', summary: 'Set up', actor: null, nowMs },
    async (change): Promise<Outcome<{ email: string }>> => {
      const [row] = await select<{ people: number }>(change, 'SELECT COUNT(*) AS people FROM people');
      if (row?.people !== 0) return refused('notFound');
      const email = input.email.toLowerCase();
      const first = { id: randomUUID() as PersonId, email, name: input.name, isAdmin: true };
      await change.insert('people', [personRow(first, nowMs, chosen.value)]);
      await change.insert('terms', [fromTerm({ ...input.term, id: randomUUID() as TermId })]);
      await writeSettings(change, {
        name: input.school,
        locale: input.locale,
        weekStart: input.weekStart,
        secondStepForStaff: false,
      });
      return done({ email });
    },
  );
  return result;
}
