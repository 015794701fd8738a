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

const lines = (...parts: readonly (string | false | undefined)[]) => parts.filter((part) => part).join('\n');

const where = ({ place, link }: Facts) => lines(place && `Where: ${place}`, link && `Join: ${link}`);
const giveBack = ({ giveBackUntil, signUp }: Facts) =>
  `If you cannot come, give the time back until ${giveBackUntil}, so that somebody else can have it:\n${signUp}`;

/** Letters about times that are taken. */
export const bookingMailTexts = extend(en.bookingMailTexts, {
  letter: {
    taken: (f: Facts) =>
      lines(
        `Hello ${f.name},\n`,
        `${f.when} is yours: ${f.title} with ${f.host}.`,
        where(f),
        f.note && `Your note: ${f.note}`,
        `\n${giveBack(f)}\n`,
      ),
    changed: (f: Facts) =>
      lines(
        `Hello ${f.name},\n`,
        f.was && f.was !== f.when
          ? `your time with ${f.host} (${f.title}) was ${f.was}; it is now ${f.when}.`
          : `something about your time on ${f.when} with ${f.host} (${f.title}) has changed.`,
        where(f),
        f.message && `\n${f.message}`,
        `\n${giveBack(f)}\n`,
      ),
    cancelled: (f: Facts) =>
      lines(
        `Hello ${f.name},\n`,
        `your time on ${f.when} with ${f.host} (${f.title}) does not take place.`,
        f.message && `\n${f.message}`,
        `\nTake another one here:\n${f.signUp}\n`,
      ),
    reminder: (f: Facts) =>
      lines(
        `Hello ${f.name},\n`,
        `your time with ${f.host} (${f.title}) is soon: ${f.when}.`,
        where(f),
        f.note && `Your note: ${f.note}`,
        `\n${giveBack(f)}\n`,
      ),
  },
});
