import { describe, expect, test } from 'vitest';
import {
  closureInput,
  courseInput,
  meetingInput,
  newCourseInput,
  sectionInput,
  siteDateInput,
  termInput,
} from './frameInput';

const ID = '11111111-1111-4111-8111-111111111111';
const term = { name: 'Autumn 2026', startsOn: '2026-09-08', endsOn: '2026-12-18', tzid: 'America/Halifax' };
const closure = { term: ID, name: 'Regatta', firstDay: '2026-10-12', lastDay: '2026-10-13' };
const course = { code: 'HL 210', title: 'Hull lofting', tag: 'HL', color: 'sea' };
const newCourse = {
  ...course,
  term: ID,
  instructor: ID,
  sections: [{ name: 'A', week: 'Tue Thu 10-11:50' }],
};
type Read = { success: boolean; error?: { issues: { path: PropertyKey[]; message: string }[] } };
const refusals = (read: Read) =>
  read.error?.issues.map(({ path, message }) => `${path.join('.')}: ${message}`) ?? [];

describe('a term', () => {
  test.each([
    ['of a day', { endsOn: '2026-09-08' }, []],
    ['of 400 days', { endsOn: '2027-10-13' }, []],
    ['of more', { endsOn: '2027-10-14' }, ['endsOn: A term is at most 400 days long.']],
    ['that ends before it begins', { endsOn: '2026-09-07' }, ['endsOn: The term ends before it begins.']],
    ['in no time zone', { tzid: 'Halifax' }, ['tzid: There is no time zone of this name. Write it as America/Halifax.']],
    ['without a name', { name: ' ' }, ['name: Give the term a name.']],
    ['on a day that is not', { startsOn: '2026-09-31' }, ['startsOn: Give a date, such as 2026-10-15.']],
  ])('%s', (_, changes, expected) => expect(refusals(termInput.safeParse({ ...term, ...changes }))).toEqual(expected)); // prettier-ignore
});

describe('a closure, and a date for everyone', () => {
  test.each([
    ['of a day', { lastDay: '2026-10-12' }, []],
    ['backwards', { lastDay: '2026-10-11' }, ['lastDay: The last day lies before the first one.']],
  ])('%s', (_, changes, expected) => {
    expect(refusals(closureInput.safeParse({ ...closure, ...changes }))).toEqual(expected);
    expect(refusals(siteDateInput.safeParse({ ...closure, ...changes }))).toEqual(expected);
  });
  test('may begin at a time of day', () => {
    expect(String(closureInput.parse({ ...closure, closesAt: '13:00' }).closesAt)).toBe('13:00:00');
    expect(refusals(closureInput.safeParse({ ...closure, closesAt: '1pm' }))).toEqual(['closesAt: Give a time, such as 13:00.']); // prettier-ignore
  });
});

describe('the week of a section', () => {
  const week = (text: string) => sectionInput.safeParse({ name: 'A', week: text });
  test('is read as it is typed', () => {
    const read = week('Tue Thu 10-11:50; Fri 9-10');
    expect(read.success && read.data.week.map(({ weekday, start, end }) => `${weekday} ${String(start)} ${String(end)}`)).toEqual([
      '2 10:00:00 11:50:00',
      '4 10:00:00 11:50:00',
      '5 09:00:00 10:00:00',
    ]);
  }); // prettier-ignore
  test('may be empty: a course that does not meet', () => expect(week('').success).toBe(true));
  test.each([
    ['10-11:50', 'week: “10-11:50” begins with no weekday. Write it as: Tue Thu 10-11:50.'],
    ['Tue Thu', 'week: “Tue Thu” has no times. Write it as: Tue Thu 10-11:50.'],
    ['Tue 2-4', 'week: “Tue 2-4” could be morning or afternoon. Write 14:00-16:00, or 2a-4a.'],
    ['Tue 15:00-14:00', 'week: “Tue 15:00-14:00” ends before it begins.'],
  ])('%s is asked about', (text, sentence) => expect(refusals(week(text))).toEqual([sentence]));
});

describe('a course', () => {
  test('shares no titles unless that is said', () =>
    expect(courseInput.parse(course)).toMatchObject({ sharesTitles: false, place: '', meetingLink: '' }));
  test.each([
    ['a tag of one letter', { tag: 'H' }, 'tag: A tag has two or three letters.'],
    ['a tag of four', { tag: 'HULL' }, 'tag: At most 3 characters.'],
    ['an eleventh colour', { color: 'pink' }, 'color: Choose one of the ten colours.'],
    ['credits below none', { credits: -1 }, 'credits: Credits are 0 or more.'],
    ['more hours than a week has', { weeklyHours: 169 }, 'weeklyHours: A week has 168 hours.'],
    ['half an address', { meetingLink: 'meet' }, 'meetingLink: Paste a whole address, beginning with https:// or http://.'],
  ])('%s is refused', (_, changes, sentence) =>
    expect(refusals(courseInput.safeParse({ ...course, ...changes }))).toEqual([sentence]),
  ); // prettier-ignore
  test('begins with sections, each of its own name', () => {
    const [first] = newCourse.sections;
    expect(refusals(newCourseInput.safeParse(newCourse))).toEqual([]);
    expect(refusals(newCourseInput.safeParse({ ...newCourse, sections: [] }))).toEqual(['sections: A course has at least one section.']);
    expect(refusals(newCourseInput.safeParse({ ...newCourse, sections: [first, first] }))).toEqual(['sections: Two sections have the same name.']);
  }); // prettier-ignore
});

test('a class is moved, called off or takes place after all, and nothing else', () => {
  const move = { act: 'move', date: '2026-10-15', start: '10:00', end: '11:50' };
  expect(refusals(meetingInput.safeParse(move))).toEqual([]);
  expect(refusals(meetingInput.safeParse({ ...move, end: '10:00' }))).toEqual([
    'end: It ends before it begins.',
  ]);
  expect(meetingInput.parse({ act: 'cancel' })).toEqual({ act: 'cancel', reason: '' });
  expect(refusals(meetingInput.safeParse({ act: 'skip' }))).toEqual([
    'act: Say what to do: "move", "cancel" or "restore".',
  ]);
});
