import { failedLetters } from '@/data/mail/outbox';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

/** Letters that this person caused and that were given up: shown to them until somebody sends anew. */
export const failedMailOf = (pembit: Pembit, { person }: SignedIn) => failedLetters(pembit, person.id);
