/**
 * A strict checker of iCalendar streams, written from RFC 5545 and RFC 7986: octet rules, structure, cardinality and
 * value types of what Pembit writes. It shares no code with the writer. Answers complaints, none for a right file.
 */
type Property = { name: string; params: Map<string, string>; value: string; line: number };
type Component = { name: string; properties: Property[]; children: Component[] };

const DATE = /^\d{8}$/;
const LOCAL = /^\d{8}T\d{6}$/;
const UTC = /^\d{8}T\d{6}Z$/;
const OFFSET = /^[+-]\d{4}(\d{2})?$/;
const DURATION = /^[+-]?P(\d+W|(\d+D)?(T(\d+H)?(\d+M)?(\d+S)?)?)$/;
const URI = /^[a-z][a-z0-9+.-]*:[^\s]+$/i;
/** RFC 5545 section 3.3.11: a backslash begins one of four escapes; commas and semicolons are escaped. */
const TEXT = /^(?:[^\\;,]|\\[\\;,nN])*$/;
const TEXT_LIST = /^(?:[^\\;]|\\[\\;,nN])*$/;

const VALUES: Record<string, RegExp> = {
  VERSION: /^2\.0$/, PRODID: TEXT, CALSCALE: /^GREGORIAN$/, NAME: TEXT, DESCRIPTION: TEXT, SUMMARY: TEXT, LOCATION: TEXT, UID: TEXT,
  TZID: TEXT, 'X-WR-CALNAME': TEXT, 'X-WR-CALDESC': TEXT, CATEGORIES: TEXT_LIST, URL: URI, SOURCE: URI, CONFERENCE: URI, COLOR: /^[a-z]+$/,
  'REFRESH-INTERVAL': DURATION, 'X-PUBLISHED-TTL': DURATION, DTSTAMP: UTC, CREATED: UTC, 'LAST-MODIFIED': UTC, SEQUENCE: /^\d+$/,
  CLASS: /^(PUBLIC|PRIVATE|CONFIDENTIAL)$/, TRANSP: /^(OPAQUE|TRANSPARENT)$/, STATUS: /^(TENTATIVE|CONFIRMED|CANCELLED|NEEDS-ACTION|COMPLETED)$/,
  'STYLED-DESCRIPTION': TEXT, 'X-ALT-DESC': TEXT, ACTION: /^DISPLAY$/, TRIGGER: DURATION,
  'PERCENT-COMPLETE': /^(\d{1,2}|100)$/, COMPLETED: UTC, 'RELATED-TO': TEXT, FREEBUSY: /^\d{8}T\d{6}Z\/\d{8}T\d{6}Z$/,
  METHOD: /^[A-Z]+$/, ORGANIZER: /^mailto:[^\s@]+@[^\s@]+$/, ATTENDEE: /^mailto:[^\s@]+@[^\s@]+$/, TZOFFSETFROM: OFFSET, TZOFFSETTO: OFFSET, RRULE: /^FREQ=[A-Z]+(;[A-Z]+=[A-Z0-9,+-]+)*$/, RDATE: LOCAL,
}; // prettier-ignore

const ONCE: Record<string, readonly string[]> = {
  VCALENDAR: ['PRODID', 'VERSION', 'CALSCALE', 'NAME', 'DESCRIPTION', 'URL', 'COLOR', 'REFRESH-INTERVAL', 'SOURCE'],
  VEVENT: ['UID', 'DTSTAMP', 'DTSTART', 'DTEND', 'SUMMARY', 'DESCRIPTION', 'LOCATION', 'URL', 'CLASS', 'TRANSP', 'STATUS', 'SEQUENCE', 'CREATED', 'LAST-MODIFIED', 'ORGANIZER'],
  // Section 3.6.2
  VTODO: ['UID', 'DTSTAMP', 'DUE', 'DTSTART', 'COMPLETED', 'CREATED', 'DESCRIPTION', 'LAST-MODIFIED', 'PERCENT-COMPLETE', 'SEQUENCE', 'STATUS', 'SUMMARY', 'URL', 'CLASS', 'LOCATION'],
  // Section 3.6.4
  VFREEBUSY: ['UID', 'DTSTAMP', 'DTSTART', 'DTEND', 'CONTACT', 'ORGANIZER', 'URL'],
  VALARM: ['ACTION', 'DESCRIPTION', 'TRIGGER', 'DURATION', 'REPEAT'],
  VTIMEZONE: ['TZID'],
  STANDARD: ['DTSTART', 'TZOFFSETFROM', 'TZOFFSETTO'],
  DAYLIGHT: ['DTSTART', 'TZOFFSETFROM', 'TZOFFSETTO'],
}; // prettier-ignore

