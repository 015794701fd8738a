import { randomUUID } from 'node:crypto';
import type { PersonId, TermId } from '@/core/ids';
import { NO_SETTINGS } from '@/core/frame/schoolSettings';
import type { SetupInput } from '@/core/frame/frameInput';
import type { Outcome } from '@/core/refusals';
import { done, refused, tooOften } from '@/core/refusals';
import { setupTexts } from '@/core/texts/school';
import { personRow } from '@/data/people/people';
import { recordChange } from '@/data/history/change';
import { fromTerm } from '@/data/plan/frameRows';
import { writeSettings } from '@/data/plan/schoolSettings';
import type { Pembit } from '../pembit';
import { choosePassword } from '../session/choosePassword';
import { takeTries } from '../session/tries';
import { isEmpty } from '@/data/people/isEmpty';
import { isSetupCode } from './setupCode';

/** The first run: an administrator's account, the school, its first term. Refused once anybody has an account. */
export async function setUp(
  pembit: Pembit,
  input: SetupInput,
  from: string,
): Promise<Outcome<{ email: string }>> {
  const wait = await takeTries(pembit, [['setup', from]]);
  if (wait > 0) return tooOften(wait);
  if (!(await isEmpty(pembit))) return refused('notFound');
  if (!isSetupCode(input.code))
    return refused('badRequest', [{ field: 'code', message: setupTexts.wrongCode }]);
  const chosen = await choosePassword(input.password, [input.name, input.email, input.school]);
  if (!chosen.ok) return chosen;
  const nowMs = pembit.now().epochMilliseconds;
  const { result } = await recordChange(
    pembit.queue,
    { act: 'setUp', summary: 'Set up', actor: null, nowMs },
    async (change): Promise<Outcome<{ email: string }>> => {
      if (!(await isEmpty(change))) return refused('notFound');
      const email = input.email.toLowerCase();
      const first = { id: randomUUID() as PersonId, email, name: input.name, isAdmin: true };
      await change.insert('people', [personRow(first, nowMs, chosen.value)]);
      await change.insert('terms', [fromTerm({ ...input.term, id: randomUUID() as TermId })]);
      await writeSettings(change, {
        ...NO_SETTINGS,
        name: input.school,
        locale: input.locale,
        weekStart: input.weekStart,
        retention: input.retention,
      });
      return done({ email });
    },
  );
  return result;
}
