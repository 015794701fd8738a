import { createHmac, timingSafeEqual } from 'node:crypto';
import type { Pembit } from '../pembit';
import { isEmpty } from '@/data/people/isEmpty';

const LETTERS = 'abcdefghjkmnpqrstuvwxyz23456789';

// The process and Next's bundles are two module instances: the code exists once.
const holder = globalThis as { pembitSetupCode?: string };

/** Twelve characters; the same for each process that shares the secret, since any of them may be asked. */
function codeOf(secret: Buffer): string {
  const bytes = createHmac('sha256', secret).update('setting up').digest();
  return Array.from({ length: 12 }, (_, i) => (i % 5 === 4 ? '-' : LETTERS[bytes[i]! % LETTERS.length])).join(
    '',
  );
}

/**
 * Makes the code that setting up an empty installation asks for, and prints it where only whoever runs the server reads. The demo
 * and a school that is there need none.
 */
export async function printSetupCode(pembit: Pembit): Promise<void> {
  if (pembit.config.demo || !(await isEmpty(pembit))) return;
  holder.pembitSetupCode = codeOf(pembit.secret);
  pembit.log.info({ code: holder.pembitSetupCode }, `Nobody has set this server up yet. Open ${pembit.config.baseUrl}/setup and type the code ${holder.pembitSetupCode}`); // prettier-ignore
}

const plain = (text: string) => Buffer.from(text.toLowerCase().replace(/[^a-z0-9]/g, '').padEnd(32).slice(0, 32)); // prettier-ignore

/** Whether somebody has read the code where it was printed; in tests that open a folder by themselves there is none. */
export const isSetupCode = (given: string): boolean =>
  holder.pembitSetupCode === undefined || timingSafeEqual(plain(given), plain(holder.pembitSetupCode));

/** Whether setting up asks for a code. */
export const asksSetupCode = (): boolean => holder.pembitSetupCode !== undefined;
