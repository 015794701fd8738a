import { dueReminders } from '@/core/plan/dueReminders';
import { occurrencesOf } from '@/core/plan/occurrences';
import { titleOf } from '@/core/plan/titleOf';
import { reminderTexts } from '@/core/texts/reminders';
import { momentLabel } from '@/core/time/dateLabels';
import { requireZone } from '@/core/time/zoneData';
import { zoneWords } from '@/core/time/zoneWords';
import { queueLetters } from '@/data/mail/outbox';
import { noteReminded, remindedOf } from '@/data/students/reminded';
import { doneBy, allPersonSettings } from '@/data/students/students';
import { unsubscribeToken } from '../mail/unsubscribe';
import { keptPerson } from '../people/keptPeople';
import type { Pembit } from '../pembit';
import { planSeenBy } from '../plan/planSeenBy';
import { wantedLocale } from './settings';

/** Writes to whoever wants it what is due soon and which times they took, each once: as long before as they chose. */
export async function sendReminders(pembit: Pembit): Promise<void> {
  const now = pembit.now();
  for (const [id, settings] of await allPersonSettings(pembit)) {
    const { remind } = settings;
    if (remind.due === undefined && remind.booking === undefined) continue;
    const { person, viewer } = await keptPerson(pembit, id);
    if (!person || person.deactivated) continue;
    const plan = await planSeenBy(pembit, viewer, { notes: false });
    const known = await remindedOf(pembit, id);
    const done = await doneBy(pembit, id);
    const due = dueReminders(occurrencesOf(plan, requireZone), remind, { now, zoneOf: requireZone, done }).filter(
      ({ key }) => !known.has(key),
    );
    if (due.length === 0) continue;
    const locale = wantedLocale(settings, plan.locale);
    const lines = due.map(({ occurrence: o }) => {
      const tags = plan.courses.filter((course) => o.courses.includes(course.id)).map(({ tag }) => tag);
      return reminderTexts.line(tags.join(' '), titleOf(o), momentLabel(o.start, locale), o.kind === 'due');
    });
    const letter = {
      to: person.email,
      subject: reminderTexts.subject(lines[0]!, lines.length),
      text: reminderTexts.letter({ name: person.name, lines, zone: zoneWords(due[0]!.occurrence.tzid), link: `${pembit.config.baseUrl}/next` }),
      sender: null,
      unsubscribe: unsubscribeToken(pembit, id, 'reminders'),
    };
    await pembit.queue.write(
      async (writer) => {
        await queueLetters(writer, [letter], now.epochMilliseconds);
        await noteReminded(writer, id, due.map(({ key }) => key), now.epochMilliseconds);
      },
      { aside: true },
    );
  }
} // prettier-ignore
