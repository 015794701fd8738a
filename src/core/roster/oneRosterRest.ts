import { z } from 'zod';
import type { OneRosterReading, Row } from './readOneRoster';
import { holds, readRosterRows } from './readOneRoster';

/*
 * The REST binding of OneRoster 1.2 (1EdTech), as a consumer of rosters; from memory, unverified against its text. A page of
 * records stands under the name of its kind; flags are sent as words or as true and false.
 */

const word = z.union([z.string(), z.boolean().transform(String)]).optional();
const ref = z.looseObject({ sourcedId: z.string() });
const base = { sourcedId: z.string(), status: word };

const RECORDS = {
  classes: z.looseObject({ ...base, title: word, classCode: word }),
  enrollments: z.looseObject({ ...base, role: word, user: ref, class: ref }),
  users: z.looseObject({
    ...base,
    enabledUser: word,
    givenName: word,
    familyName: word,
    preferredFirstName: word,
    preferredLastName: word,
    email: word,
  }),
} as const;
export type RestKind = keyof typeof RECORDS;
export const REST_KINDS = ['classes', 'enrollments', 'users'] as const satisfies readonly RestKind[];

/** The records of a page; undefined for what is no page of that kind. */
export function recordsOf(kind: RestKind, body: unknown): readonly unknown[] | undefined {
  const page = z.looseObject({ [kind]: z.array(RECORDS[kind]) }).safeParse(body);
  return page.success ? (page.data as Record<string, unknown[]>)[kind] : undefined;
}

type Read<K extends RestKind> = z.output<(typeof RECORDS)[K]>;

/** The columns of the CSV binding that a record stands for. */
const CELLS: { readonly [K in RestKind]: (record: Read<K>) => Readonly<Record<string, string | undefined>> } =
  {
    classes: ({ sourcedId, status, title, classCode }) => ({ sourcedId, status, title, classCode }),
    enrollments: ({ sourcedId, status, role, user, class: of }) => ({
      sourcedId,
      status,
      role,
      userSourcedId: user.sourcedId,
      classSourcedId: of.sourcedId,
    }),
    users: ({ preferredFirstName, preferredLastName, ...user }) => ({
      sourcedId: user.sourcedId,
      status: user.status,
      enabledUser: user.enabledUser,
      givenName: user.givenName,
      familyName: user.familyName,
      email: user.email,
      preferredGivenName: preferredFirstName,
      preferredFamilyName: preferredLastName,
    }),
  };

const tidy = (text: string) => text.replace(/\s+/g, ' ').trim();

function rowsOf<K extends RestKind>(kind: K, records: readonly unknown[]): Row[] {
  return records
    .map((record, i) => {
      const cells = Object.entries(CELLS[kind](record as Read<K>)).flatMap(([name, text]) =>
        text === undefined ? [] : [[name, tidy(text)] as const],
      );
      return { cells: Object.fromEntries(cells), line: i + 1 };
    })
    .filter(holds);
}

/** Who takes which class, by all records of each kind. */
export const readRestRoster = (records: Readonly<Record<RestKind, readonly unknown[]>>): OneRosterReading =>
  readRosterRows({
    classes: rowsOf('classes', records.classes),
    enrollments: rowsOf('enrollments', records.enrollments),
    users: rowsOf('users', records.users),
  });
