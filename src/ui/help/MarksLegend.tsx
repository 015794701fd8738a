'use client';
import { markTexts as marks } from '@/core/texts/marks';
import { TermItem } from '../term/TermItem';
import type { GridItem } from '../term/termMarks';
import styles from './Help.module.css';

const HL = [{ tag: 'HL', color: 'brick' }];
const mark = (kind: GridItem['kind'], words: string, more: Partial<GridItem> = {}): GridItem => ({
  key: words,
  kind,
  words,
  title: 'Bevel board',
  date: '',
  start: '',
  tags: HL,
  planned: false,
  release: 'shown',
  cancelled: false,
  news: false,
  movable: false,
  ...more,
});
const SAMPLES: readonly GridItem[] = [
  mark('class', marks.class, { planned: true, time: '10:00', title: 'Bevels' }),
  mark('class', marks.empty, { ordinal: '12', long: 'Class 12', title: '' }),
  mark('event', marks.event, { time: '13:00', title: 'Slipway visit' }),
  mark('due', marks.due, { by: 'by 17:00' }),
  mark('set', marks.set, { title: 'set: Bevel board' }),
  mark('times', marks.times, { time: '12:00', boxes: [true, true, false, false] }),
  mark('note', marks.note, { tags: [], title: 'Order cedar' }),
  mark('announcement', marks.announcement, { title: 'Bring gloves' }),
  mark('outside', marks.outside, { tags: [], title: 'Parents’ evening' }),
  mark('event', marks.later, { release: 'draft', time: '13:00', title: 'Guest talk' }),
  mark('event', marks.cancelled, { cancelled: true, time: '09:00', title: 'Open loft' }),
  mark('due', marks.news, { news: true, by: 'by 17:00' }),
];

/** One mark of each kind and state beside what it says; what students do not see, for staff alone. */
export function MarksLegend({ staff }: { staff: boolean }) {
  return (
    <dl className={styles.legend}>
      {SAMPLES.filter((item) => staff || item.release === 'shown').map((item) => (
        <div key={item.words}>
          <dt>
            <TermItem item={item} selected={false} picked={false} onOpen={() => undefined} />
          </dt>
          <dd>{item.words}</dd>
        </div>
      ))}
    </dl>
  );
}
