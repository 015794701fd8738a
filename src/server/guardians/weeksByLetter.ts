import type { Guardian } from '@/core/guardians/guardian';
import type { GuardianLettersInput } from '@/core/guardians/guardianInput';
import { occurrencesOf } from '@/core/plan/occurrences';
import { titleOf } from '@/core/plan/titleOf';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { guardianTexts as say } from '@/core/texts/guardians';
import { dateLabel } from '@/core/time/dateLabels';
import { toWall } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import { dayOf } from '@/core/time/zonedWall';
import {
  confirmLetters,
  guardianByHash,
  guardianById,
  withLetters,
  writeLetterWish,
} from '@/data/guardians/guardians';
import { queueLetters } from '@/data/mail/outbox';
import { officeOf } from '@/data/people/administrators';
import { schoolSettings } from '@/data/plan/schoolSettings';
import { unsubscribeToken } from '../mail/unsubscribe';
import { tokenHash } from '../outlets/token';
import { kindOf } from '../outlets/embed/embedContext';
import type { Pembit } from '../pembit';
import { isProven, proofOf } from '../proof';
import { takeTries } from '../session/tries';
import { dueIn } from '../students/gatheredLetters';
import { momentFor } from '../students/reading';
import { guardianUrls } from './guardianAddress';
import { readByGuardian } from './readByGuardian';
import { stateOf } from './issue';

const PROOF = 'guardian letters';
/** What a confirming link proves: that whoever reads this mailbox asked for the weeks of this address. */
const said = ({ id, generation, email }: Pick<Guardian, 'id' | 'generation' | 'email'>) => [
  id,
  generation,
  email,
];

/** Asks for the weeks of an address by letter, or ends them: they come once the mailbox has said yes. */
export async function wishLetters(
  pembit: Pembit,
  token: string,
  { email, locale, tzid }: GuardianLettersInput,
  from: string,
): Promise<Outcome<{ email: string }>> {
  const guardian = await guardianByHash(pembit, tokenHash(token));
  if (!guardian || guardian.ended || (await stateOf(pembit, guardian)) === 'suspended') return refused('notFound');
  if (email) {
    const seconds = await takeTries(pembit, [['mailbox', email], ['letter', from], ['anonymousLetters', '']]);
    if (seconds > 0) return { ...refused('tooManyTries'), seconds };
  }
  const link = `${pembit.config.baseUrl}/guardian/confirm/${guardian.id}/${proofOf(pembit.secret, PROOF, said({ ...guardian, email }))}`;
  const letter = { to: email, subject: say.confirmSubject, text: say.confirmLetter({ link }), sender: null, about: guardian.child };
  await pembit.queue.write(async (writer) => {
    await writeLetterWish(writer, guardian.id, { email, locale, tzid });
    await queueLetters(writer, email ? [letter] : [], pembit.now().epochMilliseconds);
  });
  return done({ email });
} // prettier-ignore

/** The address whose letters a link confirms, as long as it holds for what is asked for now. */
export async function confirmedBy(pembit: Pembit, id: string, proof: string): Promise<Guardian | undefined> {
  const guardian = await guardianById(pembit, id);
  return guardian && !guardian.ended && guardian.email !== '' && isProven(pembit.secret, PROOF, said(guardian), proof) ? guardian : undefined;
} // prettier-ignore

export async function confirmWeeks(pembit: Pembit, id: string, proof: string): Promise<Outcome<null>> {
  if (!(await confirmedBy(pembit, id, proof))) return refused('linkSpent');
  await pembit.queue.write((writer) => confirmLetters(writer, id));
  return done(null);
}

/** What comes in the next week, Monday to Sunday, as one guardian reads it: a line each, by time. */
async function weekOf(pembit: Pembit, guardian: Guardian) {
  const found = await readByGuardian(pembit, guardian);
  if (!found || !dueIn(found.contents.plan, pembit.now()).weekly) return undefined;
  const { contents, childName } = found;
  const { plan } = contents;
  const { locale: ofSchool } = await schoolSettings(pembit);
  const reading = { locale: guardian.locale || ofSchool, ...(guardian.tzid ? { tzid: guardian.tzid } : {}) };
  const today = toWall(requireZone(plan.terms[0]?.tzid ?? 'UTC'), pembit.now()).toPlainDate();
  const monday = today.add({ days: 8 - today.dayOfWeek });
  const sunday = monday.add({ days: 6 });
  const lines = occurrencesOf(plan, requireZone)
    .filter((o) => contents.has(kindOf(o)) && dayOf(o.start).since(monday).sign >= 0 && sunday.since(dayOf(o.start)).sign >= 0)
    .map((o) => {
      const tags = plan.courses.filter(({ id }) => o.courses.includes(id)).map(({ tag }) => tag);
      return `${momentFor(o.start, reading)}: ${[...tags, titleOf(o)].join(' ')}${o.cancelled === undefined ? '' : say.off}`;
    });
  const day = (date: typeof monday) => dateLabel(date, 'short', reading.locale);
  return { subject: say.weekSubject({ child: childName, from: day(monday), to: day(sunday) }), lines: lines.length > 0 ? lines : [say.nothing] };
} // prettier-ignore

/** Sends the next week to guardians who want it by letter, on the last school day of each; not while an address rests or sleeps. */
export async function sendWeeks(pembit: Pembit): Promise<void> {
  const sender = (await officeOf(pembit)) ?? null;
  for (const guardian of await withLetters(pembit)) {
    if ((await stateOf(pembit, guardian)) !== 'open') continue;
    const week = await weekOf(pembit, guardian);
    if (!week) continue;
    const letter = {
      to: guardian.email,
      subject: week.subject,
      text: say.week({ lines: week.lines, page: guardianUrls(pembit, guardian).page }),
      sender,
      about: guardian.child,
      unsubscribe: unsubscribeToken(pembit, guardian.id, 'guardian'),
    };
    await pembit.queue.write((writer) => queueLetters(writer, [letter], pembit.now().epochMilliseconds), { aside: true });
  }
} // prettier-ignore
