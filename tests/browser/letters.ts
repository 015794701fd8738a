import type { Person } from './browser';
import type { RunningPembit } from './server';

/** Opens the link of the letter that somebody got, once it has come. Answers the link. */
export async function followLetter(
  person: Person,
  { standinsUrl }: Pick<RunningPembit, 'standinsUrl'>,
  email: string,
): Promise<string> {
  await person.open(`${standinsUrl}/mailbox?to=${encodeURIComponent(email)}`);
  const link = await person.driver.wait(async () => {
    const [found] = await person.driver.findElements({ css: 'section a[href*="/welcome/"]' });
    if (!found) await person.driver.navigate().refresh();
    return found && (await found.getAttribute('href'));
  }, 20_000);
  await person.open(link!);
  return link!;
}
