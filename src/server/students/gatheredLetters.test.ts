import { Temporal } from 'temporal-polyfill';
import { beforeEach, describe, expect, test } from 'vitest';
import { historyOf, valueOf } from '../../../tests/support/outcomes';
import type { School } from '../../../tests/support/school';
import { newSchool, workIn } from '../../../tests/support/school';
import { closureInput, patternInput } from '@/core/frame/frameInput';
import { NO_PERSON_SETTINGS, personSettingsInput } from '@/core/frame/personSettings';
import type { Letters } from '@/core/mail/letters';
import { USUAL_LETTERS } from '@/core/mail/letters';
import type { Outcome } from '@/core/refusals';
import { select } from '@/data/database';
import { cancelEntry } from '../entries/cancelEntry';
import { planEntry } from '../entries/planEntry';
import { shiftEntries } from '../entries/shiftEntry';
import { addClosure } from '../frame/closures';
import { changeWeek } from '../frame/sections';
import { tellChange } from '../history/tellChange';
import { undoChange } from '../history/undoChange';
import { endingHeaders, unsubscribe, unsubscribeToken } from '../mail/unsubscribe';
import { planSeenBy } from '../plan/planSeenBy';
import { recordShown } from '../plan/recordShown';
import type { SignedIn } from '../session/session';
import { changeOwnSettings, settingsOf } from './settings';
import { unseenChanges } from './changes';
import { sendGathered } from './gatheredLetters';

let school: School;
let one: SignedIn;
beforeEach(async () => {
  school = await newSchool();
  one = school.students[0]!;
  return () => school.close();
});

/** Puts the clock to an instant; the school's begins at 9:00 in Halifax on Tuesday, 13 October 2026. */
const at = (instant: string) =>
  school.later(Temporal.Instant.from(instant).since('2026-10-13T12:00Z').total('milliseconds'));
const wants = async (letters: Partial<Letters>, who = one) =>
  valueOf(await changeOwnSettings(school.pembit, who, { ...NO_PERSON_SETTINGS, letters: { ...USUAL_LETTERS, ...letters } })); // prettier-ignore
const letters = ({ person } = one) =>
  select<{ subject: string; body: string; unsubscribe: string | null }>(school.pembit, 'SELECT subject, body, unsubscribe FROM outbox WHERE recipient = :email ORDER BY created_at', { email: person.email }); // prettier-ignore
/** Work due then, which the first student has seen. */
async function seenWork(due: string, title = 'Half model') {
  const entry = valueOf(await planEntry(school.pembit, school.instructor, workIn(school.course, { due, title })));
  await recordShown(school.pembit, one.person.id, await planSeenBy(school.pembit, one.viewer));
  await school.pembit.queue.drained();
  return entry;
} // prettier-ignore
const tell = async (act: Outcome<unknown>, who = school.instructor) =>
  valueOf(await tellChange(school.pembit, who, historyOf(act)));
const moved = async (due: string, days = 1) => {
  const entry = await seenWork(due);
  return shiftEntries(school.pembit, school.instructor, [{ id: entry.id }], { days, along: false });
};

