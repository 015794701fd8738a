/** How the history and the message after an act say what happened. */
export const historyTexts = {
  planned: (title: string) => `Added ${title}`,
  changed: (title: string) => `Changed ${title}`,
  moved: (title: string, when: string) => `Moved ${title} to ${when}`,
  cancelledTime: (when: string) => `Cancelled the time ${when}`,
  deleted: (title: string) => `Deleted ${title}`,
  offered: (n: number, title: string) =>
    n === 1 ? `Offered 1 time: ${title}` : `Offered ${n} times: ${title}`,
  draftSheet: (title: string) => `Kept ${title} as a draft`,
  took: (when: string) => `Took ${when}`,
  gaveBack: (when: string) => `Gave back ${when}`,
  published: (name: string) => `Published ${name}`,
  undid: (what: string) => `Undid: ${what}`,
} as const;
