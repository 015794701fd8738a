/** From twelve characters on a password may be anything, spaces included, but not what is tried first. */
export const SHORTEST_PASSWORD = 12;

/** What a password is beneath what people add to it: without case, and without digits and signs around it. */
const kernel = (password: string): string =>
  password
    .normalize('NFKC')
    .toLowerCase()
    .replace(/^[^\p{L}]+|[^\p{L}]+$/gu, '');

/** The part that is repeated, as in `abcabcabc`; the text itself where nothing is. */
const unitOf = (text: string): string => /^(.+?)\1+$/su.exec(text)?.[1] ?? text;

/** Letters alone, without case or marks on them. */
const lettersOf = (text: string): string =>
  text
    .normalize('NFKD')
    .toLowerCase()
    .replace(/[^\p{L}]+/gu, '');

/** Whether the letters of a password are one's own first and last name written together, in either order, once or more. */
function isOwnName(password: string, own: readonly string[]): boolean {
  const unit = unitOf(lettersOf(password));
  return own.some((text) => {
    const words = text
      .split(/[\s@.]+/u)
      .map(lettersOf)
      .filter(Boolean);
    const joined = [words, [...words].reverse(), words.slice(0, 2), [words[0] ?? '', words.at(-1) ?? '']];
    return unit.length > 2 && joined.some((list) => list.join('') === unit);
  });
}

/**
 * Whether a password is one of those that are tried first: it stands on the list, is an entry of it repeated or with digits
 * and signs around it, one character over and over, or made of the person's own name or address.
 */
export function isCommonPassword(
  password: string,
  isListed: (text: string) => boolean,
  own: readonly string[] = [],
): boolean {
  const plain = password.normalize('NFKC').toLowerCase();
  const forms = [plain, unitOf(plain), kernel(plain), unitOf(kernel(plain))];
  if (isOwnName(password, own)) return true;
  if (forms.some((form) => isListed(form) || [...new Set(form)].length <= 1)) return true;
  const words = own
    .flatMap((text) => text.toLowerCase().split(/[^\p{L}\p{N}]+/u))
    .filter((w) => w.length > 2);
  // What is left when one's own words are taken out must be long enough to count.
  const rest = words.reduce((left, word) => left.replaceAll(word, ''), plain);
  return rest.length < 6 && plain.length > 0;
}
