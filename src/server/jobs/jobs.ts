import { carrierOf, sendDueMail } from '../mail/sendMail';
import type { Pembit } from '../pembit';
import { testLinksInTurn } from '../links/testLinks';
import { tidy } from './tidy';
import type { Job } from './scheduler';

/** Everything that comes round by itself. */
export function jobsOf(pembit: Pembit): Job[] {
  const carry = carrierOf(pembit.config);
  return [
    ...(carry ? [{ name: 'mail', pattern: '*/2 * * * * *', run: (p: Pembit) => sendDueMail(p, carry) }] : []),
    { name: 'links', pattern: '*/10 * * * * *', run: testLinksInTurn },
    { name: 'tidy', pattern: '0 20 3 * * *', run: tidy },
  ];
}
