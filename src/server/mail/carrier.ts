import type { QueuedLetter } from '@/data/mail/outbox';

/** Hands a letter over, or throws: a `PermanentRefusal` where another attempt would be in vain. */
export type Carrier = (letter: QueuedLetter) => Promise<void>;

/** A refusal that will not become a yes (RFC 5321, section 4.2.1: a reply that begins with 5). */
export class PermanentRefusal extends Error {}
