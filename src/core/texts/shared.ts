const feeds = { feed: 'Feed', embed: 'Embed' } as const;
const readers = {
  public: 'anyone who has its address',
  roster: 'who takes the course, by an address that is given to them alone',
} as const;

/** What a course shares outwards. */
export const sharedTexts = {
  title: 'What is shared outwards',
  lead: 'Every address by which somebody outside of Pembit’s sign-in reads these courses or comes into them.',
  link: 'Everything that is shared outwards',
  outlet: (kind: keyof typeof feeds, name: string) => `${feeds[kind]} “${name}”`,
  readBy: (audience: keyof typeof readers) => `Read by ${readers[audience]}`,
  files: 'with uploaded files',
  meetingLinks: 'with meeting links',
  sites: (sites: readonly string[]) => `framed by ${sites.join(', ')} alone`,
  joining: 'Joining address',
  joiningOpen: 'Whoever has it puts themselves on the roster',
  sheet: (title: string) => `Sign-up address of “${title}”`,
  sheetBy: 'Students of the course, by a link in a letter, without a password',
  nothing: 'Nothing: whoever reads this course signs in.',
} as const;
