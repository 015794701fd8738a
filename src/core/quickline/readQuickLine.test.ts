import { describe, expect, test } from 'vitest';
import { day, time } from '../../../tests/support/plans';
import { quickContext } from '../../../tests/support/quickContext';
import { saidBy } from '../../../tests/support/saidBy';
import { readQuickLine } from './readQuickLine';

/** Every reading was checked by hand. It is Tuesday 13 October 2026, in week 6; "[2]" is the number of choices. */
// prettier-ignore
const READ: readonly (readonly [line: string, said: string])[] = [
  ["Tide-table quiz, due week 6 Thursday 5 pm, NV", "assignment Tide-table quiz | nv | due 2026-10-15 17:00"],
  ["tide-table quiz due thursday of week 6 at 17:00 nv 140", "assignment tide-table quiz | nv | due 2026-10-15 17:00"],
  ["NV: Tide-table quiz, due 15 October 17:00", "assignment Tide-table quiz | nv | due 2026-10-15 17:00"],
  ["Tide-table quiz due Oct 15, 5pm, Coastal navigation", "assignment Tide-table quiz | nv | due 2026-10-15 17:00"],
  ["Tide-table quiz due 2026-10-15 17:00 NV", "assignment Tide-table quiz | nv | due 2026-10-15 17:00"],
  ["Tide-table quiz due 5 pm Thursday NV", "assignment Tide-table quiz | nv | due 2026-10-15 17:00"],
  ["Tide-table quiz by Thursday 5 pm NV", "assignment Tide-table quiz | nv | due 2026-10-15 17:00"],
  ["Tide-table quiz due Thursday noon NV", "assignment Tide-table quiz | nv | due 2026-10-15 12:00"],
  ["Tide-table quiz due Thu 15 Oct at 17.00 NV", "assignment Tide-table quiz | nv | due 2026-10-15 17:00"],
  ["Tide-table quiz due tomorrow NV", "assignment Tide-table quiz | nv | due 2026-10-14"],
  ["Tide-table quiz due in 3 days NV", "assignment Tide-table quiz | nv | due 2026-10-16"],
  ["Tide-table quiz due in two weeks NV", "assignment Tide-table quiz | nv | due 2026-10-27"],
  ["Tide-table quiz due Thursday, NV, 5 pm", "assignment Tide-table quiz | nv | due 2026-10-15 17:00"],
  ["Tide-table quiz due next class NV", "assignment Tide-table quiz | nv | due start of class 10"],
  ["Tide-table quiz due class 12 NV", "assignment Tide-table quiz | nv | due start of class 12"],
  ["Tide-table quiz due at the start of class 12 NV", "assignment Tide-table quiz | nv | due start of class 12"],
  ["Tide-table quiz due at the end of class 12 NV", "assignment Tide-table quiz | nv | due end of class 12"],
  ["Tide-table quiz due last class NV", "assignment Tide-table quiz | nv | due start of class 26"],
  ["Half model set class 20 due class 24 HL", "assignment Half model | hl | set start of class 20 | due start of class 24"],
  ["Half model, set 20 Oct, due 10 Dec 12:00, HL", "assignment Half model | hl | set 2026-10-20 | due 2026-12-10 12:00"],
  ["Half model set today due 10 December HL A", "assignment Half model | hl/hl-a | set 2026-10-13 | due 2026-12-10"],
  ["Half model set on Thursday due on 22 Oct HL A and B", "assignment Half model | hl/hl-a/hl-b | set 2026-10-15 | due 2026-10-22"],
  ["Half model, opens 20 Oct 8:00, due 22 Oct 17:00, closes 23 Oct 17:00, HL", "assignment Half model | hl | opens 2026-10-20 08:00 | due 2026-10-22 17:00 | closes 2026-10-23 17:00"],
  ["Half model set 1st December due 10th of December HL", "assignment Half model | hl | set 2026-12-01 | due 2026-12-10"],
  ["Half model due 10 Dec 2026 HL", "assignment Half model | hl | due 2026-12-10"],
  ["Half model due class before the midterm HL", "assignment Half model | hl | due start of class 13"],
  ["Half model due two classes before the midterm HL", "assignment Half model | hl | due start of class 12"],
  ["Half model due the class after the midterm HL", "assignment Half model | hl | due start of class 15"],
  ["Half model due 3 classes after midterm HL", "assignment Half model | hl | due start of class 17"],
  ["Half model due the class before the written examination HL", "assignment Half model | hl | due start of class 27"],
  ["Half model due two classes before practical HL", "assignment Half model | hl | due start of class 25"],
  ["Problem set 2 due Friday NV", "assignment Problem set 2 | nv | due 2026-10-16"],
  ["Problem set, set Thursday, due Friday NV", "assignment Problem set | nv | set 2026-10-15 | due 2026-10-16"],
  ["Data set exercise due Friday NV", "assignment Data set exercise | nv | due 2026-10-16"],
  ["Read pages 3-5 due Friday NV", "assignment Read pages 3-5 | nv | due 2026-10-16"],
  ["Chapter 12 notes due Friday 9:00 NV", "assignment Chapter 12 notes | nv | due 2026-10-16 09:00"],
  ["Reset the buoys due Friday NV", "assignment Reset the buoys | nv | due 2026-10-16"],
  ["Lofting demo tomorrow 10-11:30 HL at the loft", "event Lofting demo | hl | 2026-10-14 10:00 to 11:30 | at The loft"],
  ["Lofting demo tomorrow at 10 HL", "event Lofting demo | hl | 2026-10-14 10:00"],
  ["Lofting demo tomorrow 10 to 11:30 HL", "event Lofting demo | hl | 2026-10-14 10:00 to 11:30"],
  ["Lofting demo tomorrow from 10 until 11:30 HL", "event Lofting demo | hl | 2026-10-14 10:00 to 11:30"],
  ["Lofting demo 10-11:30 tomorrow HL", "event Lofting demo | hl | 2026-10-14 10:00 to 11:30"],
  ["Lofting demo 14 Oct 1000 HL", "event Lofting demo | hl | 2026-10-14 10:00"],
  ["Lofting demo tomorrow 2:30p HL", "event Lofting demo | hl | 2026-10-14 14:30"],
  ["Lofting demo tomorrow 2:30 pm - 4 pm HL", "event Lofting demo | hl | 2026-10-14 14:30 to 16:00"],
  ["Lofting demo tomorrow 12-2 HL", "event Lofting demo | hl | 2026-10-14 12:00 to 14:00"],
  ["Lofting demo tomorrow noon HL", "event Lofting demo | hl | 2026-10-14 12:00"],
  ["Lofting demo tomorrow 9 for 90 minutes HL", "event Lofting demo | hl | 2026-10-14 09:00 to 10:30"],
  ["Lofting demo tomorrow 9 for 2 hours HL", "event Lofting demo | hl | 2026-10-14 09:00 to 11:00"],
  ["Lofting demo tomorrow 9, 45 min, HL", "event Lofting demo | hl | 2026-10-14 09:00 to 09:45"],
  ["Lofting demo tomorrow 9, 1h 30, HL", "event Lofting demo | hl | 2026-10-14 09:00 to 10:30"],
  ["Lofting demo tomorrow 9 for half an hour HL", "event Lofting demo | hl | 2026-10-14 09:00 to 09:30"],
  ["Lofting demo tomorrow HL", "event Lofting demo | hl | 2026-10-14"],
  ["Lofting demo the day after tomorrow HL", "event Lofting demo | hl | 2026-10-15"],
  ["Lofting demo this Friday 9:00 HL", "event Lofting demo | hl | 2026-10-16 09:00"],
  ["Lofting demo on Friday HL", "event Lofting demo | hl | 2026-10-16"],
  ["Lofting demo, Fri, HL", "event Lofting demo | hl | 2026-10-16"],
  ["Lofting demo Fri 10:00 HL", "event Lofting demo | hl | 2026-10-16 10:00"],
  ["Lofting demo week 8 Wednesday 10:00 HL", "event Lofting demo | hl | 2026-10-28 10:00"],
  ["Lofting demo Wednesday, week 8 10:00 HL", "event Lofting demo | hl | 2026-10-28 10:00"],
  ["Lofting demo Wed of week 8 at noon HL", "event Lofting demo | hl | 2026-10-28 12:00"],
  ["Lofting demo next class HL", "event Lofting demo | hl | 2026-10-15 10:00 to 11:50"],
  ["Lofting demo class 14 HL", "event Lofting demo | hl | 2026-10-22 10:00 to 11:50"],
  ["Lofting demo class 14 HL B", "event Lofting demo | hl/hl-b | 2026-10-22 14:00 to 15:50"],
  ["Lofting demo in class 14 HL", "event Lofting demo | hl | 2026-10-22 10:00 to 11:50"],
  ["Lofting demo at the end of class 14 HL", "event Lofting demo | hl | 2026-10-22 11:50"],
  ["Lofting demo class 14 at 13:00 HL", "event Lofting demo | hl | 2026-10-22 13:00"],
  ["Lofting demo tomorrow 10 HL @ the quay", "event Lofting demo | hl | 2026-10-14 10:00 | at The quay"],
  ["Lofting demo tomorrow 10 HL at \"Shed 2, north\"", "event Lofting demo | hl | 2026-10-14 10:00 | at Shed 2, north"],
  ["Lofting demo in room 12 tomorrow 10 HL", "event Lofting demo | hl | 2026-10-14 10:00 | at Room 12"],
  ["Lofting demo tomorrow 10:00 HL 210 section B", "event Lofting demo | hl/hl-b | 2026-10-14 10:00"],
  ["Lofting demo tomorrow 10:00 section A HL", "event Lofting demo | hl/hl-a | 2026-10-14 10:00"],
  ["Lofting demo tomorrow HL and NV", "event Lofting demo | hl nv | 2026-10-14"],
  ["Lofting demo tomorrow HL A, NV", "event Lofting demo | hl/hl-a nv | 2026-10-14"],
  ["Lofting demo tomorrow HL NV SR", "event Lofting demo | hl nv sr | 2026-10-14"],
  ["\"Lofting demo, 2 pm\" tomorrow 14:00 HL", "event Lofting demo, 2 pm | hl | 2026-10-14 14:00"],
  ["\"Meet on Friday\" tomorrow HL", "event Meet on Friday | hl | 2026-10-14"],
  ["\"The \"\"big\"\" demo\" tomorrow HL", "event The \"big\" demo | hl | 2026-10-14"],
  ["Lofting demo tomorrow HL https://library.example/demo?x=1", "event Lofting demo | hl | 2026-10-14 | https://library.example/demo?x=1"],
  ["Lofting demo tomorrow HL https://a.example/1, https://b.example/2.", "event Lofting demo | hl | 2026-10-14 | https://a.example/1 | https://b.example/2"],
  ["Lofting demo tomorrow HL as a draft", "event Lofting demo | hl | 2026-10-14 | draft"],
  ["Field trip 20 Oct to 22 Oct SR", "event Field trip | sr | 2026-10-20 to 2026-10-22"],
  ["Field trip 20 October until 22 October SR", "event Field trip | sr | 2026-10-20 to 2026-10-22"],
  ["Field trip 2026-10-20 - 2026-10-22 SR", "event Field trip | sr | 2026-10-20 to 2026-10-22"],
  ["Field trip week 7 Monday to week 7 Wednesday SR", "event Field trip | sr | 2026-10-19 to 2026-10-21"],
  ["Field trip from 20 Oct to 22 Oct, SR", "event Field trip | sr | 2026-10-20 to 2026-10-22"],
  ["drop-in SR every Tuesday 2 pm until week 12", "event drop-in | sr | 2026-10-13 14:00 | each 1 weeks on 2 until 2026-11-29"],
  ["drop-in SR every Tuesday and Thursday 12-2 until 1 Dec", "event drop-in | sr | 2026-10-13 12:00 to 14:00 | each 1 weeks on 2,4 until 2026-12-01"],
  ["drop-in SR every Wed 15:00-16:00", "event drop-in | sr | 2026-10-14 15:00 to 16:00 | each 1 weeks on 3 to the end"],
  ["drop-in SR every week on Wednesday 15:00 for 4 weeks", "event drop-in | sr | 2026-10-14 15:00 | each 1 weeks on 3 4 times"],
  ["drop-in SR every other Wednesday 15:00", "event drop-in | sr | 2026-10-14 15:00 | each 2 weeks on 3 to the end"],
  ["drop-in SR every 2 weeks on Mon and Wed 9-10", "event drop-in | sr | 2026-10-14 09:00 to 10:00 | each 2 weeks on 1,3 to the end"],
  ["drop-in SR every second Friday 10:00 until 2026-12-11", "event drop-in | sr | 2026-10-16 10:00 | each 2 weeks on 5 until 2026-12-11"],
  ["drop-in SR weekly from 14 Oct 15:00", "event drop-in | sr | 2026-10-14 15:00 | each 1 weeks to the end"],
  ["drop-in SR weekly on Wednesday 15:00, 5 times", "event drop-in | sr | 2026-10-14 15:00 | each 1 weeks on 3 5 times"],
  ["drop-in SR daily from 19 Oct 8:00-8:15 5 times", "event drop-in | sr | 2026-10-19 08:00 to 08:15 | each 1 days 5 times"],
  ["drop-in SR every day tomorrow 8:00 x 3", "event drop-in | sr | 2026-10-14 08:00 | each 1 days 3 times"],
  ["drop-in SR every Monday, Wednesday and Friday at noon", "event drop-in | sr | 2026-10-14 12:00 | each 1 weeks on 1,3,5 to the end"],
  ["drop-in SR 14 Oct 15:00 every week until week 9", "event drop-in | sr | 2026-10-14 15:00 | each 1 weeks until 2026-11-08"],
  ["Discussion forum 7-31 Oct HL", "event Discussion forum | hl | 2026-10-07 to 2026-10-31"],
  ["Discussion forum from 19 to 23 October HL", "event Discussion forum | hl | 2026-10-19 to 2026-10-23"],
  ["Discussion forum Oct 19–23 HL", "event Discussion forum | hl | 2026-10-19 to 2026-10-23"],
  ["Lofting demo Oct 14 5-7pm HL", "event Lofting demo | hl | 2026-10-14 17:00 to 19:00"],
  ["class 16 quiz due HL", "assignment quiz | hl | due start of class 16"],
  ["Thursday 5 pm tide-table quiz due, NV", "assignment tide-table quiz | nv | due 2026-10-15 17:00"],
  ["Lofting demo tomorrow 9 HL www.loft.example", "event Lofting demo | hl | 2026-10-14 09:00 | https://www.loft.example"],
  ["Lofting demo tomorrow 9 HL loft.example/floor.", "event Lofting demo | hl | 2026-10-14 09:00 | https://loft.example/floor"],
  ["Read offsets.pdf due Friday NV", "assignment Read offsets.pdf | nv | due 2026-10-16"],
  ["note: order battens tomorrow 11", "note order battens | 2026-10-14 11:00"],
  ["note: order battens 20 Oct", "note order battens | 2026-10-20"],
  ["Note: call the sail loft Friday at 9:30", "note call the sail loft | 2026-10-16 09:30"],
  ["announcement: the loft is open late Friday HL", "announcement the loft is open late | hl | 2026-10-16"],
  ["announce: bring a rule tomorrow, HL, SR", "announcement bring a rule | hl sr | 2026-10-14"],
  ["assignment: sheer plan due Friday HL", "assignment sheer plan | hl | due 2026-10-16"],
  ["event: sheer plan review Friday 9:00 HL", "event sheer plan review | hl | 2026-10-16 09:00"],
  ["Sun sights 24 Oct 9-11 NV", "event Sun sights | nv | 2026-10-24 09:00 to 11:00"],
  ["Sun sights, Thu at 9, NV", "event Sun sights | nv | 2026-10-15 09:00"],
  ["Sat nav workshop Friday 9:00 NV", "event Sat nav workshop | nv | 2026-10-16 09:00"],
  ["Wed bow planking 21 Oct 10:00 HL", "event Wed bow planking | hl | 2026-10-21 10:00"],
  ["Harbour sail Sat 24 Oct 8:30-13:00 NV at the town quay", "event Harbour sail | nv | 2026-10-24 08:30 to 13:00 | at The town quay"],
  ["Sail and rig: mast visit tomorrow 15:30", "event mast visit | sr | 2026-10-14 15:30"],
  ["mast visit tomorrow 15:30 sail and rig", "event mast visit | sr | 2026-10-14 15:30"],
  ["Boatyard management tour 4 November 9:00-12:00", "event tour | yd | 2026-11-04 09:00 to 12:00"],
  ["Yacht design tour 4 November 9:00", "event tour | yd2 | 2026-11-04 09:00"],
  ["BM 305 tour Nov 4 09:00", "event tour | yd | 2026-11-04 09:00"],
  ["May day drill 2 May 9:00 NV", "event May day drill | nv | 2027-05-02 09:00"],
  ["March past 12 Nov 9:00 NV", "event March past | nv | 2026-11-12 09:00"],
  ["Visit the loft at the quay tomorrow 10:00 HL", "event Visit the loft | hl | 2026-10-14 10:00 | at The quay"],
  ["Midterm 22 Oct 10:00-11:50 HL", "event Midterm | hl | 2026-10-22 10:00 to 11:50"],
  ["Guest: insuring a yard, 4 Nov 15:00-16:00, BM 305, in room 4", "event Guest: insuring a yard | yd | 2026-11-04 15:00 to 16:00 | at Room 4"],
];

