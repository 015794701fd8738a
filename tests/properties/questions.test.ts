import { strFromU8, unzipSync } from 'fflate';
import fc from 'fast-check';
import { afterAll, beforeAll, expect, test } from 'vitest';
import { staffInput } from '@/core/frame/staffInput';
import { outletInput } from '@/core/outlets/outletInput';
import { questionInput } from '@/core/questions/questionInput';
import { writeStaff } from '@/server/frame/courseStaff';
import { planEntry } from '@/server/entries/planEntry';
import { packageOf } from '@/server/exchange/savePlan';
import { createOutletAnswerer } from '@/server/outlets/answerOutlet';
import { publish } from '@/server/outlets/publish';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { answer } from '@/server/questions/answer';
import { allowQuestions, ask } from '@/server/questions/ask';
import { questionsOn } from '@/server/questions/questionsOn';
import type { SignedIn } from '@/server/session/session';
import { valueOf } from '../support/outcomes';
import type { School } from '../support/school';
import { newSchool, withSectionB, workIn } from '../support/school';

/** Who is who: `b` is in section B, the others in A; `late` joins the staff after everything was asked; `other` takes another course. */
const PEOPLE = ['instructor', 'assistant', 'late', 'b', 'a1', 'a2', 'other'] as const;
type Who = (typeof PEOPLE)[number];
/** What questions stand under, and which students see it. */
const ABOUT = { all: ['b', 'a1', 'a2'], ofB: ['b'], classOfA: ['a1', 'a2'] } as const satisfies Record<
  string,
  readonly Who[]
>;
type On = keyof typeof ABOUT;
const EARLY_STAFF: readonly Who[] = ['instructor', 'assistant'];

let school: School;
let people: Record<Who, SignedIn>;
let ids: Record<On, string>;
beforeAll(async () => {
  school = await newSchool({ students: 5 });
  const { pembit, instructor, course, students } = school;
  const b = await withSectionB(school);
  const [inB, a1, a2, assistant, late] = students.map(({ person }) => person.id);
  await pembit.sequelize.query('DELETE FROM roster WHERE person_id IN (:ids)', {
    replacements: { ids: [assistant, late] },
  });
  valueOf(
    await writeStaff(pembit, instructor, course, staffInput.parse({ person: assistant, role: 'assistant' })),
  );
  const [all, ofB] = [
    valueOf(await planEntry(pembit, instructor, workIn(course))),
    valueOf(await planEntry(pembit, instructor, workIn(course, { audience: [{ course, sections: [b] }] }))),
  ];
  const own = {
    b: inB,
    a1,
    a2,
    assistant,
    late,
    other: school.stranger.person.id,
    instructor: instructor.person.id,
  };
  people = Object.fromEntries(
    await Promise.all(PEOPLE.map(async (who) => [who, await school.signedIn(own[who]!)] as const)),
  ) as Record<Who, SignedIn>;
  for (const who of PEOPLE)
    await pembit.sequelize.query('UPDATE people SET name = :name WHERE id = :id', {
      replacements: { name: `Name${who} Saltmarsh`, id: own[who] },
    });
  const { classes } = await planSeenBy(pembit, people.a1.viewer);
  ids = { all: all.id, ofB: ofB.id, classOfA: classes[20]!.meeting.id };
  valueOf(await allowQuestions(pembit, instructor, course, true));
}, 60_000);
afterAll(() => school.close());

type Asked = Readonly<{
  by: number;
  on: On;
  everybody: boolean;
  named: boolean;
  answered: boolean;
  text: string;
}>;
const asked: fc.Arbitrary<Omit<Asked, 'text'>[]> = fc.array(
  fc.record({
    by: fc.nat(2),
    on: fc.constantFrom<On>('all', 'ofB', 'classOfA'),
    everybody: fc.boolean(),
    named: fc.boolean(),
    answered: fc.boolean(),
  }),
  { minLength: 1, maxLength: 6 },
);
const askerOf = ({ by, on }: Pick<Asked, 'by' | 'on'>): Who => ABOUT[on][by % ABOUT[on].length]!;

/** What somebody reads of a question, told anew: nothing, or its text with the name that stands above it. */
function readOf(who: Who, question: Asked, isStaff: boolean): string | undefined {
  const asker = askerOf(question);
  const staff = isStaff && (question.everybody || EARLY_STAFF.includes(who));
  const classmate =
    (ABOUT[question.on] as readonly Who[]).includes(who) && (question.everybody || asker === who);
  if (!staff && !classmate) return undefined;
  const named = staff || asker === who || (question.everybody && question.named);
  return `${question.text} ${named ? `Name${asker} Saltmarsh` : ''}`;
}

test('nobody reads a question, an answer or a name that is not for them, whoever they are', async () => {
  const { pembit, instructor, course } = school;
  const before: Asked[] = [];
  let turn = 0;
  const late = async () => valueOf(await writeStaff(pembit, instructor, course, staffInput.parse({ person: people.late.person.id, role: 'co' })));
  const leaves = () => pembit.sequelize.query('DELETE FROM staff WHERE person_id = :id', { replacements: { id: people.late.person.id } });
  await fc.assert(
    fc.asyncProperty(asked, async (list) => {
      for (const one of list) {
        const question = { ...one, text: `q${(turn += 1)}q` };
        before.push(question);
        const { id } = valueOf(await ask(pembit, people[askerOf(one)], questionInput.parse({ ...one, about: ids[one.on], text: `<p>${question.text}</p>` })));
        if (one.answered) valueOf(await answer(pembit, people.assistant, id, `<p>a${question.text}</p>`));
      }
      await late();
      for (const who of PEOPLE) {
        const actor = await school.signedIn(people[who].person.id);
        const isStaff = [...EARLY_STAFF, 'late'].includes(who);
        for (const on of Object.keys(ABOUT) as On[]) {
          const seen = await questionsOn(pembit, actor, await planSeenBy(pembit, actor.viewer), ids[on]);
          const here = before.filter((question) => question.on === on);
          const expected = here.flatMap((question) => readOf(who, question, isStaff) ?? []);
          expect((seen?.items ?? []).map(({ text, by = '' }) => `${text.replace(/<\/?p>/g, '')} ${by}`)).toEqual(expected);
          // Nor anywhere else in what their page is made of.
          const raw = JSON.stringify(seen ?? null);
          for (const question of here)
            if (readOf(who, question, isStaff) === undefined) expect(raw).not.toContain(question.text);
        }
      }
      // For the next round `late` is nobody again.
      await leaves();
    }),
    { numRuns: 12 },
  );
  const addresses: string[] = [];
  for (const kind of ['feed', 'embed'] as const)
    for (const audience of ['public', 'roster'] as const) {
      const input = outletInput.parse({ kind, audience, name: 'HL', courses: [course] });
      addresses.push(new URL(valueOf(await publish(pembit, instructor, input)).url).pathname);
    }
  const outlet = createOutletAnswerer(pembit);
  for (const path of addresses) {
    const { status, body } = await outlet({ method: 'GET', path, query: '', headers: {} });
    expect(status).toBe(200);
    expect(String(body)).toContain('Half model');
    expect(String(body)).not.toMatch(/q\d+q|Saltmarsh/);
  }
  const chunks: Buffer[] = [];
  for await (const chunk of valueOf(await packageOf(pembit, [course], false)).body) chunks.push(chunk as Buffer);
  const saved = strFromU8(unzipSync(Buffer.concat(chunks))['plan.json']!);
  expect(saved).toContain('Half model');
  expect(saved).not.toMatch(/q\d+q/);
}, 120_000); // prettier-ignore
