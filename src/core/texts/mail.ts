/** The letters Pembit sends. */
export const mailTexts = {
  changedSubject: (summary: string) => summary,
  changedLine: (title: string, was: string, is: string, cancelled: boolean, link: string) =>
    cancelled
      ? `${title}: cancelled (it was ${was}).\n${link}`
      : was === is
        ? `${title}, ${is}: changed.\n${link}`
        : `${title}: it was ${was}; it is now ${is}.\n${link}`,
  movedClassLine: (title: string, was: string | undefined, is: string, link: string) =>
    was
      ? `${title}: it was planned for ${was}; it is now planned for ${is}.\n${link}`
      : `${title}: it is now planned for ${is}.\n${link}`,
  changed: (name: string, lines: readonly string[], by: string) =>
    `Hello ${name},\n\n${by} changed something you have seen:\n\n${lines.join('\n\n')}\n`,
  timeCancelledSubject: (title: string, when: string) => `Cancelled: ${title}, ${when}`,
  timeCancelled: (name: string, title: string, when: string, by: string, link: string) =>
    `Hello ${name},\n\nyour time on ${when} (${title}) does not take place; ${by} has cancelled it. Take another one here:\n\n${link}\n`,
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