const REQUIRED: Record<string, readonly string[]> = {
  VCALENDAR: ['PRODID', 'VERSION'],
  VEVENT: ['UID', 'DTSTAMP', 'DTSTART'],
  VTODO: ['UID', 'DTSTAMP'],
  VFREEBUSY: ['UID', 'DTSTAMP'],
  // Section 3.6.6, of an alarm that is shown.
  VALARM: ['ACTION', 'DESCRIPTION', 'TRIGGER'],
  VTIMEZONE: ['TZID'],
  STANDARD: ['DTSTART', 'TZOFFSETFROM', 'TZOFFSETTO'],
  DAYLIGHT: ['DTSTART', 'TZOFFSETFROM', 'TZOFFSETTO'],
};

const PARENT: Record<string, string> = {
  VEVENT: 'VCALENDAR',
  VTODO: 'VCALENDAR',
  VFREEBUSY: 'VCALENDAR',
  VALARM: 'VEVENT',
  VTIMEZONE: 'VCALENDAR',
  STANDARD: 'VTIMEZONE',
  DAYLIGHT: 'VTIMEZONE',
};

export function complaintsAbout(octets: Buffer): string[] {
  const complaints: string[] = [];
  const root = structure(unfold(octets, complaints), complaints);
  if (!root) return complaints;
  if (values(root, 'METHOD').length > 0) complaints.push('A subscribed feed carries a METHOD.');
  checkCalendar(root, complaints);
  return complaints;
}

/** The same for a message, with the tables of RFC 5546 sections 3.2.2 (REQUEST) and 3.2.5 (CANCEL). */
export function complaintsAboutMessage(octets: Buffer): string[] {
  const complaints: string[] = [];
  const root = structure(unfold(octets, complaints), complaints);
  if (!root) return complaints;
  checkCalendar(root, complaints);
  const [method, ...more] = values(root, 'METHOD').map((property) => property.value);
  if (more.length > 0 || !/^(REQUEST|CANCEL)$/.test(method ?? ''))
    complaints.push('A message carries one METHOD.');
  const events = root.children.filter((component) => component.name === 'VEVENT');
  if (events.length === 0) complaints.push('A message about nothing.');
  const count = (event: Component, name: string) => values(event, name).length;
  for (const event of events) {
    for (const name of ['ORGANIZER', 'ATTENDEE', 'UID', 'DTSTAMP', 'SEQUENCE'])
      if (count(event, name) !== 1) complaints.push(`${method}: ${count(event, name)} ${name}.`);
    const status = values(event, 'STATUS')[0]?.value;
    if (method === 'CANCEL' && status !== 'CANCELLED') complaints.push('CANCEL without STATUS:CANCELLED.');
    if (method === 'REQUEST' && status === 'CANCELLED') complaints.push('REQUEST of what is cancelled.');
    if (method === 'REQUEST' && (count(event, 'SUMMARY') !== 1 || count(event, 'DTSTART') !== 1))
      complaints.push('REQUEST without SUMMARY or DTSTART.');
  }
  return complaints;
}

/** Section 3.1: CRLF, at most 75 octets, UTF-8 not split. */
function unfold(octets: Buffer, complaints: string[]): { text: string; line: number }[] {
  const raw = octets.toString('latin1');
  if (!raw.endsWith('\r\n')) complaints.push('The stream does not end with CRLF.');
  const physical = raw.split('\r\n');
  physical.pop();
  const lines: { text: string; line: number }[] = [];
  physical.forEach((text, i) => {
    const line = i + 1;
    if (/[\r\n]/.test(text)) complaints.push(`Line ${line}: a bare CR or LF.`);
    if (text.length > 75) complaints.push(`Line ${line}: ${text.length} octets.`);
    try {
      new TextDecoder('utf-8', { fatal: true }).decode(Buffer.from(text, 'latin1'));
    } catch {
      complaints.push(`Line ${line}: a fold splits a character, or this is not UTF-8.`);
    }
    const decoded = Buffer.from(text, 'latin1').toString('utf8');
    if (decoded.startsWith(' ') || decoded.startsWith('\t')) {
      const last = lines.at(-1);
      if (!last) complaints.push(`Line ${line}: a continuation of nothing.`);
      else last.text += decoded.slice(1);
    } else lines.push({ text: decoded, line });
  });
  return lines;
}

