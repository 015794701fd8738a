import type { SeenSheet } from '@/core/signup/seenSheet';
import { writeNotice } from '@/core/signup/readNotice';
import { stretchesOf } from '@/core/signup/stretchesOf';
import { writeStretches } from '@/core/signup/readStretches';
import type { Zone } from '@/core/time/zone';
import { toWall } from '@/core/time/zone';
import { momentText } from '@/core/time/zonedWall';
import { draftLinks } from '../entries/draftLinks';
import type { SheetDraft } from './sheetDraft';

const text = (count: number | undefined) => (count === undefined ? '' : String(count));

/** A sheet as changing it begins: its facts and rules, and its times still to come as stretches. */
export function draftOfSheet(
  sheet: SeenSheet,
  zone: Zone,
  { until, nowMs }: { until: string; nowMs: number },
): SheetDraft {
  const coming = sheet.slots.filter((slot) => slot.interval.start.epochMilliseconds > nowMs);
  const { stretches, length, gap } = stretchesOf(coming, zone);
  const { rules } = sheet;
  const [opensDay = '', opensTime = '8:00'] = rules.opens ? momentText(rules.opens.wall).split('T') : [];
  const [closesDay = '', closesTime = '8:00'] = rules.closes ? momentText(rules.closes.wall).split('T') : [];
  return {
    title: sheet.title,
    courses: Object.fromEntries(
      sheet.audience.map(({ course, sections = [], groups = [], people = [] }) => [
        course,
        { sections, groups, people },
      ]),
    ),
    typed: writeStretches(stretches),
    repeat: 'once',
    until,
    length: String(length),
    whole: false,
    gap: String(gap),
    breaks: '',
    leftOut: [],
    allTheSame: coming.map((slot) =>
      momentText({ tzid: sheet.tzid, wall: toWall(zone, slot.interval.start) }),
    ),
    seats: String(coming[0]?.seats ?? sheet.slots[0]?.seats ?? 1),
    perSheet: String(rules.perSheet),
    perDay: text(rules.perDay),
    perWeek: text(rules.perWeek),
    take: writeNotice(rules.take),
    giveBack: writeNotice(rules.giveBack),
    opensDay,
    opensTime,
    closesDay,
    closesTime,
    namesShown: rules.namesShown,
    waitingList: rules.waitingList,
    asks: rules.question !== undefined,
    question: rules.question?.text ?? '',
    choices: rules.question?.choices.join('\n') ?? '',
    meet: rules.privateMeetings ? 'private' : sheet.meetingLink ? 'link' : 'place',
    place: sheet.place,
    meetingLink: sheet.meetingLink,
    hosts: sheet.hosts.map((host) => host.id),
    together: rules.together,
    links: draftLinks(rules.links),
  };
}
