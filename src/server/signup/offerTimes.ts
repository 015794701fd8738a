import { randomUUID } from 'node:crypto';
import type { PersonId, SheetId, SlotId } from '@/core/ids';
import { concernsCourse } from '@/core/time/closure';
import { occurrencesOf } from '@/core/plan/occurrences';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { busyTimes } from '@/core/signup/busyTimes';
import type { OfferedTime, Offering } from '@/core/signup/offeredTimes';
import { offeredTimes } from '@/core/signup/offeredTimes';
import type { RuleMoment, Sheet, SheetRules, Slot } from '@/core/signup/sheet';
import type { SheetFactsInput, SheetInput } from '@/core/signup/sheetInput';
import { historyTexts } from '@/core/texts/history';
import { signupTexts } from '@/core/texts/signup';
import { toInstant } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import type { Temporal } from 'temporal-polyfill';
import type { Reader } from '@/data/reader';
import { staffAmong } from '@/data/people/staff';
import { insertSheet } from '@/data/signup/sheets';
import { loadFrame } from '@/data/plan/loadPlan';
import { termOfAudience } from '../entries/termOfAudience';
import { perform } from '../history/perform';
import { checkedLinks } from '../materials/checkedLinks';
import type { Pembit } from '../pembit';
import { planSeenBy } from '../plan/planSeenBy';
import type { SignedIn } from '../session/session';

type Facts = Pick<Sheet, 'title' | 'audience' | 'hosts' | 'place' | 'meetingLink' | 'rules' | 'tzid'>;

function rulesOf({ rules }: SheetFactsInput, tzid: string): SheetRules {
  const moment = (wall: Temporal.PlainDateTime | undefined): RuleMoment | undefined =>
    wall && { wall: { wall, tzid }, at: toInstant(requireZone(tzid), wall) };
  return { ...rules, opens: moment(rules.opens), closes: moment(rules.closes) };
}

/** Who offers the times: whoever does it, and those named, who teach every course the sheet is for. */
async function hostsFor(reader: Reader, actor: SignedIn, { hosts = [], audience }: SheetFactsInput) {
  const ids = [...new Set<PersonId>(hosts.length > 0 ? hosts : [actor.person.id])];
  const rows = await staffAmong(reader, ids, audience.map((part) => part.course)); // prettier-ignore
  return rows.length === ids.length && rows.every((row) => row.courses === audience.length)
    ? rows
    : undefined;
}

/** What a sheet says of itself, once it is known that the actor may say so. */
export async function sheetFacts(
  reader: Reader,
  actor: SignedIn,
  input: SheetFactsInput,
): Promise<Outcome<Facts>> {
  const frame = await termOfAudience(reader, actor, input.audience, 'offerTimes');
  if (!frame.ok) return frame;
  const hosts = await hostsFor(reader, actor, input);
  const assists = input.audience.some(({ course }) => actor.viewer.helps.has(course));
  // An assistant offers hours of their own.
  if (!hosts || (assists && !hosts.some(({ id }) => id === actor.person.id)))
    return refused('badRequest', [{ field: 'hosts', message: signupTexts.errors.hosts }]);
  const courses = input.audience.map((part) => part.course);
  const { errors, links } = await checkedLinks(reader, actor, courses, input.rules.links);
  if (errors.length > 0)
    return refused(
      'badRequest',
      errors.map((e) => ({ ...e, field: `rules.${e.field}` })),
    );
  const { tzid } = frame.value.term;
  return done({
    title: input.title,
    audience: input.audience,
    hosts: hosts.map(({ id, name }) => ({ id, name })),
    place: input.place,
    meetingLink: input.rules.privateMeetings ? '' : input.meetingLink,
    rules: rulesOf({ ...input, rules: { ...input.rules, links } }, tzid),
    tzid,
  });
}

/** The times that an offering makes now, around closures and what its staff have otherwise. */
export async function timesFor(
  pembit: Pembit,
  reader: Reader,
  actor: SignedIn,
  {
    offering,
    audience,
    tzid,
    otherThan,
  }: Readonly<{ offering: Offering; otherThan?: SheetId } & Pick<Facts, 'audience' | 'tzid'>>,
): Promise<Outcome<readonly OfferedTime[]>> {
  const courses = audience.map((part) => part.course);
  const [plan, { closures }] = await Promise.all([
    planSeenBy(pembit, actor.viewer),
    loadFrame(reader, courses),
  ]);
  const offered = offeredTimes(offering, {
    zone: requireZone(tzid),
    closures: closures.filter((closure) => courses.some((course) => concernsCourse(closure, course))),
    busy: busyTimes(occurrencesOf(plan, requireZone), requireZone, { otherThan }),
    now: pembit.now(),
  });
  return offered.ok ? done(offered.times) : refused(offered.reason);
}

export const slotFrom = (interval: Slot['interval'], seats: number, host?: PersonId): Slot => ({
  id: randomUUID() as SlotId,
  interval,
  seats,
  ...(host ? { host } : {}),
  bookings: [],
  waiting: [],
});

/** An instructor offers stretches of time, cut into times that students take. */
export function offerTimes(pembit: Pembit, actor: SignedIn, input: SheetInput): Promise<Outcome<Sheet>> {
  return perform(pembit, actor, 'offerTimes', async (change) => {
    const facts = await sheetFacts(change, actor, input);
    if (!facts.ok) return facts;
    const { audience, tzid, rules } = facts.value;
    const times = await timesFor(pembit, change, actor, { offering: input.offering, audience, tzid });
    if (!times.ok) return times;
    if (times.value.length === 0) return refused('nothingToOffer');
    const now = pembit.now();
    const host = rules.together ? undefined : actor.person.id;
    const sheet: Sheet = {
      ...facts.value,
      id: randomUUID() as SheetId,
      uid: randomUUID(),
      offered: input.offered,
      sequence: 0,
      created: now,
      lastModified: now,
      uses: { count: 0 },
      slots: times.value.map(({ interval }) => slotFrom(interval, input.seats, host)),
    };
    await insertSheet(change, sheet);
    change.summarise(
      sheet.offered
        ? historyTexts.offered({ n: sheet.slots.length, title: sheet.title })
        : historyTexts.draftSheet({ title: sheet.title }),
    );
    return done(sheet);
  });
}
