/** Words of the Publish and Subscribe pages. */
export const publishTexts = {
  title: 'Publish',
  lead: 'Published once, right everywhere from then on. A feed goes into calendar applications, an embed into a page of your course’s site.',
  feed: 'Feed',
  embed: 'Embed',
  newTitle: 'New feed or embed',
  kind: 'What',
  feedLead: 'A feed: an address for calendar applications',
  embedLead: 'An embed: a piece of page for a course site',
  courses: 'Courses in it',
  who: 'Who can read it',
  public: 'Public',
  publicLead:
    'Anyone with its address can read it. It shows what concerns everyone in the course and the ticked sections, never a student’s name, a booking or a meeting link.',
  roster: 'For the roster',
  rosterLead:
    'Give the address to your students only: whoever holds it can read it. It may show what concerns the ticked sections, too.',
  personalLead: 'Your own: whoever holds this address can read what you see, bookings included.',
  sections: 'Sections whose classes and own entries are in it',
  kinds: 'What it shows',
  kindNames: {
    class: 'Classes',
    event: 'Events',
    set: 'Set days',
    due: 'Due work',
    announcement: 'Announcements',
    times: 'Sign-up times',
    closure: 'Closures',
  },
  name: 'Name',
  publish: 'Publish',
  publishPublic: 'Publish to anyone with the address',
  address: 'Address',
  snippet: 'Snippet',
  copyAddress: 'Copy the address',
  copySnippet: 'Copy the snippet',
  subscribe: 'Subscribe on this device',
  open: 'Look at it',
  personalName: (name: string) => `${name}: all courses`,
} as const;

export const subscribeTexts = {
  title: 'Subscribe',
  lead: 'Put everything from all your courses into the calendar on your phone or computer. It stays up to date by itself.',
  yours: 'Your own address',
  secret: 'Keep it to yourself: whoever holds it can read your calendar, with the times you took.',
  onPhone: 'On this device',
  onPhoneLead: 'One tap opens your calendar application and asks whether to subscribe.',
  elsewhere: 'On another device',
  elsewhereLead:
    'Copy the address. In the calendar application look for “subscribe” or “add a calendar from its address”, and paste it.',
  slow: 'Calendar applications look for news once an hour at best, some once a day.',
} as const;
