/** What of Pembit is used, for the office. */
export const usageTexts = {
  title: 'What is used',
  lead: (days: number) => `In the last ${days} days.`,
  people: (came: number, all: number) => `${came} of ${all} people signed in`,
  outlets: (outlets: number, reads: number) => `${outlets} feeds and embeds, read ${reads} times`,
  letters: (sent: number, failed: number) =>
    `${sent} letters sent${failed === 0 ? '' : `, ${failed} given up`}`,
  files: (files: number, megabytes: number) => `${files} files, ${megabytes} MB`,
  notice: 'A line for everybody',
  noticeHint: 'Stands at the head of every page and of the sign-in page until it is empty again.',
} as const;
