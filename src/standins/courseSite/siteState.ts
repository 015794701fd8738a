import { randomUUID } from 'node:crypto';

/** Somebody in the stand-in's one course. */
export type SitePerson = Readonly<{ id: string; name: string; email: string; role: string }>;

/** Something that Pembit has placed on the course's page. */
export type SiteItem = Readonly<{ id: string; type: string; title: string; url: string; html: string; height: number }>; // prettier-ignore

/** A tool that has been registered here: one at a time. */
export type Tool = Readonly<{ clientId: string; deployment: string; login: string; launch: string; keys: string }>; // prettier-ignore

const USUAL = `m1, Maren Toft, maren@kittiwake.example, Instructor
s1, Ivo Saltmarsh, ivo@kittiwake.example, Learner
s2, Linnea Brask, linnea@kittiwake.example, Learner`;

/** What the stand-in keeps, in memory. */
export type SiteState = {
  people: string;
  tool: Tool;
  items: SiteItem[];
  /** Registration tokens that were given out. */
  registrations: Set<string>;
  /** Access tokens that were given out. */
  tokens: Set<string>;
  /** What the course is called. */
  title: string;
};

export const siteState = (pembitUrl: string): SiteState => ({
  people: USUAL,
  tool: {
    clientId: 'pembit-by-hand',
    deployment: '1',
    login: `${pembitUrl}/lti/login`,
    launch: `${pembitUrl}/lti/launch`,
    keys: `${pembitUrl}/lti/keys.json`,
  },
  items: [],
  registrations: new Set(),
  tokens: new Set(),
  title: 'HL 210 Hull lofting',
});

/** One line each: `s1, Ivo Saltmarsh, ivo@kittiwake.example, Learner`. What cannot be read is left out. */
export const peopleOf = ({ people }: SiteState): SitePerson[] =>
  people.split('\n').flatMap((line) => {
    const [id, name, email, role] = line.split(',').map((part) => part.trim());
    return id && name && email && role ? [{ id, name, email, role }] : [];
  });

export const newItem = (item: Omit<SiteItem, 'id'>): SiteItem => ({ ...item, id: randomUUID() });