describe('what one is told', () => {
  test('comes at once where it is near or called off, else in the letter of the day, once', async () => {
    expect(await tell(await moved('2026-10-14T17:00'))).toEqual({ told: 1, gathered: 0 });
    const off = await seenWork('2026-11-20T17:00', 'Race');
    expect(await tell(await cancelEntry(school.pembit, school.instructor, off.id, { reason: 'Storm' }))).toEqual({ told: 1, gathered: 0 }); // prettier-ignore
    expect(await tell(await moved('2026-10-22T17:00'))).toEqual({ told: 1, gathered: 1 });
    expect(await letters()).toHaveLength(2);
    at('2026-10-13T18:59Z');
    await sendGathered(school.pembit);
    expect(await letters()).toHaveLength(2);
    at('2026-10-13T19:00Z');
    await sendGathered(school.pembit);
    await sendGathered(school.pembit);
    const [, , daily, ...more] = await letters();
    expect(more).toEqual([]);
    expect(daily!.subject).toBe('1 change in your courses');
    expect(daily!.body).toContain('Half model: it was Thu 22 Oct, 17:00; it is now Fri 23 Oct, 17:00.');
    expect(daily!.body).not.toContain('Race');
  });

  test('waits as long as undoing takes back what is written at once', async () => {
    at('2026-10-13T18:59:30Z');
    await tell(await moved('2026-10-22T17:00'));
    at('2026-10-13T19:00:10Z');
    await sendGathered(school.pembit);
    expect(await letters()).toEqual([]);
    at('2026-10-14T19:00Z');
    await sendGathered(school.pembit);
    expect(await letters()).toHaveLength(1);
  });

  test('is not written while the school is closed, and not where the act was undone', async () => {
    const act = await moved('2026-10-22T17:00');
    await tell(act);
    const { pembit, term } = school;
    const office: SignedIn = { ...school.stranger, person: { ...school.stranger.person, isAdmin: true } };
    valueOf(await addClosure(pembit, office, closureInput.parse({ term, name: 'Storm', firstDay: '2026-10-14', lastDay: '2026-10-14' }))); // prettier-ignore
    at('2026-10-14T19:00Z');
    await sendGathered(pembit);
    expect(await letters()).toEqual([]);
    valueOf(await undoChange(pembit, school.instructor, historyOf(act)));
    at('2026-10-15T19:00Z');
    await sendGathered(pembit);
    expect(await letters()).toEqual([]);
  });

  test('comes as each wishes: at once, on the last school day of the week, or never', async () => {
    await wants({ changes: 'now' });
    await tell(await moved('2026-10-22T17:00'));
    expect(await letters()).toHaveLength(1);
    await wants({ changes: 'weekly' });
    await tell(await moved('2026-10-23T17:00'));
    for (const day of ['13', '14', '15']) {
      at(`2026-10-${day}T19:00Z`);
      await sendGathered(school.pembit);
    }
    expect(await letters()).toHaveLength(1);
    at('2026-10-16T19:00Z');
    await sendGathered(school.pembit);
    expect(await letters()).toHaveLength(2);
    await wants({ changes: 'never', near: 'never' });
    expect(await tell(await moved('2026-10-18T17:00'))).toEqual({ told: 0, gathered: 0 });
  });

  test('of an emergency comes at once, whatever one wishes; its letter offers no end', async () => {
    const { pembit, instructor, section, term } = school;
    await wants({ near: 'never', changes: 'never', times: 'never' });
    valueOf(await changeWeek(pembit, instructor, section, patternInput.parse({ from: '2026-09-08', week: 'Tue Wed 10-11' }))); // prettier-ignore
    const office: SignedIn = { ...school.stranger, person: { ...school.stranger.person, isAdmin: true } };
    const storm = closureInput.parse({ term, name: 'Storm', firstDay: '2026-10-14', lastDay: '2026-10-14' });
    await tell(await addClosure(pembit, office, storm), office);
    const [letter] = await letters();
    expect(letter!.body).toContain('14 Oct');
    expect(letter!.unsubscribe).toBeNull();
  });
});

test('news come where one wants them, without what one was told', async () => {
  await wants({ news: 'daily' });
  await unseenChanges(school.pembit, one, await planSeenBy(school.pembit, one.viewer));
  const told = await moved('2026-10-22T17:00');
  at('2026-10-13T12:01Z');
  await tell(told);
  valueOf(await planEntry(school.pembit, school.instructor, workIn(school.course, { title: 'Fairing' })));
  at('2026-10-13T19:00Z');
  await sendGathered(school.pembit);
  await sendGathered(school.pembit);
  const [letter, ...more] = await letters();
  expect(more).toEqual([]);
  expect(letter!.subject).toBe('2 changes in your courses');
  expect(letter!.body.match(/Half model/g)).toHaveLength(1);
  expect(letter!.body).toContain('HL Fairing: new, Thu 22 Oct, 17:00');
});

describe('a letter’s own end', () => {
  test('ends its sort, or all that is gathered; of another person or sort it is no proof', async () => {
    const { pembit } = school;
    const token = unsubscribeToken(pembit, one.person.id, 'changes');
    expect(valueOf(await unsubscribe(pembit, token))).toEqual({ sort: 'changes' });
    valueOf(await unsubscribe(pembit, token));
    expect((await settingsOf(pembit, one.person.id)).letters).toEqual({ ...USUAL_LETTERS, changes: 'never' });
    await wants({ times: 'weekly' });
    valueOf(await unsubscribe(pembit, unsubscribeToken(pembit, one.person.id, 'gathered')));
    expect((await settingsOf(pembit, one.person.id)).letters).toEqual({ near: 'now', changes: 'never', times: 'never', news: 'never' }); // prettier-ignore
    valueOf(await changeOwnSettings(pembit, one, personSettingsInput.parse({ remind: { due: 60 } })));
    valueOf(await unsubscribe(pembit, unsubscribeToken(pembit, one.person.id, 'reminders')));
    expect((await settingsOf(pembit, one.person.id)).remind).toEqual({});
    const [person, sort, proof] = token.split('.') as [string, string, string];
    const forged = [
      [school.students[1]!.person.id, sort, proof],
      [person, 'near', proof],
      [person, 'everything', proof],
      [person, sort, proof.slice(1)],
      [''],
    ];
    for (const parts of forged)
      expect(await unsubscribe(pembit, parts.join('.'))).toMatchObject({ reason: 'notFound' });
  });

  /** RFC 8058, section 3.1: an https address, and the header that says one click is enough. */
  test('stands in its head', () => {
    expect(endingHeaders({ unsubscribe: 'a.b.c' }, 'https://p.example')).toEqual({
      'List-Unsubscribe': '<https://p.example/api/unsubscribe/a.b.c>',
      'List-Unsubscribe-Post': 'List-Unsubscribe=One-Click',
    });
    expect(endingHeaders({ unsubscribe: 'a.b.c' }, 'http://p.example')).not.toHaveProperty(
      'List-Unsubscribe-Post',
    );
    expect(endingHeaders({}, 'https://p.example')).toEqual({});
  });
});
