import type { Counting } from './tries';
import { takeTries } from './tries';

/**
 * Somebody who is not signed in asks for a letter: counted for the address they come from and altogether, whoever it would go to,
 * so that the answer tells nothing. Answers for how many seconds to wait.
 */
export const letterAsked = (counting: Counting, from: string): Promise<number> =>
  takeTries(counting, [
    ['letter', from],
    ['anonymousLetters', ''],
  ]);

/** Whether a mailbox may have another such letter: nobody's is filled by others. */
export const mayWriteTo = async (counting: Counting, email: string): Promise<boolean> =>
  (await takeTries(counting, [['mailbox', email.trim().toLowerCase()]])) === 0;
