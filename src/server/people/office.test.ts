import { asInserted } from '../../../tests/support/asInserted';
import { beforeEach, describe, expect, test } from 'vitest';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool } from '../../../tests/support/school';
import type { HistoryId, PersonId } from '@/core/ids';
import { historyTexts } from '@/core/texts/history';
import { select } from '@/data/database';
import { withNames } from '@/data/history/personRefs';
import { corrections, proposeCorrection } from '@/data/people/corrections';
import { officeLines } from '@/data/people/officeLog';
import { recordChange } from '@/data/history/change';
import { undoChange } from '../history/undoChange';
import type { SignedIn } from '../session/session';
import { openSession, signedInBy } from '../session/session';
import { setAdministrator } from './administrators';
import { changePerson, resetSecondStep, setDeactivated } from './changePerson';
import { eraseAccount } from './erase';
import { addPerson } from './people';
import { takeCorrection } from './takeCorrection';

let school: School;
let office: SignedIn;
beforeEach(async () => {
  school = await newSchool();
  const { pembit } = school;
  await pembit.sequelize.query(`INSERT INTO people (id, email, name, password_hash, is_admin, created_at)
    VALUES ('00000000-0000-4000-8000-0000000000ff', 'office@school.example', 'Office', 'x', 1, 0)`);
  office = await school.signedIn('00000000-0000-4000-8000-0000000000ff' as PersonId);
  return () => school.close();
});
const reasonOf = (outcome: Readonly<{ ok: boolean; reason?: string }>) =>
  outcome.ok ? 'done' : outcome.reason;
const letters = () => select<{ recipient: string; subject: string }>(school.pembit, `SELECT recipient, subject FROM outbox ORDER BY ${asInserted(school.pembit)}`); // prettier-ignore

describe('administrators', () => {
  test('are made and unmade by one another, never the last, and by nobody else', async () => {
    const { pembit, instructor } = school;
    const id = instructor.person.id;
    expect(reasonOf(await setAdministrator(pembit, instructor, { id, administrator: true }))).toBe(
      'notYours',
    );
    const own = { id: office.person.id, administrator: false };
    expect(reasonOf(await setAdministrator(pembit, office, own))).toBe('lastAdministrator');
    valueOf(await setAdministrator(pembit, office, { id, administrator: true }));
    expect(reasonOf(await setAdministrator(pembit, office, own))).toBe('done');
    const other = await school.signedIn(id);
    expect(reasonOf(await setDeactivated(pembit, other, { id, deactivated: true }))).toBe('badRequest');
    expect((await officeLines(pembit, 10)).map(({ act, person }) => `${act} ${person}`).sort()).toEqual(['administrator Person 0', 'noAdministrator Office']); // prettier-ignore
  });

  test.each([
    ['unmake', (who: SignedIn, id: PersonId) => setAdministrator(school.pembit, who, { id, administrator: false })],
    ['deactivate', (who: SignedIn, id: PersonId) => setDeactivated(school.pembit, who, { id, deactivated: true })],
    ['erase', (who: SignedIn, id: PersonId, email: string) => eraseAccount(school.pembit, who, { id, email })],
  ])('who %s one another in the same moment leave one', async (_, act) => {
    const id = school.stranger.person.id;
    valueOf(await setAdministrator(school.pembit, office, { id, administrator: true }));
    const other = await school.signedIn(id);
    const both = await Promise.all([
      act(office, id, other.person.email),
      act(other, office.person.id, office.person.email),
    ]);
    expect(both.map(reasonOf).sort()).toEqual(['done', 'lastAdministrator']);
  }); // prettier-ignore

  test('correct a name and an address; both addresses are told, and every device is out', async () => {
    const { pembit } = school;
    const [student] = school.students;
    const token = await openSession(pembit, student!.person.id);
    const changed = { name: 'Signe Bowline', email: 'signe@school.example' };
    expect(reasonOf(await changePerson(pembit, school.instructor, student!.person.id, changed))).toBe(
      'notYours',
    );
    expect(reasonOf(await changePerson(pembit, office, student!.person.id, { name: 'X', email: 'p0@school.example' }))).toBe('badRequest'); // prettier-ignore
    valueOf(await changePerson(pembit, office, student!.person.id, changed));
    expect(await signedInBy(pembit, token)).toBeUndefined();
    const told = (await letters()).map(({ recipient }) => recipient);
    expect(told).toEqual(expect.arrayContaining([student!.person.email, 'signe@school.example']));
  });

  test('reset a second step; its owner learns of it', async () => {
    const { pembit, instructor } = school;
    const { id, email } = instructor.person;
    await pembit.sequelize.query(`INSERT INTO second_steps (person_id, secret, confirmed_at) VALUES ('${id}', 'x', 1)`); // prettier-ignore
    expect(reasonOf(await resetSecondStep(pembit, instructor, id))).toBe('notYours');
    valueOf(await resetSecondStep(pembit, office, id));
    expect(await select(pembit, 'SELECT person_id FROM second_steps')).toEqual([]);
    expect(await letters()).toMatchObject([{ recipient: email }]);
  });

  test('take over what a list proposes, or leave it', async () => {
    const { pembit, course, instructor } = school;
    const [one, two] = school.students;
    await recordChange(pembit.queue, { act: 'test', summary: '', actor: null, nowMs: 1 }, async (change) => {
      for (const [i, who] of [one, two].entries())
        await proposeCorrection(change, { course, person: who!.person.id, name: `Listed ${i}`, email: who!.person.email, askedBy: instructor.person.id }); // prettier-ignore
    });
    const [first, second] = await corrections(pembit);
    expect(reasonOf(await takeCorrection(pembit, instructor, first!.id, true))).toBe('notYours');
    valueOf(await takeCorrection(pembit, office, first!.id, true));
    valueOf(await takeCorrection(pembit, office, second!.id, false));
    expect(await corrections(pembit)).toEqual([]);
    expect((await school.signedIn(first!.person)).person.name).toBe(first!.name);
    expect((await school.signedIn(second!.person)).person.name).toMatch(/^Person/);
  });
});