function structure(lines: { text: string; line: number }[], complaints: string[]): Component | undefined {
  const stack: Component[] = [];
  let root: Component | undefined;
  for (const { text, line } of lines) {
    const match = /^([A-Za-z0-9-]+)((?:;[A-Za-z0-9-]+=(?:"[^"]*"|[^";:,]*))*):([\s\S]*)$/.exec(text);
    if (!match) {
      complaints.push(`Line ${line}: not a content line: ${text.slice(0, 40)}`);
      continue;
    }
    const [, name = '', parameters = '', value = ''] = match;

    if (/[\u0000-\u0008\u000a-\u001f\u007f]/.test(value))
      complaints.push(`Line ${line}: a control character.`);
    if (name === 'BEGIN') {
      const component: Component = { name: value, properties: [], children: [] };
      const parent = stack.at(-1);
      if ((PARENT[value] ?? undefined) !== parent?.name)
        complaints.push(`Line ${line}: ${value} inside ${parent?.name ?? 'nothing'}.`);
      if (parent) parent.children.push(component);
      else if (root) complaints.push(`Line ${line}: a second root.`);
      else root = component;
      stack.push(component);
    } else if (name === 'END') {
      if (stack.pop()?.name !== value)
        complaints.push(`Line ${line}: END:${value} closes another component.`);
    } else {
      const params = new Map(
        [...parameters.matchAll(/;([A-Za-z0-9-]+)=("[^"]*"|[^;]*)/g)].map((p) => [
          p[1]!,
          p[2]!.replace(/"/g, ''),
        ]),
      );
      stack.at(-1)?.properties.push({ name, params, value, line });
    }
  }
  if (stack.length > 0) complaints.push(`${stack.at(-1)!.name} is not closed.`);
  return root;
}

const values = (component: Component, name: string) => component.properties.filter((p) => p.name === name);

function checkCalendar(root: Component, complaints: string[]): void {
  const zones = new Set(
    root.children.filter((c) => c.name === 'VTIMEZONE').flatMap((c) => values(c, 'TZID').map((p) => p.value)),
  );
  const uids = new Set<string>();
  checkComponent(root, zones, complaints);
  for (const todo of root.children.filter((c) => c.name === 'VTODO')) checkTodo(todo, uids, complaints);
  for (const event of root.children.filter((c) => c.name === 'VEVENT')) {
    // An occurrence that differs has its series' UID and says which it is.
    const uid = [
      values(event, 'UID')[0]?.value ?? '',
      ...values(event, 'RECURRENCE-ID').map((p) => p.value),
    ].join(' ');
    checkRule(event, complaints);
    checkUntil(event, complaints);
    if (uids.has(uid)) complaints.push(`UID ${uid} twice.`);
    uids.add(uid);
    checkDates(event, complaints);
  }
  checkSeries(
    root.children.filter((c) => c.name === 'VEVENT'),
    complaints,
  );
}

