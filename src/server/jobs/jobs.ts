import { followSites } from '../lti/followMembers';
import { rotateKeys } from '../lti/ownKeys';
import { carrierOf, sendDueMail } from '../mail/sendMail';
import { keepRosters } from '../people/keepRosters';
import { sendNotices } from '../notices/sendNotices';
import type { Pembit } from '../pembit';
import { testLinksInTurn } from '../links/testLinks';
import { writeReads } from '../outlets/countReads';
import { refreshInTurn } from '../outside/refreshCalendar';
import { passOnAllSeats } from '../entries/passOnSeats';
import { sendWeeks } from '../guardians/weeksByLetter';
import { passOnOffers } from '../signup/freedSeat';
import { closeWithdrawnRooms, giveMissingRooms } from '../signup/rooms';
import { remind } from '../signup/runTimes';
import { keepTries } from '../session/tries';
import { sendReminders } from '../students/reminders';
import { sendGathered } from '../students/gatheredLetters';
import { deliverWebhooks } from '../webhooks/deliver';
import { tidy } from './tidy';
import { nightlyBackup } from '../backup/nightly';
import type { Job } from './scheduler';

/** Meetings of single times: made where they are missing, closed where they are not needed any more. */
async function keepRooms(pembit: Pembit): Promise<void> {
  await giveMissingRooms(pembit);
  await closeWithdrawnRooms(pembit);
}

/** Everything that comes round by itself. */
export function jobsOf(pembit: Pembit): Job[] {
  const carry = carrierOf(pembit.config);
  return [
    ...(carry ? [{ name: 'mail', pattern: '*/2 * * * * *', run: (p: Pembit) => sendDueMail(p, carry) }] : []),
    { name: 'notices', pattern: '*/2 * * * * *', run: sendNotices },
    { name: 'links', pattern: '*/10 * * * * *', run: testLinksInTurn },
    { name: 'waiting', pattern: '*/20 * * * * *', run: passOnOffers },
    { name: 'seats', pattern: '*/20 * * * * *', run: passOnAllSeats },
    { name: 'rooms', pattern: '*/10 * * * * *', run: keepRooms },
    { name: 'reminders', pattern: '30 * * * * *', run: remind },
    { name: 'calendars', pattern: '*/15 * * * * *', run: refreshInTurn },
    { name: 'webhooks', pattern: '*/3 * * * * *', run: deliverWebhooks },
    { name: 'reads', pattern: '*/10 * * * * *', run: writeReads, everywhere: true },
    { name: 'tries', pattern: '*/3 * * * * *', run: keepTries },
    { name: 'ownReminders', pattern: '0 */15 * * * *', run: sendReminders },
    { name: 'gathered', pattern: '0 0 * * * *', run: sendGathered },
    { name: 'guardians', pattern: '30 0 * * * *', run: sendWeeks },
    { name: 'rosters', pattern: '0 30 1 * * *', run: keepRosters },
    { name: 'sites', pattern: '0 50 1 * * *', run: followSites },
    { name: 'siteKeys', pattern: '0 10 3 * * *', run: rotateKeys },
    // PostgreSQL is backed up by its own tools, by whoever runs it.
    ...(pembit.config.databaseUrl ? [] : [{ name: 'backup', pattern: '0 40 2 * * *', run: nightlyBackup }]),
    { name: 'tidy', pattern: '0 20 3 * * *', run: tidy },
  ];
}
