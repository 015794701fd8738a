import type { Temporal } from 'temporal-polyfill';
import type { Occurrence } from '@/core/plan/occurrence';
import { occurrencesOf } from '@/core/plan/occurrences';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { plainText } from '@/core/richText/plainText';
import { entryTexts } from '@/core/texts/entries';
import type { ZoneLookup } from '@/core/time/zone';
import { textsOf } from '../daySheet/daySheetView';
import type { DayLine } from '../student/dayLines';
import { dayLine } from '../student/dayLines';
import { nextView } from '../student/nextView';
import type { KeptDays, KeptLine } from './keptPlan';
import { KEPT_DAYS } from './keptPlan';

/** Longer texts end so: a device keeps what one reads on the way, not a book. */
const MOST = 2000;

const shortened = (text: string): string => (text.length > MOST ? `${text.slice(0, MOST)}…` : text);

/** A line as the device keeps it: with what stands on its day sheet, and the way into its meeting, whenever that is. */
function keptLine(line: DayLine, o: Occurrence | undefined, text: string): KeptLine {
  const { time, tags, title, detail, links, work } = line;
  const meeting = o && 'meetingLink' in o ? o.meetingLink : '';
  const joins = meeting && !links.some(({ url }) => url === meeting);
  const name = o && 'meetingName' in o ? o.meetingName : '';
  return {
    time,
    tags: tags.map(({ tag }) => tag).join(' '),
    title,
    detail,
    text: shortened(text),
    links: [...(joins ? [{ url: meeting, label: entryTexts.join({ name }) }] : []), ...links],
    ...(work ? { work } : {}),
  };
}

/** The coming four weeks as the device of a student keeps them: what their home shows, their own notes and ticked work included. */
export function keptDays(
  plan: SeenPlan,
  {
    person,
    ...at
  }: Readonly<{
    person: string;
    zoneOf: ZoneLookup;
    now: Temporal.Instant;
    today: Temporal.PlainDate;
    done: ReadonlySet<string>;
  }>,
): Omit<KeptDays, 'savedAt'> {
  const occurrences = occurrencesOf(plan, at.zoneOf);
  const textOf = textsOf(plan);
  const of = new Map(occurrences.map((o) => [dayLine(o, plan).key, o]));
  const { days } = nextView(plan, occurrences, { ...at, ahead: KEPT_DAYS });
  return {
    person,
    locale: plan.locale,
    days: days.map(({ heading, lines }) => ({
      heading,
      lines: lines.map((line) => {
        const o = of.get(line.key);
        return keptLine(line, o, o ? plainText(textOf(o).text) : '');
      }),
    })),
  };
}
