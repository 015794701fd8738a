import type { PersonId } from '@/core/ids';
import { demoId } from './demoIds';

/** The people of the Kittiwake Point School of Boatcraft. All invented. */
export type DemoPerson = Readonly<{ id: PersonId; email: string; name: string; isAdmin: boolean }>;

const GIVEN = [
  'Ivo', 'Signe', 'Bram', 'Oda', 'Corin', 'Wilma', 'Petra', 'Anselm', 'Runa', 'Edvin', 'Liv', 'Maelle', 'Tove', 'Casper', 'Nuala',
  'Jory', 'Hedda', 'Emlyn', 'Sunniva', 'Roan', 'Ylva', 'Matthis', 'Brenna', 'Joost', 'Elowen', 'Aksel', 'Freya', 'Taavi', 'Morwenna', 'Sander',
]; // prettier-ignore
const FAMILY = [
  'Saltmarsh',
  'Tarn',
  'Oakum',
  'Thole',
  'Ferrule',
  'Larchwood',
  'Quoin',
  'Bowline',
  'Garland',
  'Strake',
];

const person = (email: string, name: string, isAdmin = false): DemoPerson => ({
  id: demoId<PersonId>(email),
  email: `${email}@kittiwake.example`,
  name,
  isAdmin,
});

export const MAREN = person('maren', 'Maren Toft');
export const TOBIAS = person('tobias', 'Tobias Aldous');
export const GRETE = person('grete', 'Grete Halloran');
export const OFFICE = person('office', 'School office', true);

export const STAFF: readonly DemoPerson[] = [MAREN, TOBIAS, GRETE, OFFICE];

/** Ninety students; every given name three times, each time with another family name. */
export const STUDENTS: readonly DemoPerson[] = Array.from({ length: 90 }, (_, i) => {
  const given = GIVEN[i % GIVEN.length]!;
  const family = FAMILY[(i * 7 + Math.floor(i / GIVEN.length) * 3) % FAMILY.length]!;
  const round = Math.floor(i / GIVEN.length);
  const address = given
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^a-z]/g, '');
  return person(round === 0 ? address : `${address}${round + 1}`, `${given} ${family}`);
});

/** Who the sign-in page of the demo offers, one click each. */
export const SIGN_IN_AS: readonly (DemoPerson & { role: string })[] = [
  { ...MAREN, role: 'Instructor of HL 210 and NV 140' },
  { ...TOBIAS, role: 'Co-instructor of HL 210 and NV 140, instructor of SR 120' },
  { ...OFFICE, role: 'Administrator' },
  { ...STUDENTS[0]!, role: 'Student in HL 210, NV 140 and SR 120' },
  { ...STUDENTS[1]!, role: 'Student in HL 210 and NV 140' },
];

export const DEMO_SCHOOL = 'Kittiwake Point School of Boatcraft';
export const DEMO_PASSWORD = 'pembit-demo-2026';
