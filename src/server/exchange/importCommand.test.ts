import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import { valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import type { ImportCommand } from './importCommand';
import { commandProof, importByCommand, importCommand, provenBy } from './importCommand';

let school: School;
beforeAll(async () => void (school = await newSchool()));
afterAll(() => school.close());

const TEXT = 'BEGIN:VCALENDAR\r\nBEGIN:VEVENT\r\nUID:1\r\nSUMMARY:Race\r\nDTSTART:20261024T130000\r\nEND:VEVENT\r\nEND:VCALENDAR\r\n'; // prettier-ignore
const command = (changes: Partial<ImportCommand> = {}): ImportCommand =>
  importCommand.parse({ course: 'HL 210', name: 'c.ics', file: Buffer.from(TEXT).toString('base64'), until: Date.now() + 60_000, ...changes }); // prettier-ignore

describe('a command is proven', () => {
  test.each<[string, Partial<ImportCommand>, (proof: string) => string, boolean]>([
    ['by the server’s secret', {}, (proof) => proof, true],
    ['not by another proof', {}, (proof) => (proof.startsWith('x') ? 'y' : 'x') + proof.slice(1), false],
    ['not by none', {}, () => '', false],
    ['not when its time is over', { until: Date.now() - 1 }, (proof) => proof, false],
  ])('%s', (_, changes, change, expected) => {
    const given = command(changes);
    expect(provenBy(school.pembit, given, change(commandProof(school.pembit.secret, given)))).toBe(expected);
  });
  test('not for another file, or another course', () => {
    const proof = commandProof(school.pembit.secret, command());
    expect(provenBy(school.pembit, command({ course: 'NV 140' }), proof)).toBe(false);
    expect(provenBy(school.pembit, command({ file: 'QQ==' }), proof)).toBe(false);
  });
});

test('a course is named by its code, and what it cannot be is said', async () => {
  const run = (changes: Partial<ImportCommand>) => importByCommand(school.pembit, command(changes));
  expect(valueOf(await run({}))).toMatchObject({ added: 1, changed: 0, same: 0, left: [] });
  expect(valueOf(await run({ as: school.instructor.person.email }))).toMatchObject({ added: 0, same: 1 });
  const said = async (changes: Partial<ImportCommand>) => {
    const outcome = await run(changes);
    return outcome.ok ? 'done' : outcome.fields?.[0]?.message;
  };
  expect(await said({ course: 'XX 1' })).toBe('There is no course XX 1.');
  expect(await said({ term: 'Spring 1999' })).toBe('There is no course HL 210 in Spring 1999.');
  expect(await said({ as: 'nobody@school.example' })).toBe('nobody@school.example does not teach HL 210.');
  expect(await said({ file: Buffer.from('<html>').toString('base64') })).toBe(
    'What is there is no calendar.',
  );
});
