import { beforeEach, describe, expect, test } from 'vitest';
import { valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool, withSectionB, workIn } from '../../../tests/support/school';
import type { EntryId } from '@/core/ids';
import { staffInput } from '@/core/frame/staffInput';
import { questionInput } from '@/core/questions/questionInput';
import type { Outcome } from '@/core/refusals';
import { select } from '@/data/database';
import { archiveCourse } from '../frame/archive';
import { removeStaff, writeStaff } from '../frame/courseStaff';
import { deleteEntry } from '../entries/deleteEntry';
import { planEntry } from '../entries/planEntry';
import { planSeenBy } from '../plan/planSeenBy';
import { unseenChanges } from '../students/changes';
import type { SignedIn } from '../session/session';
import { answer, changeQuestion, takeAnswerAway } from './answer';
import { allowQuestions, ask, handQuestionsOn, report } from './ask';
import { questionsOn, waitingQuestions } from './questionsOn';

let school: School;
let one: SignedIn, two: SignedIn, three: SignedIn;
let entry: EntryId;
beforeEach(async () => {
  school = await newSchool();
  [one, two, three] = school.students as [SignedIn, SignedIn, SignedIn];
  entry = valueOf(await planEntry(school.pembit, school.instructor, workIn(school.course))).id;
  valueOf(await allowQuestions(school.pembit, school.instructor, school.course, true));
  return () => school.close();
});

const reason = (outcome: Outcome<unknown>) => (outcome.ok ? 'done' : outcome.reason);
const asks = (who: SignedIn, json: object = {}, about: string = entry) =>
  ask(school.pembit, who, questionInput.parse({ about, text: '<p>Which batten?</p>', ...json }));
const on = async (who: SignedIn, about: string = entry) =>
  questionsOn(school.pembit, who, await planSeenBy(school.pembit, who.viewer), about);
const read = async (who: SignedIn, about: string = entry) =>
  (await on(who, about))?.items.map(({ text, by = 'a student' }) => `${by}: ${text}`);
const waiting = async (who: SignedIn) =>
  (await waitingQuestions(school.pembit, who, await planSeenBy(school.pembit, who.viewer))).map(
    ({ about, unanswered, reported }) => `${about.title} ${unanswered}${reported ? ' reported' : ''}`,
  );
/** Somebody of another course joins the staff. */
async function joins(role: 'co' | 'assistant' = 'co'): Promise<SignedIn> {
  const { pembit, instructor, course, stranger } = school;
  valueOf(
    await writeStaff(pembit, instructor, course, staffInput.parse({ person: stranger.person.id, role })),
  );
  return school.signedIn(stranger.person.id);
}
const nameOf = (who: SignedIn) => who.person.name;

describe('asking', () => {
  test('is off until a course allows it; an entry may differ', async () => {
    const { pembit, instructor, course } = school;
    valueOf(await allowQuestions(pembit, instructor, course, null));
    expect((await on(one))!.mayAsk).toBe(false);
    expect(reason(await asks(one))).toBe('noQuestions');
    valueOf(await allowQuestions(pembit, instructor, entry, true));
    expect(reason(await asks(one))).toBe('done');
    valueOf(await allowQuestions(pembit, instructor, course, true));
    valueOf(await allowQuestions(pembit, instructor, entry, false));
    expect(reason(await asks(one))).toBe('noQuestions');
    expect(await on(instructor)).toMatchObject({ choice: { own: false, byCourse: true }, mayAsk: false });
    for (const id of [entry, course])
      expect(reason(await allowQuestions(pembit, one, id, true))).toBe('notFound');
  });

  test('is for whoever sees it: not the staff, not others, not under a note or a draft', async () => {
    const { pembit, instructor, stranger } = school;
    expect(reason(await asks(instructor))).toBe('notFound');
    expect(reason(await asks(stranger))).toBe('notFound');
    const draft = valueOf(await planEntry(pembit, instructor, workIn(school.course, { visibility: { kind: 'draft' } }))).id; // prettier-ignore
    expect(reason(await asks(one, {}, draft))).toBe('notFound');
    valueOf(await archiveCourse(pembit, instructor, school.course, true));
    expect(reason(await asks(one))).not.toBe('done');
  });

  test('holds what is read only, cleaned', async () => {
    valueOf(await asks(one, { text: '<p onclick="x()">Hull <script>alert(1)</script><b>lines</b></p>' }));
    expect((await on(one))!.items[0]!.text).toBe('<p>Hull <strong>lines</strong></p>');
    expect(questionInput.safeParse({ about: entry, text: '<p> </p>' }).success).toBe(false);
    expect(questionInput.safeParse({ about: entry, text: `<p>${'x'.repeat(2001)}</p>` }).success).toBe(false);
  });
});

