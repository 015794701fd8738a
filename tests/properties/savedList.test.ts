import { writeFileSync } from 'node:fs';
import path from 'node:path';
import { afterAll, beforeAll, describe, expect, test } from 'vitest';
import type { ListFormat, PlanLine } from '@/core/exchange/list/listFormat';
import { LIST_FORMATS } from '@/core/exchange/list/listFormats';
import type { CourseId, PersonId } from '@/core/ids';
import { occurrencesOf } from '@/core/plan/occurrences';
import { scheduleInput } from '@/core/schedule/scheduleInput';
import type { ProposedLine } from '@/core/schedule/scheduleLine';
import { requireZone } from '@/core/time/zoneData';
import { personByEmail } from '@/data/people/people';
import { personById, viewerOf } from '@/data/people/people';
import { patternInput } from '@/core/frame/frameInput';
import { loadDemo } from '@/server/demo/loadDemo';
import { demoId } from '@/server/demo/demoIds';
import { changeWeek } from '@/server/frame/sections';
import type { Pembit } from '@/server/pembit';
import { planSeenBy } from '@/server/plan/planSeenBy';
import { previewSchedule, takeSchedule } from '@/server/schedule/takeSchedule';
import { scheduleFileText } from '@/server/schedule/scheduleFileText';
import type { SignedIn } from '@/server/session/session';
import { planLine } from '@/ui/everything/planLine';
import { everythingView } from '@/ui/everything/everythingView';
import { valueOf } from '../support/outcomes';
import type { School } from '../support/school';
import { emptySchool, newSchool } from '../support/school';

let demo: Pick<School, 'pembit' | 'close'>;
let maren: SignedIn;
let school: School;

beforeAll(async () => {
  demo = await emptySchool();
  await loadDemo(demo.pembit);
  const { id } = (await personByEmail(demo.pembit, 'maren@kittiwake.example'))!;
  maren = await signedIn(demo.pembit, id);
  school = await newSchool();
  const week = patternInput.parse({ from: '2026-09-08', week: 'Tue Thu 10-11:50' });
  valueOf(await changeWeek(school.pembit, school.instructor, school.section, week));
});
afterAll(async () => {
  await demo.close();
  await school.close();
});

async function signedIn(pembit: Pembit, id: PersonId): Promise<SignedIn> {
  return {
    person: (await personById(pembit, id))!,
    viewer: await viewerOf(pembit, id, pembit.now()),
    session: '',
  };
}

/** What Everything saves of all courses that somebody sees. */
async function linesOf(pembit: Pembit, actor: SignedIn): Promise<PlanLine[]> {
  const plan = await planSeenBy(pembit, actor.viewer);
  const [term] = plan.terms;
  const all = {
    plan,
    term: term!,
    occurrences: occurrencesOf(plan, requireZone),
    mayMove: () => true,
  };
  const span = { from: term!.startsOn, to: term!.endsOn, tests: new Map() };
  return everythingView(all, span).map(planLine);
}

/** A saved list as somebody pastes it, or chooses it as a file. */
async function savedText(format: ListFormat, lines: readonly PlanLine[], folder: string): Promise<string> {
  const written = await format.write(lines);
  const file = path.join(folder, format.file);
  writeFileSync(file, typeof written === 'string' ? written : Buffer.from(await written.arrayBuffer()));
  const read = await scheduleFileText({ path: file, name: format.file });
  if ('refused' in read) throw new Error(read.refused);
  return read.text;
}

const plans = ({ kind }: ProposedLine) => kind !== 'nothing' && kind !== 'heading';
const WAYS_BACK = LIST_FORMATS.filter(({ id }) => id === 'csv' || id === 'spreadsheet');

