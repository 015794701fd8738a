import type { QuickEntry, QuickMoment, Reading } from '@/core/quickline/quickEntry';

const moment = (m: QuickMoment) =>
  m.kind === 'class'
    ? `${m.edge} of ${m.strand ?? 'class'} ${m.ordinal}`
    : [m.date, m.time].filter(Boolean).join(' ');

function repeat({ unit, every, weekdays, until, count }: NonNullable<QuickEntry['repeat']>): string {
  const days = weekdays.length > 0 ? ` on ${weekdays.join()}` : '';
  const end = until ? ` until ${until}` : count ? ` ${count} times` : ' to the end';
  return `each ${every} ${unit}${days}${end}`;
}

/** A reading in one line, for tables: what was understood, or what is asked. */
export function saidBy({ entry, asks }: Reading): string {
  if (!entry) return `? ${asks.map(({ question, choices }) => `${question} [${choices.length}]`).join(' ')}`;
  const { kind, title, courses, on, setOn, opens, due, closes, place, links, draft } = entry;
  const named = courses.map((c) => [c.course, ...(c.sections ?? [])].join('/')).join(' ');
  return [
    `${kind} ${title}`,
    named,
    on &&
      [on.date, on.lastDay && `to ${on.lastDay}`, on.start, on.end && `to ${on.end}`]
        .filter(Boolean)
        .join(' '),
    setOn && `set ${moment(setOn)}`,
    opens && `opens ${moment(opens)}`,
    due && `due ${moment(due)}`,
    closes && `closes ${moment(closes)}`,
    entry.repeat && repeat(entry.repeat),
    place && `at ${place}`,
    ...links,
    draft && 'draft',
  ]
    .filter(Boolean)
    .join(' | ');
}