describe('who reads', () => {
  test('what is for the staff alone: the student and the staff of that moment, by name', async () => {
    valueOf(await asks(one));
    const line = `${nameOf(one)}: <p>Which batten?</p>`;
    expect(await read(one)).toEqual([line]);
    expect(await read(school.instructor)).toEqual([line]);
    expect(await read(two)).toEqual([]);
    const late = await joins();
    expect(await read(late)).toEqual([]);
    expect(await waiting(late)).toEqual([]);
    expect(await waiting(school.instructor)).toEqual(['Half model 1']);
    const { pembit, instructor, course } = school;
    expect(reason(await handQuestionsOn(pembit, instructor, course, two.person.id))).toBe('notFound');
    expect(reason(await handQuestionsOn(pembit, one, course, late.person.id))).toBe('notFound');
    // Whoever reads none has none to hand on.
    expect(valueOf(await handQuestionsOn(pembit, late, course, late.person.id)).handedOn).toBe(0);
    expect(valueOf(await handQuestionsOn(pembit, instructor, course, late.person.id)).handedOn).toBe(1);
    expect(valueOf(await handQuestionsOn(pembit, instructor, course, late.person.id)).handedOn).toBe(0);
    expect(await read(late)).toEqual([line]);
    valueOf(await removeStaff(pembit, instructor, { course, person: late.person.id }));
    expect(await read(await school.signedIn(late.person.id))).toBeUndefined();
  });

  test('what is for everybody: who asks is “a student” to classmates unless the student wants otherwise', async () => {
    valueOf(await asks(one, { everybody: true }));
    valueOf(await asks(two, { everybody: true, named: true, text: '<p>When?</p>' }));
    const open = ['a student: <p>Which batten?</p>', `${nameOf(two)}: <p>When?</p>`];
    expect(await read(three)).toEqual(open);
    expect(await read(await joins('assistant'))).toEqual([`${nameOf(one)}: <p>Which batten?</p>`, open[1]]);
    // A name is shown to nobody of whom the question is not read.
    valueOf(await asks(one, { named: true, text: '<p>Private</p>' }));
    expect(await read(three)).toEqual(open);
  });

  test('under a class: the section that has it', async () => {
    await withSectionB(school);
    const inB = await school.signedIn(one.person.id);
    const plan = await planSeenBy(school.pembit, two.viewer);
    const { id } = plan.classes[10]!.meeting;
    valueOf(await asks(await school.signedIn(two.person.id), { everybody: true }, id));
    expect(await read(three, id)).toHaveLength(1);
    expect(await read(inB, id)).toBeUndefined();
    expect(await waiting(school.instructor)).toHaveLength(1);
  });
});

