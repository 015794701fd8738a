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
export const bookingMailTexts = {
  organizer: (host: string) => `${host} (Pembit)`,
  subject: {
    taken: (title: string, when: string) => `Your time: ${title}, ${when}`,
    changed: (title: string, when: string) => `Changed: ${title}, ${when}`,
    cancelled: (title: string, when: string) => `Cancelled: ${title}, ${when}`,
    reminder: (title: string, when: string) => `Soon: ${title}, ${when}`,
  },
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
  zone: (words: string) => `Times are ${words}.`,
  offerSubject: (title: string, when: string) => `A time is free: ${title}, ${when}`,
  offer: (name: string, title: string, when: string, until: string, link: string) =>
    `Hello ${name},\n\nthe time you were waiting for is free: ${when} (${title}). It is kept for you until ${until}. Take it here:\n\n${link}\n`,
  linkSubject: (title: string) => `Take a time: ${title}`,
  link: (name: string, title: string, link: string) =>
    `Hello ${name},\n\nthis link leads to ${title} without a password. It works once, and for 15 minutes:\n\n${link}\n\nIf you did not ask for it, do nothing.\n`,
  messageSubject: (title: string, when: string) => `About your time: ${title}, ${when}`,
  message: (name: string, by: string, when: string, text: string) =>
    `Hello ${name},\n\n${by} writes about your time on ${when}:\n\n${text}\n`,
} as const;