describe('the history names people by who they are', () => {
  test('erasing somebody called “e” spoils nothing of anybody else', async () => {
    const { pembit } = school;
    const other = await addPerson(pembit, office, { name: 'Edda Reefe', email: 'edda@school.example' });
    const { id } = valueOf(await addPerson(pembit, office, { name: 'e', email: 'e@school.example' }));
    const summaries = async () =>
      withNames(pembit, await select<{ id: string; summary: string }>(pembit, `SELECT id, summary FROM history ORDER BY ${asInserted(pembit)}`), historyTexts.somebody); // prettier-ignore
    const before = await summaries();
    expect(before.map(({ summary }) => summary)).toContain('Add a person: Edda Reefe');
    valueOf(await eraseAccount(pembit, office, { id, email: 'e@school.example' }));
    const after = await summaries();
    const left = before.filter(({ summary }) => summary !== 'Add a person: e');
    expect(after.filter((line) => left.some((old) => old.id === line.id))).toEqual(left);
    expect(after.map(({ summary }) => summary)).toContain('Add a person: somebody');
    // What is somebody else's can still be undone.
    expect(reasonOf(await undoChange(pembit, office, historyOf(other) as HistoryId))).toBe('done');
  });

  test('a name follows its person', async () => {
    const { pembit } = school;
    const added = valueOf(await addPerson(pembit, office, { name: 'Edda', email: 'edda@school.example' }));
    valueOf(
      await changePerson(pembit, office, added.id, { name: 'Edda Reefe', email: 'edda@school.example' }),
    );
    const rows = await select<{ summary: string }>(
      pembit,
      `SELECT summary FROM history ORDER BY ${asInserted(pembit)}`,
    );
    const said = (await withNames(pembit, rows, 'gone')).map(({ summary }) => summary);
    expect(said).toContain('Add a person: Edda Reefe');
  });
});