describe('the staff', () => {
  test('answer; the student reads that there is one, not what it says', async () => {
    const { pembit, instructor } = school;
    const plan = () => planSeenBy(pembit, one.viewer);
    school.later(1000);
    await unseenChanges(pembit, one, await plan());
    await unseenChanges(pembit, two, await planSeenBy(pembit, two.viewer));
    const { id } = valueOf(await asks(one));
    school.later(60_000);
    expect(reason(await answer(pembit, one, id, '<p>Mine</p>'))).toBe('notFound');
    const given = valueOf(await answer(pembit, instructor, id, '<p>The <i>long</i> one.</p>'));
    expect(await waiting(instructor)).toEqual([]);
    expect((await on(one))!.items[0]!.answers).toMatchObject([{ text: '<p>The <em>long</em> one.</p>', authorName: nameOf(instructor) }]); // prettier-ignore
    school.later(120_000);
    expect(await unseenChanges(pembit, one, await plan())).toMatchObject([{ key: entry, kind: 'answered' }]);
    expect(await unseenChanges(pembit, two, await planSeenBy(pembit, two.viewer))).toEqual([]);
    const lines = await select<{ line: string }>(pembit, 'SELECT line FROM gathered_lines');
    expect(lines.map(({ line }) => line)).toEqual([`There is an answer to your question about Half model.\n${pembit.config.baseUrl}/e/${entry}#questions`]); // prettier-ignore
    expect(reason(await takeAnswerAway(pembit, one, given.id))).toBe('notFound');
    valueOf(await takeAnswerAway(pembit, instructor, given.id));
    expect(await waiting(instructor)).toEqual(['Half model 1']);
  });

  test('write at once where it is due within two days', async () => {
    const { pembit, instructor } = school;
    entry = valueOf(
      await planEntry(pembit, instructor, workIn(school.course, { due: '2026-10-14T17:00' })),
    ).id;
    const { id } = valueOf(await asks(one));
    valueOf(await answer(pembit, instructor, id, '<p>The long one.</p>'));
    const [letter] = await select<{ subject: string; body: string; recipient: string }>(pembit, "SELECT subject, body, recipient FROM outbox WHERE subject LIKE 'An answer%'"); // prettier-ignore
    expect(letter).toMatchObject({ subject: 'An answer: Half model', recipient: one.person.email });
    expect(letter!.body).not.toContain('long one');
  });

  test('leave out the name of who is “a student” to classmates', async () => {
    const { pembit, instructor } = school;
    await pembit.sequelize.query("UPDATE people SET name = 'Ivo Saltmarsh' WHERE id = :id", { replacements: { id: one.person.id } }); // prettier-ignore
    const hidden = valueOf(await asks(one, { everybody: true })).id;
    const refused = await answer(pembit, instructor, hidden, '<p>As Ivo said, the long one.</p>');
    expect(refused).toMatchObject({ reason: 'badRequest', fields: [{ field: 'text' }] });
    const shown = valueOf(await asks(one, { everybody: true, named: true })).id;
    expect(reason(await answer(pembit, instructor, shown, '<p>As Ivo said, the long one.</p>'))).toBe('done');
  });

  test('close, take away and put back: a mark stays; whoever asked takes away what nobody has answered', async () => {
    const { pembit, instructor } = school;
    const { id } = valueOf(await asks(one, { everybody: true }));
    expect(reason(await changeQuestion(pembit, two, id, { takenAway: true }))).toBe('notFound');
    expect(reason(await changeQuestion(pembit, one, id, { closed: true }))).toBe('notFound');
    valueOf(await changeQuestion(pembit, instructor, id, { closed: true }));
    expect(await waiting(instructor)).toEqual([]);
    valueOf(await changeQuestion(pembit, instructor, id, { closed: false, takenAway: true }));
    expect((await on(two))!.items).toMatchObject([{ takenAway: true, text: '', answers: [] }]);
    expect(reason(await answer(pembit, instructor, id, '<p>Late</p>'))).toBe('notFound');
    expect(reason(await changeQuestion(pembit, one, id, { takenAway: false }))).toBe('notFound');
    valueOf(await changeQuestion(pembit, instructor, id, { takenAway: false }));
    expect(await read(two)).toEqual(['a student: <p>Which batten?</p>']);
    valueOf(await changeQuestion(pembit, one, id, { takenAway: true }));
    expect(await waiting(instructor)).toEqual([]);
  });

  test('hear of reports, once by each, until they have looked', async () => {
    const { pembit, instructor } = school;
    const { id } = valueOf(await asks(one, { everybody: true }));
    expect(reason(await report(pembit, one, id, ''))).toBe('notFound');
    valueOf(await report(pembit, two, id, 'Rude'));
    valueOf(await report(pembit, two, id, 'Again'));
    expect(await waiting(instructor)).toEqual(['Half model 1 reported']);
    expect((await on(instructor))!.items[0]!.reasons).toEqual(['Rude']);
    expect((await on(three))!.items[0]!.reasons).toEqual([]);
    valueOf(await changeQuestion(pembit, instructor, id, { reported: false }));
    expect(await waiting(instructor)).toEqual(['Half model 1']);
    const hidden = valueOf(await asks(one)).id;
    expect(reason(await report(pembit, two, hidden, ''))).toBe('notFound');
  });
});

test('a deleted entry takes its questions out of sight; those of who is erased go', async () => {
  const { pembit, instructor } = school;
  valueOf(await asks(one, { everybody: true }));
  valueOf(await deleteEntry(pembit, instructor, entry, { scope: 'all' }));
  expect(await read(two)).toBeUndefined();
  expect(await waiting(instructor)).toEqual([]);
  await pembit.sequelize.query('DELETE FROM people WHERE id = :id', { replacements: { id: one.person.id } });
  expect(await select(pembit, 'SELECT id FROM questions')).toEqual([]);
}); // prettier-ignore
