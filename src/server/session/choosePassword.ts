import { dictionary } from '@zxcvbn-ts/language-common';
import { SHORTEST_PASSWORD, isCommonPassword } from '@/core/frame/passwordRule';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { passwordTexts } from '@/core/texts/passwords';
import { hashPassword } from './password';

const listed = new Set(dictionary['passwords-common']);

/** The hash of a password that may be chosen, or what is wrong with it. `own` is the person's name and address. */
export async function choosePassword(password: string, own: readonly string[]): Promise<Outcome<string>> {
  const bad = (message: string) => refused('badRequest', [{ field: 'password', message }]);
  if (password.length < SHORTEST_PASSWORD) return bad(passwordTexts.short({ n: SHORTEST_PASSWORD }));
  if (isCommonPassword(password, (text) => listed.has(text), own)) return bad(passwordTexts.common);
  return done(await hashPassword(password));
}
