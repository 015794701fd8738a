import { describe, expect, test } from 'vitest';
import {
  HL,
  IVO,
  NOW,
  ODA,
  at,
  booking,
  event,
  instant,
  plan,
  sheet,
  staff,
  student,
  term,
  time,
} from '../../../tests/support/plans';
import { occurrencesOf } from '@/core/plan/occurrences';
import type { Plan } from '@/core/plan/plan';
import { seenPlan } from '@/core/plan/seenPlan';
import type { BookingId, SheetId } from '@/core/ids';
import type { Sheet } from '@/core/signup/sheet';
import { DEFAULT_RULES } from '@/core/signup/sheet';
import { requireZone } from '@/core/time/zoneData';
import { signUpView } from './signUpView';

const view = (given: Plan, { viewer = student(), now = NOW } = {}) => {
  const seen = seenPlan(viewer, given, now);
  return signUpView(seen, { zoneOf: requireZone, now, occurrences: occurrencesOf(seen, requireZone), term });
};
const of = (sheets: readonly Sheet[], more: Partial<Plan> = {}) => plan({ sheets, ...more });
const rules = (changes: Partial<Sheet['rules']>) => ({ rules: { ...DEFAULT_RULES, ...changes } });
const states = (given: Sheet, options: Parameters<typeof view>[1] = {}) =>
  view(of([given]), options).days.flatMap((day) => day.slots.map((slot) => slot.state));
const others = booking({
  person: ODA,
  personName: 'Oda Brink',
  note: 'My transom',
  meetingLink: 'https://meet.example/oda',
});

describe('a day of times', () => {
  test('says what it is in words: week, day, hosts, how many are free', () => {
    const [day] = view(of([sheet([[others], [], []])])).days;
    expect(day).toMatchObject({ tag: 'HL', title: 'Office hours', hosts: 'Maren Toft', place: 'Loft office', week: 'Week 6', free: 2, shut: '' });
    expect(day!.slots.map(({ time: t, minutes, state }) => `${t} ${minutes} ${state}`)).toEqual(['12:00 25 taken', '12:30 25 free', '13:00 25 free']);
  }); // prettier-ignore
  test('each time says what is to be known before it is taken: until when, and where several come, seats and names', () => {
    const facts = (given: Sheet) => view(of([given])).days[0]!.slots.map((slot) => slot.facts);
    const notice = { take: { kind: 'minutes', minutes: 60 }, giveBack: { kind: 'day', days: 1, at: time('18:00') } } as const; // prettier-ignore
    expect(facts(sheet([[], []], { ...rules(notice), meetingLink: '' }))).toEqual([
      ['can be taken until Thu 15 Oct, 11:00', 'can be given back until Wed 14 Oct, 18:00'],
      ['can be taken until Thu 15 Oct, 11:30', 'can be given back until Wed 14 Oct, 18:00'],
    ]);
    const shared = sheet([[others]], { ...rules({}), meetingLink: 'https://meet.example/loft' });
    const seats = { ...shared, slots: shared.slots.map((slot) => ({ ...slot, seats: 3 })) };
    expect(facts(seats)[0]!.slice(0, 3)).toEqual([
      '2 of 3 seats are free',
      'others do not see your name',
      'the link to join is yours once you have taken it',
    ]);
    expect(facts({ ...seats, rules: { ...seats.rules, namesShown: true } })[0]).toContain(
      'those who come see one another’s names',
    );
  });
  test('days of several sheets stand in the order of time', () => {
    const later = sheet([[]], { id: 'later' as SheetId }, '2026-10-16');
    const sooner = sheet([[]], { id: 'sooner' as SheetId }, '2026-10-14');
    expect(view(of([later, sooner])).days.map((day) => day.sheet)).toEqual(['sooner', 'later']);
  });
  test('what has begun is not among them', () =>
    expect(states(sheet([[], [], []]), { now: instant('2026-10-15T12:30') })).toEqual(['free']));
  test('those who offer it find it elsewhere', () =>
    expect(view(of([sheet([[]])]), { viewer: staff(HL) as never }).days).toEqual([]));
});

