import type { Temporal } from 'temporal-polyfill';
import { Temporal as T } from 'temporal-polyfill';
import type { MaterialId } from '@/core/ids';
import type { Material, MaterialKind } from '@/core/materials/material';
import { toInstant } from '@/core/time/zone';
import { requireZone } from '@/core/time/zoneData';
import type { DemoTerm } from './calendar';
import type { DemoCourse } from './courses';
import { BM, HL, NV, SR } from './courses';
import { demoId } from './demoIds';

/** `shelf/name: Title` on the library stand-in's shelves; `page: Title: text` is written in Pembit. */
type DemoUnit = Readonly<{ title: string; week: number; items: readonly string[] }>;

const UNITS: readonly (readonly [DemoCourse, readonly DemoUnit[]])[] = [
  [
    HL,
    [
      {
        title: 'Lines and offsets',
        week: 1,
        items: [
          'handouts/lines-plan: The lines plan',
          'handouts/offsets-table-4: Table of offsets',
          'recordings/batten-bending: Bending a batten',
          'page: Before the first class: Bring a rule, a soft pencil and shoes that may get dusty.',
        ],
      },
      {
        title: 'Fairing',
        week: 3,
        items: [
          'handouts/fairing: Fairing the sheer',
          'recordings/checking-the-fair-moved: Checking the fair',
        ],
      },
      {
        title: 'Bevels',
        week: 6,
        items: [
          'handouts/bevel-board: The bevel board',
          'recordings/bevels: Taking bevels',
          'quizzes/bevels-slow: Bevels, for practice',
        ],
      },
      {
        title: 'Moulds',
        week: 7,
        items: ['handouts/moulds: Making a mould', 'handouts/stations-lost: Stations 2 to 6'],
      },
      {
        title: 'Backbone',
        week: 9,
        items: ['handouts/rabbet: The rabbet', 'recordings/stem: A stem from one piece'],
      },
      {
        title: 'Planking',
        week: 11,
        items: ['handouts/spiling: Spiling', 'recordings/garboard: Hanging a garboard'],
      },
    ],
  ],
  [
    NV,
    [
      {
        title: 'Charts',
        week: 1,
        items: ['handouts/chart-symbols: Chart symbols', 'quizzes/chart-symbols: Symbols quiz'],
      },
      {
        title: 'Tides',
        week: 5,
        items: ['handouts/tide-tables: Reading tide tables', 'quizzes/tide-tables: Tide-table quiz'],
      },
      { title: 'Passages', week: 9, items: ['handouts/passage-plan: The passage plan'] },
    ],
  ],
  [
    SR,
    [
      {
        title: 'Splices',
        week: 1,
        items: ['handouts/splices: Five splices', 'recordings/splices: Splices, slowly'],
      },
    ],
  ],
  [BM, [{ title: 'The yard’s year', week: 1, items: ['handouts/budget: A yard budget'] }]],
];

const KINDS: Readonly<Record<string, MaterialKind>> = {
  handouts: 'webContent',
  recordings: 'recording',
  quizzes: 'test',
};

/** The outlines of the four courses; what a later week is about waits for its Monday. */
export function demoMaterials(term: DemoTerm, library: string, now: Temporal.Instant): Material[] {
  const zone = requireZone(term.tzid);
  const common = { sequence: 0, created: now, lastModified: now };
  return UNITS.flatMap(([course, units]) =>
    units.flatMap(({ title, week, items }, position) => {
      const id = demoId<MaterialId>(`${course.code} unit ${title}`);
      const wall = term.day(week, 1).toPlainDateTime(T.PlainTime.from('08:00'));
      const later =
        week > 8 ? { visibleFrom: { wall: { wall, tzid: term.tzid }, at: toInstant(zone, wall) } } : {};
      const unit: Material = {
        ...common,
        id,
        course: course.id,
        position,
        kind: 'unit',
        title,
        url: '',
        text: '',
        ...later,
      };
      return [unit, ...items.map((item, i) => itemOf(course, unit, item, i))];
    }),
  );

  function itemOf(course: DemoCourse, unit: Material, item: string, position: number): Material {
    const [place = '', name = '', text = ''] = item.split(': ');
    const [shelf = ''] = place.split('/');
    const page = place === 'page';
    return {
      ...common,
      id: demoId<MaterialId>(`${course.code} ${unit.title} ${item}`),
      course: course.id,
      parent: unit.id,
      position,
      kind: page ? 'page' : (KINDS[shelf] ?? 'webLink'),
      title: name,
      url: page ? '' : `${library}/${place}`,
      text: page ? `<p>${text}</p>` : '',
    };
  }
}