// prettier-ignore
const ASKED: readonly (readonly [line: string, said: string])[] = [
  ["Quiz tomorrow 2 HL", "? When is “2”? [2]"],
  ["Quiz tomorrow at 5 HL", "? When is “5”? [2]"],
  ["Quiz due Friday 6 HL", "? When is “6”? [2]"],
  ["Quiz tomorrow 2-4 HL", "? When is “2-4”? [2]"],
  ["Lab 2-4 tomorrow HL", "? Is “2-4” a time? If it belongs to the title, put the title in quotation marks. [2]"],
  ["Quiz due Friday, HL, at 2", "? When is “2”? [2]"],
  ["Quiz tomorrow YD", "? Which course is YD? [2]"],
  ["Quiz due Friday 17:00 YD", "? Which course is YD? [2]"],
  ["Quiz tomorrow", "? For which course? [5]"],
  ["Quiz due Friday 17:00", "? For which course? [5]"],
  ["quiz", "? For which course? [5] On which day? [2]"],
  ["Quiz HL", "? On which day? [3]"],
  ["Quiz set Thursday HL", "? When is it due? [3]"],
  ["Quiz next Friday HL", "? Which day is “next Friday”? [2]"],
  ["Quiz due next Monday 9:00 NV", "? Which day is “next Monday”? [2]"],
  ["Quiz Tuesday 9:00 HL", "? Which day is “Tuesday”? [2]"],
  ["Quiz due Tuesday HL", "? Which day is “Tuesday”? [2]"],
  ["Quiz 10/11 HL", "? Which day is “10/11”? [2]"],
  ["Quiz due 3/12 HL", "? Which day is “3/12”? [2]"],
  ["Quiz 31/12 HL and 1/2", "? There are two days. What is the second one? [2]"],
  ["Quiz week 8 HL", "? Which day of week 8? [5]"],
  ["Quiz due week 8 HL", "? Which day of week 8? [5]"],
  ["Quiz week 40 Monday HL", "? The term has 15 weeks; there is no week 40. [0]"],
  ["Quiz 31 November HL", "? There is no day “31 November”. Type another date. [0]"],
  ["Quiz 2026-02-30 HL", "? There is no day “2026-02-30”. Type another date. [0]"],
  ["Quiz Friday 15 October HL", "? “Friday 15 October” is another weekday. Which day? [2]"],
  ["Quiz due class 12", "? A class of which course? [5]"],
  ["Quiz class 99 HL", "? HL 210 has 28 classes; there is no class 99. [0]"],
  ["Quiz class before the examination HL", "? Which “examination”? [2]"],
  ["Quiz class before the regatta HL", "? Nothing on the plan of HL 210 is called “regatta”. [0]"],
  ["Quiz five classes before the midterm SR", "? Nothing on the plan of SR 120 is called “midterm”. [0]"],
  ["Quiz tomorrow 11 pm to 1 am HL", "? “11 pm to 1 am” ends before it begins. Type the later time second. [0]"],
  ["Quiz 22 Oct to 20 Oct HL", "? The last day lies before the first one. Type a later day. [0]"],
  ["Quiz Friday 10:00 HL section C", "? HL 210 has no section C. Which one? [2]"],
  ["tomorrow 10:00 HL", "? What is it called? [0]"],
  ["due Friday HL", "? What is it called? [0]"],
  ["Quiz 16 Oct 10:00 and 20 Oct HL", "? There are two days. What is the second one? [2]"],
  ["drop-in every week SR", "? On which day? [3]"],
  ["drop-in every Wednesday 15:00 until week 40 SR", "? The term has 15 weeks; there is no week 40. [0]"],
  ["drop-in every Wednesday 3 SR", "? When is “3”? [2]"],
  ["announce: bring a rule tomorrow 9:00 HL", "? An announcement has a day and no time. Leave the time out. [0]"],
];