const listOf = (item: string) => new RegExp(`^${item}(,${item})*$`);
/** Section 3.3.10: the values of each part. */
const PARTS: Readonly<Record<string, RegExp>> = {
  FREQ: /^(SECONDLY|MINUTELY|HOURLY|DAILY|WEEKLY|MONTHLY|YEARLY)$/,
  INTERVAL: /^[1-9]\d*$/,
  COUNT: /^[1-9]\d*$/,
  UNTIL: /^\d{8}(T\d{6}Z?)?$/,
  BYSECOND: listOf('([0-9]|[1-5][0-9]|60)'),
  BYMINUTE: listOf('([0-9]|[1-5][0-9])'),
  BYHOUR: listOf('([0-9]|1[0-9]|2[0-3])'),
  BYDAY: listOf('([+-]?([1-9]|[1-4][0-9]|5[0-3]))?(MO|TU|WE|TH|FR|SA|SU)'),
  BYMONTHDAY: listOf('[+-]?([1-9]|[12][0-9]|3[01])'),
  BYYEARDAY: listOf('[+-]?([1-9]|[1-9][0-9]|[12][0-9][0-9]|3[0-5][0-9]|36[0-6])'),
  BYWEEKNO: listOf('[+-]?([1-9]|[1-4][0-9]|5[0-3])'),
  BYMONTH: listOf('([1-9]|1[0-2])'),
  BYSETPOS: listOf('[+-]?([1-9]|[1-9][0-9]|[12][0-9][0-9]|3[0-5][0-9]|36[0-6])'),
  WKST: /^(MO|TU|WE|TH|FR|SA|SU)$/,
};

/** Section 3.3.10: FREQ, each part once and within its range, COUNT or UNTIL, none that its FREQ excludes. */
function checkRule(event: Component, complaints: string[]): void {
  for (const { value, line } of values(event, 'RRULE')) {
    const wrong = (why: string) => complaints.push(`Line ${line}: RRULE ${value}: ${why}.`);
    const pairs = value.split(';').map((part) => part.split('=') as [string, string]);
    const parts = new Map(pairs);
    if (parts.size < pairs.length) wrong('a part twice');
    for (const [name, text] of pairs) if (!PARTS[name]?.test(text)) wrong(name);
    if (parts.has('COUNT') && parts.has('UNTIL')) wrong('COUNT and UNTIL');
    const freq = parts.get('FREQ') ?? '';
    if (/\d/.test(parts.get('BYDAY') ?? '') && !/^(MONTHLY|YEARLY)$/.test(freq)) wrong('BYDAY counts');
    if (parts.has('BYWEEKNO') && freq !== 'YEARLY') wrong('BYWEEKNO');
    if (parts.has('BYMONTHDAY') && freq === 'WEEKLY') wrong('BYMONTHDAY');
    if (parts.has('BYYEARDAY') && /^(DAILY|WEEKLY|MONTHLY)$/.test(freq)) wrong('BYYEARDAY');
    const until = parts.get('UNTIL')?.slice(0, 8);
    const start = values(event, 'DTSTART')[0]?.value.slice(0, 8) ?? '';
    // By dates alone, a day apart: UNTIL is in UTC.
    if (until && Number(until) < Number(start) - 1) wrong('it ends before it begins');
  }
}

/**
 * Sections 3.8.4.4, 3.8.5.1 and 3.8.5.3: what differs singly differs from a series that is there, by a value of the type of its
 * DTSTART, and is not gone from it; what is gone is of that type, too.
 */
function checkSeries(events: readonly Component[], complaints: string[]): void {
  const uidOf = (event: Component) => values(event, 'UID')[0]?.value ?? '';
  const isSingle = (event: Component) => values(event, 'RECURRENCE-ID').length > 0;
  const series = new Map(events.filter((event) => !isSingle(event)).map((event) => [uidOf(event), event]));
  const typeOf = (property: Property | undefined) => property?.params.get('VALUE') ?? 'DATE-TIME';
  for (const event of series.values())
    for (const gone of values(event, 'EXDATE'))
      if (typeOf(gone) !== typeOf(values(event, 'DTSTART')[0]))
        complaints.push(`Line ${gone.line}: EXDATE is of another type than DTSTART.`);
  for (const single of events.filter(isSingle)) {
    const [id] = values(single, 'RECURRENCE-ID');
    const of = series.get(uidOf(single));
    if (!of || values(of, 'RRULE').length === 0) {
      complaints.push(`Line ${id!.line}: an occurrence of no series.`);
      continue;
    }
    if (typeOf(id) !== typeOf(values(of, 'DTSTART')[0]))
      complaints.push(`Line ${id!.line}: RECURRENCE-ID is of another type than DTSTART.`);
    const gone = values(of, 'EXDATE').flatMap(({ value }) => value.split(','));
    if (gone.includes(id!.value)) complaints.push(`Line ${id!.line}: it is gone from its series.`);
  }
}