describe.each(WAYS_BACK.map((format) => [format.id, format] as const))('what is saved as %s', (_, format) => {
  test.each(['HL 210', 'NV 140'])('comes back to %s unchanged', async (code) => {
    const course = demoId(code) as CourseId;
    const text = await savedText(format, await linesOf(demo.pembit, maren), demo.pembit.config.dataFolder);
    const { lines } = valueOf(await previewSchedule(demo.pembit, maren, course, text));
    const planned = lines.filter(plans);
    expect(planned.length).toBeGreaterThan(20);
    expect(planned.filter(({ state, asks }) => state !== 'same' || asks.length > 0)).toEqual([]);
  });
});

test('a course that takes the list of another is saved as the same list, and the list again changes nothing', async () => {
  const { pembit, instructor, course } = school;
  const said = [
    'Week,Date,Until,Time,Course,Kind,Title,Link,Shown',
    '3,2026-09-22,,10:00–11:50,HL,Class,"Moulds; fair, then 3/11",,shown',
    '4,2026-09-29,,,HL,Set,set: Quiz on Nov 3,,shown',
    '6,2026-10-13,,by 17:00,HL,Due,Quiz on Nov 3,https://planks.example/quiz,shown',
    '7,2026-10-24,,8:30–12:00,HL,Event,Harbour visit,,shown',
    '7,2026-10-24,2026-10-25,22:00–01:00,HL,Event,Night watch,,shown',
    "8,2026-10-26,2026-10-28,,HL,Event,'=Fair,,shown",
    '9,2026-11-09,2026-11-13,,HL,Closure,Reading week,,shown',
  ].join('\r\n');
  const { lines } = valueOf(await previewSchedule(pembit, instructor, course, said));
  expect(lines.flatMap(({ asks }) => asks)).toEqual([]);
  const took = await takeSchedule(pembit, instructor, course, scheduleInput.parse({ lines: lines.filter(plans) })); // prettier-ignore
  expect(valueOf(took)).toMatchObject({ topics: 1, entries: 4, closures: 1, left: [] });
  const rows = (text: readonly PlanLine[]) =>
    text.map(({ date, until, time, kind, title, link }) => [date, until, time, kind, title, link].join('|'));
  const planned = rows(await linesOf(pembit, await school.signedIn(instructor.person.id)));
  expect(planned.filter((row) => !/\|Class \d+/.test(row))).toEqual([
    '2026-09-22||10:00–11:50|Class|Moulds; fair, then 3/11|',
    '2026-09-29|||Set|set: Quiz on Nov 3|https://planks.example/quiz',
    '2026-10-13||by 17:00|Due|Quiz on Nov 3|https://planks.example/quiz',
    '2026-10-24||08:30–12:00|Event|Harbour visit|',
    '2026-10-24|2026-10-25|22:00–01:00|Event|Night watch|',
    '2026-10-26|2026-10-28||Event|=Fair|',
    '2026-11-09|2026-11-13||Closure|Reading week|',
  ]);
  const again = valueOf(await previewSchedule(pembit, instructor, course, said)).lines;
  expect(again.filter(plans).filter(({ state }) => state !== 'same')).toEqual([]);
});

test('what a row does not say so that it can be read is asked; rows of another course plan nothing', async () => {
  const { pembit, instructor, course } = school;
  const text = [
    'Kind\tTitle\tDate\tTime\tCourse',
    'Due\tEssay\t11/10\t\t',
    'Essay\tDraft\t2026-10-20\t\t',
    'Event\tTalk\t2026-10-21\tafter lunch\t',
    'Event\tTalk\t\t\t',
    'Event\tElsewhere\t2026-10-21\t\tZZ',
    'Office hours\tLoft\t2026-10-21\t\t',
  ].join('\n');
  const { lines } = valueOf(await previewSchedule(pembit, instructor, course, text));
  expect(lines.map(({ kind, asks }) => [kind, ...asks.map(({ field }) => field)])).toEqual([
    ['due', 'date'],
    ['due', 'kind'],
    ['event', 'time'],
    ['event', 'date'],
    ['nothing'],
    ['nothing'],
  ]);
});
