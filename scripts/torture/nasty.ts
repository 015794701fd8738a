/** Values that fit the shape a JSON Schema gives, and now and then do not: for requests that nobody should send. */

/** The part of JSON Schema that the description of the API uses. */
export type Shape = Readonly<{
  type?: string;
  const?: unknown;
  enum?: readonly unknown[];
  anyOf?: readonly Shape[];
  oneOf?: readonly Shape[];
  properties?: Readonly<Record<string, Shape>>;
  items?: Shape;
  format?: string;
  default?: unknown;
  minimum?: number;
}>;

/** The ids that are there, by what they are of: `courses`, `entries`. */
export type Ids = ReadonlyMap<string, readonly string[]>;

const STRINGS = [
  '', ' ', 'A', 'Half-model', '2026-10-15', '2026-11-05T10:00', '2026-11-01T01:30', '2026-03-08T02:30', '10:00', '24:00', '9999-12-31',
  '-271821-04-20', '+275760-09-13', '2026-02-29', '2026-13-45', '0000-00-00', '10', '10-9', '1e999', '-1', 'null', '__proto__', 'constructor',
  'https://handouts.example/1', 'javascript:alert(1)', 'data:text/html,x', 'http://[::1]:1', 'http://2130706433/', 'file:///etc/hosts',
  '<script>alert(1)</script>', '<p onclick="x">x</p>', "'; DROP TABLE entries; --", '=HYPERLINK("x")', '%00', '\u0000', '\uD800', '\u202E', '\u200B',
  '🛶'.repeat(50), 'ﷺ'.repeat(200), 'a'.repeat(70_000), '\r\n\r\nBEGIN:VEVENT', 'FREQ=SECONDLY', 'FREQ=DAILY;COUNT=9', 'FREQ=YEARLY;BYMONTH=2;BYMONTHDAY=30',
  'America/Halifax', 'Europe/Nowhere', 'en-GB', 'maren@kittiwake.example', 'a@b', 'A: Tue Thu 10-11:50', '1. One\n2. Two\t\n\n', 'HL 210', '../../x', '..\\x',
]; // prettier-ignore
const NUMBERS = [0, 1, 2, 30, 90, -1, 0.5, 1e9, -0, 2 ** 31, 2 ** 53, 1e308, 365, 1441];
/** Which ids a property or a path is about. */
const KINDS: Readonly<Record<string, string>> = {
  course: 'courses', term: 'terms', section: 'sections', group: 'course_groups', person: 'people', people: 'people', material: 'materials',
  file: 'files', meeting: 'meetings', sheet: 'sheets', slot: 'slots', entry: 'entries', entries: 'entries', plan: 'class_plans', to: 'courses',
  from: 'courses', bookings: 'bookings', outlets: 'outlets', calendars: 'calendars', history: 'history', closures: 'closures', parent: 'materials',
  instructor: 'people', students: 'people', sections: 'sections', groups: 'course_groups', courses: 'courses', slots: 'slots', sheets: 'sheets',
  materials: 'materials', meetings: 'meetings', terms: 'terms', changes: 'history', rooms: 'sheets', 'site-dates': 'site_dates',
}; // prettier-ignore

const pick = <T>(random: () => number, list: readonly T[]): T => list[Math.floor(random() * list.length)]!;

/** An id of what a name is about; of anything where it says nothing. */
export function idFor(name: string, ids: Ids, random: () => number): string {
  const own = ids.get(KINDS[name] ?? '') ?? [];
  const list = own.length > 0 && random() < 0.95 ? own : [...ids.values()].flat();
  return pick(random, list);
}

function anything(random: () => number, depth = 0): unknown {
  const kind = Math.floor(random() * (depth > 3 ? 4 : 6));
  if (kind === 0) return pick(random, STRINGS);
  if (kind === 1) return pick(random, NUMBERS);
  if (kind === 2) return random() < 0.5;
  if (kind === 3) return null;
  const length = Math.floor(random() * 4);
  const values = Array.from({ length }, () => anything(random, depth + 1));
  return kind === 4
    ? values
    : Object.fromEntries(values.map((value) => [pick(random, STRINGS).slice(0, 40), value]));
}

/** How values are chosen: from which ids, by which numbers, and how often something is not what it should be, from 0 to 1. */
export type Choosing = Readonly<{ ids: Ids; random: () => number; wild: number }>;

/** A value for a shape. */
export function nasty(shape: Shape, choosing: Choosing, name = ''): unknown {
  const { ids, random, wild } = choosing;
  if (random() < wild / 8) return anything(random);
  const of = (part: Shape, as = name) => nasty(part, choosing, as);
  const choices = shape.anyOf ?? shape.oneOf;
  if (choices) return of(pick(random, choices));
  if (shape.const !== undefined) return shape.const;
  if (shape.enum) return pick(random, shape.enum);
  if (shape.default !== undefined && random() < 0.4) return shape.default;
  switch (shape.type) {
    case 'object':
      return Object.fromEntries(
        Object.entries(shape.properties ?? {}).flatMap(([key, part]) =>
          random() < wild / 4 ? [] : [[key, of(part, key)]],
        ),
      );
    case 'array': {
      const length = random() < 0.02 ? 300 : Math.floor(random() * 3);
      return Array.from({ length }, () => of(shape.items ?? {}));
    }
    case 'integer':
    case 'number':
      return random() < wild ? pick(random, NUMBERS) : (shape.minimum ?? 0) + Math.floor(random() * 30);
    case 'boolean':
      return random() < 0.5;
    case 'string':
      return shape.format === 'uuid' ? idFor(name, ids, random) : plausible(name, choosing);
    case undefined:
    default:
      return anything(random);
  }
}

/** What a field of this name usually holds, so that requests get beyond the first look. */
function plausible(name: string, { random, wild }: Choosing): string {
  if (random() < wild) return pick(random, STRINGS);
  const day = `2026-1${Math.floor(random() * 3)}-${String(1 + Math.floor(random() * 30)).padStart(2, '0')}`;
  if (/^(start|end|due|opens|closes|from|hiddenAfter|until)$/.test(name)) return random() < 0.3 ? day : `${day}T1${Math.floor(random() * 9)}:30`; // prettier-ignore
  if (/(day|date|On|on|setOn)$/i.test(name)) return day;
  if (/(time|at)$/i.test(name)) return `1${Math.floor(random() * 9)}:00`;
  if (/rule/i.test(name)) return 'FREQ=WEEKLY;COUNT=4';
  if (/tzid|zone/i.test(name)) return 'America/Halifax';
  if (/url|link/i.test(name)) return 'https://handouts.example/1';
  return `Words ${Math.floor(random() * 1000)}`;
}

/** Octets of a file with some of them others, cut short, or twice. */
export function damaged(octets: Uint8Array, random: () => number): Uint8Array {
  const copy = Uint8Array.from(octets);
  const flips = Math.floor(random() * 12);
  for (let i = 0; i < flips; i++) copy[Math.floor(random() * copy.length)] = Math.floor(random() * 256);
  if (random() < 0.2) return copy.slice(0, Math.floor(random() * copy.length));
  return random() < 0.1 ? Uint8Array.from([...copy, ...copy]) : copy;
}