const said = (line: string) => saidBy(readQuickLine(line, quickContext));

describe('is read', () => {
  test.each(READ)('%s', (line, expected) => expect(said(line)).toBe(expected));
});

describe('is asked, never guessed', () => {
  test.each(ASKED)('%s', (line, expected) => expect(said(line)).toBe(expected));

  test.each(ASKED)('and a choice settles it: %s', (line) => {
    const { asks } = readQuickLine(line, quickContext);
    for (const { question, choices } of asks)
      for (const choice of choices)
        expect(readQuickLine(choice.line, quickContext).asks.map((ask) => ask.question)).not.toContain(
          question,
        );
  });
});

test('every part that was understood is told with its place in the line', () => {
  const line = 'Tide-table quiz, due week 6 Thursday 5 pm, NV';
  expect(
    readQuickLine(line, quickContext).pieces.map((p) => [line.slice(p.from, p.to), p.name, p.words]),
  ).toEqual([
    ['due ', 'Due', ''],
    ['week 6 Thursday', 'Due', 'week 6, Thu 15 Oct'],
    ['5 pm', 'Time', '17:00'],
    ['NV', 'Course', 'NV 140 Coastal navigation'],
  ]);
});

describe('labs, which count apart', () => {
  const [hl, ...others] = quickContext.courses;
  const lab = { date: day('2026-10-16'), start: time('14:00'), end: time('17:00'), ordinal: 5, strand: 'lab' } as const;
  const [a, b] = hl!.sections;
  const context = {
    ...quickContext,
    courses: [{ ...hl!, sections: [{ ...a!, classes: [...a!.classes, lab] }, b!] }, ...others],
  };
  test.each([
    ['Offsets report due at the start of lab 5 HL', 'assignment Offsets report | hl | due start of lab 5'],
    ['Offsets report due lab 5 HL', 'assignment Offsets report | hl | due start of lab 5'],
    ['Offsets report due the end of lab 5 HL', 'assignment Offsets report | hl | due end of lab 5'],
    ['Offsets report due in lab 5 HL', 'assignment Offsets report | hl | due start of lab 5'],
    ['Guest talk in Lab 5, Thu 15 Oct 14:00-15:00, HL', 'event Guest talk | hl | 2026-10-15 14:00 to 15:00 | at Lab 5'],
    ['Lab 5 report due class 12 HL', 'assignment Lab 5 report | hl | due start of class 12'],
    ['Report due next class HL', 'assignment Report | hl | due start of class 12'],
    ['Report due lab 7 HL', '? HL 210 has 5 labs; there is no lab 7. [0]'],
  ])('%j', (line, said) => expect(saidBy(readQuickLine(line, context))).toBe(said));
}); // prettier-ignore
