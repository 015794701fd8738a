import { quickTexts } from '../texts/quickLine';
import type { QuickContext, QuickEntry, QuickMoment, QuickRepeat } from './quickEntry';
import { weekdayName } from '../time/typedDay';

const quoted = (text: string) => `"${text.replaceAll('"', '""')}"`;

const momentText = (moment: QuickMoment): string =>
  moment.kind === 'class'
    ? `the ${quickTexts.classWords(moment, moment.edge)}`
    : `${moment.date}${moment.time ? ` ${moment.time}` : ''}`;

function repeatText({ unit, every, weekdays, until, count }: QuickRepeat): string {
  const often = every === 1 ? `every ${unit === 'days' ? 'day' : 'week'}` : `every ${every} ${unit}`;
  const days = weekdays.length > 0 ? ` on ${weekdays.map(weekdayName).join(' and ')}` : '';
  return `${often}${days}${until ? ` until ${until}` : ''}${count ? ` ${count} times` : ''}`;
}

function onText({ date, lastDay, start, end }: NonNullable<QuickEntry['on']>): string {
  const times = start ? ` ${start}${end ? `-${end}` : ''}` : '';
  return `${date}${lastDay ? ` to ${lastDay}` : ''}${lastDay && times ? `, at${times}` : times}`;
}

/** An entry as a line that reads as the same entry: nothing in it can mean two things. */
export function formatQuickLine(entry: QuickEntry, { courses }: QuickContext): string {
  const { setOn, opens, due, closes, on, repeat } = entry;
  const courseText = ({ course: id, sections }: QuickEntry['courses'][number]) => {
    const course = courses.find((c) => c.id === id)!;
    const names = course.sections.filter((s) => sections?.includes(s.id)).map((s) => s.name);
    return names.length > 0 ? `${course.code} ${names.join(' and ')}` : course.code;
  };
  return [
    `${entry.kind}: ${quoted(entry.title)}`,
    setOn && `set ${momentText(setOn)}`,
    opens && `opens ${momentText(opens)}`,
    due && `due ${momentText(due)}`,
    closes && `closes ${momentText(closes)}`,
    on && onText(on),
    repeat && repeatText(repeat),
    entry.place && `at ${quoted(entry.place)}`,
    ...entry.courses.map(courseText),
    ...entry.links,
    entry.draft && 'as a draft',
  ]
    .filter(Boolean)
    .join(', ');
}
