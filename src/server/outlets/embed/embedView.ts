import type { EmbedView } from '@/core/outlets/outlet';
import type { EmbedContext } from './embedContext';
import type { Html } from './html';

/** One way to show an outlet. A page holds until time changes it: `minute` where what is over goes, `day` where today is marked. */
export type EmbedViewPage = Readonly<{
  id: EmbedView;
  changes: 'minute' | 'day';
  page: (context: EmbedContext) => Html;
}>;