describe('what can be taken', () => {
  test('one’s own is one’s own, others’ are taken and nothing is told of them', () => {
    const given = sheet([[booking()], [others]]);
    expect(states(given)).toEqual(['yours', 'taken']);
    expect(JSON.stringify(view(of([given])))).not.toMatch(/Brink|transom|meet\.example\/oda/);
  });
  test('not within the notice of hours, nor after the hour of the day before', () => {
    const now = instant('2026-10-15T10:30');
    expect(states(sheet([[], [], []], rules({ take: { kind: 'minutes', minutes: 120 } })), { now })).toEqual(['late', 'late', 'free']);
    const evening = rules({ take: { kind: 'day', days: 1, at: time('18:00') } });
    expect(states(sheet([[]], evening), { now: instant('2026-10-14T17:59') })).toEqual(['free']);
    expect(states(sheet([[]], evening), { now: instant('2026-10-14T18:00') })).toEqual(['late']);
  }); // prettier-ignore
  test('not before the sheet opens, nor after it closes: it says so', () => {
    const moment = (wall: string) => ({ wall: at(wall), at: instant(wall) });
    const opens = view(of([sheet([[]], rules({ opens: moment('2026-10-14T08:00') }))])).days[0]!;
    expect(opens).toMatchObject({ free: 0, shut: 'Times can be taken from Wed 14 Oct, 08:00 on.' });
    const closed = view(of([sheet([[]], rules({ closes: moment('2026-10-13T08:00') }))])).days[0]!;
    expect(closed).toMatchObject({ free: 0, shut: 'This sheet is closed: no more times can be taken.' });
  });
  test('what one has then already is named; an event that was called off is nothing', () => {
    const clash = event({ title: 'Rope walk', when: { kind: 'timed', start: at('2026-10-15T12:10'), end: at('2026-10-15T12:40') } });
    const words = (entry = clash) => view(of([sheet([[], [], []])], { entries: [entry] })).days[0]!.slots.map((slot) => slot.clash);
    expect(words()).toEqual(['You have Rope walk at that time.', 'You have Rope walk at that time.', '']);
    expect(words({ ...clash, cancelled: 'Storm' })).toEqual(['', '', '']);
  }); // prettier-ignore
});

describe('the waiting list', () => {
  const waiting = (offeredUntil?: string) => {
    const made = sheet([[others]], rules({ waitingList: true }));
    const who = { person: IVO, personName: 'Ivo Saltmarsh', since: NOW, ...(offeredUntil ? { offeredUntil: instant(offeredUntil) } : {}) };
    return { ...made, slots: made.slots.map((slot) => ({ ...slot, waiting: [who] })) };
  }; // prettier-ignore
  test('a taken time can be waited for where there is a list', () => {
    const may = (given: Sheet) => view(of([given])).days[0]!.slots[0]!.mayWait;
    expect(may(sheet([[others]], rules({ waitingList: true })))).toBe(true);
    expect(may(sheet([[others]]))).toBe(false);
    expect(may(sheet([[]], rules({ waitingList: true })))).toBe(false);
  });
  test('whoever waits sees it, and an offer until it runs out', () => {
    expect(states(waiting())).toEqual(['waiting']);
    expect(states(waiting('2026-10-13T12:00'))).toEqual(['offered']);
    expect(states(waiting('2026-10-13T12:00'), { now: instant('2026-10-13T12:00') })).toEqual(['waiting']);
  });
});

describe('one’s own times', () => {
  const own = (given: Sheet, now = NOW) => view(of([given]), { now }).own;
  test('carry what one wrote, where one meets, and until when they can be given back', () =>
    expect(own(sheet([[booking({ note: 'My stem' })]], rules({ giveBack: { kind: 'minutes', minutes: 60 } })))).toMatchObject([
      { when: 'Thu 15 Oct', range: '12:00–12:25', note: 'My stem', place: 'Loft office', meetingLink: 'https://meet.example/1', giveBackUntil: 'It can be given back until Thu 15 Oct, 11:00.' },
    ])); // prettier-ignore
  test('a meeting of one’s own goes before the one for all', () =>
    expect(own(sheet([[booking({ meetingLink: 'https://meet.example/ivo' })]]))[0]!.meetingLink).toBe('https://meet.example/ivo')); // prettier-ignore
  test('cannot be given back after that', () =>
    expect(own(sheet([[booking()]], rules({ giveBack: { kind: 'day', days: 1, at: time('18:00') } })), instant('2026-10-15T08:00'))[0]!.giveBackUntil).toBe('')); // prettier-ignore
  test('name who comes along where the sheet shows names', () => {
    const both = [booking(), booking({ ...others, id: 'b2' as BookingId, seat: 2 })];
    const seats = (given: Sheet) => ({ ...given, slots: given.slots.map((slot) => ({ ...slot, seats: 2 })) });
    expect(own(seats(sheet([both], rules({ namesShown: true }))))[0]!.companions).toBe(
      'together with Oda Brink',
    );
    expect(own(seats(sheet([both])))[0]!.companions).toBe('');
  });
});
