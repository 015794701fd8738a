import { randomUUID } from 'node:crypto';
import type { CourseId } from '@/core/ids';
import { mayIn } from '@/core/may/may';
import type { Outcome } from '@/core/refusals';
import { done, refused } from '@/core/refusals';
import { frameHistoryTexts } from '@/core/texts/frameHistory';
import { themeRowsOf } from '@/data/plan/frameStore';
import { perform } from '../history/perform';
import type { Pembit } from '../pembit';
import type { SignedIn } from '../session/session';

/** Says what each week of a course is about; `themes[0]` is week 1, an empty one is none. */
export function writeThemes(
  pembit: Pembit,
  actor: SignedIn,
  course: CourseId,
  themes: readonly string[],
): Promise<Outcome<{ themes: number }>> {
  return perform(pembit, actor, 'writeThemes', async (change) => {
    if (!mayIn(actor, 'writeThemes', course)) return refused('notFound');
    const wanted = new Map(themes.flatMap((theme, i) => (theme ? [[i + 1, theme] as const] : [])));
    for (const row of await themeRowsOf(change, course)) {
      const theme = wanted.get(row.week);
      if (theme === undefined) await change.remove('themes', row.id);
      else await change.update('themes', row.id, { theme });
      wanted.delete(row.week);
    }
    await change.insert(
      'themes',
      [...wanted].map(([week, theme]) => ({ id: randomUUID(), course_id: course, week, theme })),
    );
    change.concerns(`course:${course}`);
    change.summarise(frameHistoryTexts.wroteThemes);
    return done({ themes: themes.filter(Boolean).length });
  });
}
