import type { Temporal } from 'temporal-polyfill';
import type { Entry, Link } from '@/core/entries/entry';
import { entryFromInput } from '@/core/entries/entryFromInput';
import type { EntryInput } from '@/core/entries/entryInput';
import type { EntryId } from '@/core/ids';
import { Temporal as T } from 'temporal-polyfill';
import { requireZone } from '@/core/time/zoneData';
import type { DemoTerm } from './calendar';
import type { DemoCourse } from './courses';
import { BM, HL, NV, SR } from './courses';
import { demoId } from './demoIds';

/** `week.weekday time`, e.g. `6.4 17:00`: Thursday of week 6 at five. */
type At = `${number}.${number} ${string}`;
type Release = 'draft' | { from: At } | undefined;

type DemoAssignment = [
  course: DemoCourse,
  title: string,
  set: `${number}.${number}`,
  due: At,
  handIn: string,
  links?: string[],
  release?: Release,
];
type DemoEvent = [
  course: DemoCourse,
  title: string,
  start: At,
  end: string,
  place: string,
  links?: string[],
  release?: Release,
];

const PAPER = 'On paper, in the loft';
const LINK = 'At the link';

const ASSIGNMENTS: readonly DemoAssignment[] = [
  [HL, 'Table of offsets, sheet 1', '1.4', '2.4 17:00', PAPER, ['handouts/offsets-table']],
  [HL, 'Body plan', '2.4', '3.4 17:00', PAPER, ['handouts/body-plan']],
  [
    HL,
    'Half-breadth plan',
    '5.1',
    '6.4 17:00',
    PAPER,
    ['handouts/offsets-table-4', 'recordings/batten-bending'],
  ],
  [HL, 'Bevel board', '6.2', '8.4 17:00', PAPER, ['handouts/bevel-board'], { from: '6.2 08:00' }],
  [HL, 'Mould set, stations 2 to 6', '9.4', '11.4 17:00', PAPER, ['handouts/moulds'], { from: '9.4 08:00' }],
  [
    HL,
    'Half model',
    '11.2',
    '14.4 12:00',
    'Brought to the loft',
    ['handouts/half-model'],
    { from: '11.2 08:00' },
  ],
  [NV, 'Chart symbols', '1.5', '2.5 09:00', LINK, ['quizzes/chart-symbols']],
  [NV, 'Set and drift', '3.1', '4.5 09:00', LINK, ['quizzes/set-and-drift']],
  [NV, 'Tide-table quiz', '5.5', '6.4 17:00', LINK, ['quizzes/tide-tables', 'handouts/worksheet-7']],
  [NV, 'Passage plan, first draft', '9.1', '12.5 09:00', LINK, ['handouts/passage-plan']],
  [NV, 'Passage plan', '12.5', '14.5 09:00', LINK, ['handouts/passage-plan'], 'draft'],
  [SR, 'Splice sampler', '2.2', '4.2 13:00', 'Brought to class', ['handouts/splices']],
  [SR, 'Sail plan critique', '6.2', '7.2 13:00', LINK, ['handouts/sail-plan']],
  [
    SR,
    'Rig inspection report',
    '9.2',
    '11.3 17:00',
    LINK,
    ['handouts/rig-inspection'],
    { from: '9.2 08:00' },
  ],
  [BM, 'Yard budget', '3.3', '5.5 23:59', LINK, ['handouts/budget']],
  [BM, 'Slipway schedule', '6.3', '7.3 23:59', LINK, ['handouts/slipway']],
];

const EVENTS: readonly DemoEvent[] = [
  [HL, 'Bevel workshop', '6.2 09:15', '09:45', 'The loft', ['handouts/bevel-board', 'recordings/bevels']],
  [HL, 'Lofting demonstration', '6.4 12:30', '13:30', 'The loft', ['recordings/lofting-demo']],
  [HL, 'Practical examination', '15.2 10:00', '13:00', 'The loft'],
  [NV, 'Midterm', '6.5 10:30', '11:45', 'Chart room'],
  [NV, 'Harbour sail', '4.6 08:30', '13:00', 'Town quay'],
  [NV, 'Chartwork examination', '15.4 13:00', '16:00', 'Chart room', [], 'draft'],
  [SR, 'Visit to the sail loft', '6.3 14:45', '16:30', 'Breakwater Road'],
  [SR, 'Rig walk', '8.2 13:00', '14:30', 'The hard'],
  [BM, 'Guest: insuring a yard', '7.4 15:00', '16:00', 'Room 4'],
];

const LABELS: Readonly<Record<string, string>> = {
  handouts: 'Handout',
  recordings: 'Recording',
  quizzes: 'Quiz',
};

/** Links lead to the library stand-in's address. */
function linksTo(paths: readonly string[], library: string): Link[] {
  return paths.map((path) => {
    const [shelf = '', name = ''] = path.split('/');
    return {
      url: `${library}/${path}`,
      label: `${LABELS[shelf] ?? ''}: ${name.replaceAll('-', ' ')}`,
      staffOnly: false,
    };
  });
}

export function demoEntries(term: DemoTerm, library: string, now: Temporal.Instant): Entry[] {
  const zone = requireZone(term.tzid);
  const date = (text: string) => {
    const [week, weekday] = text.split('.').map(Number);
    return term.day(week!, weekday!);
  };
  const wall = (at: string) => {
    const [day = '', time = ''] = at.split(' ');
    return date(day).toPlainDateTime(T.PlainTime.from(time));
  };
  const visibility = (release: Release): EntryInput['visibility'] =>
    release === undefined
      ? { kind: 'visible' }
      : release === 'draft'
        ? { kind: 'draft' }
        : { kind: 'from', from: wall(release.from) };
  const common = (course: DemoCourse, title: string, links: string[] | undefined, release: Release) => ({
    title,
    description: '',
    audience: [{ course: course.id }],
    links: linksTo(links ?? [], library),
    visibility: visibility(release),
  });
  const inputs: EntryInput[] = [
    ...ASSIGNMENTS.map(([course, title, set, due, handIn, links, release]): EntryInput => ({
      ...common(course, title, links, release),
      kind: 'assignment',
      setOn: date(set),
      due: wall(due),
      handIn,
    })),
    ...EVENTS.map(([course, title, start, end, place, links, release]): EntryInput => ({
      ...common(course, title, links, release),
      kind: 'event',
      start: wall(start),
      end: wall(start).withPlainTime(T.PlainTime.from(end)),
      place,
    })),
  ];
  return inputs.map((input) => {
    const name = `${input.audience[0]!.course} ${input.kind} ${input.title}`;
    const identity = {
      id: demoId<EntryId>(name),
      uid: demoId<string>(`uid ${name}`),
      sequence: 0,
      created: now,
    };
    return entryFromInput(input, identity, zone, now);
  });
}