function checkComponent(component: Component, zones: ReadonlySet<string>, complaints: string[]): void {
  for (const name of REQUIRED[component.name] ?? [])
    if (values(component, name).length === 0) complaints.push(`${component.name} without ${name}.`);
  for (const name of ONCE[component.name] ?? [])
    if (values(component, name).length > 1) complaints.push(`${component.name} with more than one ${name}.`);
  if (component.name === 'VTIMEZONE' && component.children.length === 0)
    complaints.push('VTIMEZONE without an observance.');
  const observance = component.name === 'STANDARD' || component.name === 'DAYLIGHT';
  for (const property of component.properties) {
    const { name, value, params, line } = property;
    if (['DTSTART', 'DTEND', 'DUE', 'EXDATE', 'RECURRENCE-ID'].includes(name)) {
      const tzid = params.get('TZID');
      const expected = params.get('VALUE') === 'DATE' ? DATE : tzid || observance ? LOCAL : UTC;
      if (!expected.test(value)) complaints.push(`Line ${line}: ${name} ${value}.`);
      if (!realDate(value)) complaints.push(`Line ${line}: ${value} is no date.`);
      if (tzid && !zones.has(tzid)) complaints.push(`Line ${line}: no VTIMEZONE for ${tzid}.`);
    } else if (!VALUES[name]) complaints.push(`Line ${line}: unexpected ${name}.`);
    else if (!VALUES[name].test(value))
      complaints.push(`Line ${line}: ${name} has the value ${value.slice(0, 60)}.`);
  }
  component.children.forEach((child) => checkComponent(child, zones, complaints));
}

function realDate(value: string): boolean {
  const [year, month, day] = [value.slice(0, 4), value.slice(4, 6), value.slice(6, 8)].map(Number);
  const date = new Date(Date.UTC(year!, month! - 1, day!));
  return date.getUTCMonth() === month! - 1 && date.getUTCDate() === day!;
}

/** Section 3.3.10: UNTIL is of DTSTART's type, and in UTC where that is a time with a zone. */
function checkUntil(event: Component, complaints: string[]): void {
  const [start] = values(event, 'DTSTART');
  const [rule] = values(event, 'RRULE');
  const until = /UNTIL=([^;]+)/.exec(rule?.value ?? '')?.[1];
  if (!until || !start) return;
  const expected = start.params.get('VALUE') === 'DATE' ? DATE : UTC;
  if (!expected.test(until)) complaints.push(`Line ${rule!.line}: UNTIL is ${until}.`);
}

/** Sections 3.8.1.11, 3.8.1.8 and 3.8.2.1: what is completed says when, and is so by a hundred per cent; each UID once. */
function checkTodo(todo: Component, uids: Set<string>, complaints: string[]): void {
  const at = (name: string) => values(todo, name)[0]?.value;
  const uid = at('UID') ?? '';
  if (uids.has(uid)) complaints.push(`UID ${uid} twice.`);
  uids.add(uid);
  const [status, percent] = [at('STATUS'), at('PERCENT-COMPLETE')];
  if (!/^(NEEDS-ACTION|COMPLETED|IN-PROCESS|CANCELLED)$/.test(status ?? ''))
    complaints.push(`VTODO is ${status}.`);
  if ((status === 'COMPLETED') !== (at('COMPLETED') !== undefined))
    complaints.push(`${uid} is ${status}, and its COMPLETED does not say so.`);
  if (status === 'COMPLETED' && percent !== '100') complaints.push(`${uid} is done by ${percent} per cent.`);
}

/** Section 3.8.2.2: DTEND is of DTSTART's type, and later. */
function checkDates(event: Component, complaints: string[]): void {
  const [start] = values(event, 'DTSTART');
  const [end] = values(event, 'DTEND');
  if (!start || !end) return;
  if (start.params.get('VALUE') !== end.params.get('VALUE'))
    complaints.push(`Line ${end.line}: DTEND is of another type.`);
  if (start.params.get('TZID') === end.params.get('TZID') && end.value <= start.value)
    complaints.push(`Line ${end.line}: DTEND is not later than DTSTART.`);
}
