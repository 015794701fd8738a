import * as en from './compiled/en/bookingMail';
import { extend } from './extend';

type Facts = Readonly<{
  name: string;
  title: string;
  when: string;
  host: string;
  place: string;
  link: string;
  note: string;
  /** When it was before. */
  was?: string;
  message: string;
  giveBackUntil: string;
  signUp: string;
}>;

const { said } = en.bookingMailTexts;
const lines = (...parts: readonly (string | false | undefined)[]) => parts.filter((part) => part).join('\n');

const where = (f: Facts) => lines(f.place && said.where(f), f.link && said.join(f));
const letter = (f: Facts, ...parts: readonly (string | false | undefined)[]) =>
  lines(`${said.hello(f)}\n`, ...parts);

/** Letters about times that are taken. */
export const bookingMailTexts = extend(en.bookingMailTexts, {
  letter: {
    taken: (f: Facts) =>
      letter(f, said.taken(f), where(f), f.note && said.note(f), `\n${said.giveBack(f)}\n`),
    changed: (f: Facts) =>
      letter(
        f,
        f.was && f.was !== f.when ? said.moved({ ...f, was: f.was }) : said.changed(f),
        where(f),
        f.message && `\n${f.message}`,
        `\n${said.giveBack(f)}\n`,
      ),
    cancelled: (f: Facts) =>
      letter(f, said.cancelled(f), f.message && `\n${f.message}`, `\n${said.takeAnother(f)}\n`),
    reminder: (f: Facts) =>
      letter(f, said.soon(f), where(f), f.note && said.note(f), `\n${said.giveBack(f)}\n`),
  },
});
