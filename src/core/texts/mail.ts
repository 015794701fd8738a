/** The letters Pembit sends. */
export const mailTexts = {
  addressSubject: (name: string) => `An address of yours: ${name}`,
  address: (person: string, name: string, url: string) =>
    `Hello ${person},\n\nyou asked for the address of “${name}”:\n\n${url}\n\nWhoever has it can read what is in it. If it went further than it should, give it another address in Pembit.\n`,
  changedSubject: (summary: string) => summary,
  movedLine: (title: string, was: string, is: string, link: string) =>
    `${title}: it was ${was}; it is now ${is}.\n${link}`,
  calledOffLine: (title: string, when: string, reason: string, link: string) =>
    `${title}, ${when}: called off${reason ? ` (${reason})` : ''}.\n${link}`,
  takesPlaceLine: (title: string, when: string, link: string) =>
    `${title}: it takes place after all, ${when}.\n${link}`,
  goneLine: (title: string, was: string, link: string) =>
    `${title}: it is no longer planned (it was ${was}).\n${link}`,
  changedLine: (title: string, when: string, fields: string, link: string) =>
    `${title}, ${when}: changed (${fields}).\n${link}`,
  classLine: {
    classMoved: (code: string, was: string, is: string, _: string, link: string) =>
      `${code}: the class of ${was} is now ${is}.\n${link}`,
    classCalledOff: (code: string, _was: string, when: string, reason: string, link: string) =>
      `${code}: the class of ${when} is called off${reason ? ` (${reason})` : ''}.\n${link}`,
    classReinstated: (code: string, _was: string, when: string, _: string, link: string) =>
      `${code}: the class of ${when} takes place after all.\n${link}`,
    classGone: (code: string, was: string, _now: string, _: string, link: string) =>
      `${code}: there is no class on ${was}.\n${link}`,
  },
  movedClassLine: (title: string, was: string | undefined, is: string, link: string) =>
    was
      ? `${title}: it was planned for ${was}; it is now planned for ${is}.\n${link}`
      : `${title}: it is now planned for ${is}.\n${link}`,
  changed: (name: string, lines: readonly string[], by: string) =>
    `Hello ${name},\n\n${by} changed something you have seen:\n\n${lines.join('\n\n')}\n`,
  timeCancelledSubject: (title: string, when: string) => `Cancelled: ${title}, ${when}`,
  timeCancelled: (name: string, title: string, when: string, by: string, link: string) =>
    `Hello ${name},\n\nyour time on ${when} (${title}) does not take place; ${by} has cancelled it. Take another one here:\n\n${link}\n`,
  placeSubject: (to: string) => `A place in ${to}?`,
  place: (to: string, link: string) =>
    `Hello,\n\nsomebody who teaches ${to} would put you on its roster. Nothing happens until you say yes, on your account’s page:\n\n${link}\n`,
  joinSubject: (to: string) => `Join ${to}`,
  /** To an address that nobody has proven: it carries nothing that whoever asked has typed. */
  join: (to: string, link: string) =>
    `Hello,\n\nsomebody, you as we hope, wants to join ${to} with this address. Choose a password on this page, and you are in:\n\n${link}\n\nThe link works once and holds for 24 hours. If it was not you, do nothing: then nothing happens.\n`,
  invitationSubject: (to: string) => `Your first sign-in: ${to}`,
  invitation: (name: string, to: string, link: string) =>
    `Hello ${name},\n\nyou have been added to ${to}. Choose a password on this page, and you are in:\n\n${link}\n\nThe link works once and holds for 7 days.\n`,
} as const;

export const welcomeTexts = {
  title: 'Welcome',
  lead: (name: string, email: string) => `${name}, choose a password for ${email}.`,
  password: 'Password',
  hint: 'At least 12 characters',
  submit: 'Save and sign in',
  spentTitle: 'This link does not hold any more',
  spent: 'It was used already, or its time is over. Ask for another one, or sign in.',
  signIn: 'Sign in',
} as const;
