/** Letters about who is coming. */
export const comingMailTexts = {
  seatSubject: (title: string, when: string) => `You have a seat: ${title}, ${when}`,
  seat: (name: string, title: string, when: string, link: string) =>
    `Hello ${name},\n\na seat has become free, and it is yours: ${title}, ${when}.\n\nIf you cannot come, say so here, so that somebody else can have it:\n${link}\n`,
} as const;
