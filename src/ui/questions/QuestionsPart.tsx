import type { Temporal } from 'temporal-polyfill';
import type { SeenPlan } from '@/core/plan/seenPlan';
import { momentLabel } from '@/core/time/dateLabels';
import type { ZoneLookup } from '@/core/time/zone';
import { zonedWallAt } from '@/core/time/zone';
import type { SeenQuestion } from '@/core/questions/question';
import { Questions } from './Questions';
import { questionLines } from './questionsView';

/** The questions under an entry or a class, as a page draws them; nothing where nobody asks and nobody may. */
export function QuestionsPart({
  about,
  on,
  plan,
  tzid,
  zoneOf,
}: {
  about: string;
  on: Readonly<{
    mayAsk: boolean;
    mayAnswer: boolean;
    choice?: Readonly<{ own?: boolean; byCourse: boolean }>;
    items: readonly SeenQuestion[];
  }>;
  plan: Pick<SeenPlan, 'locale'>;
  tzid: string;
  zoneOf: ZoneLookup;
}) {
  const when = (at: Temporal.Instant) => momentLabel(zonedWallAt(zoneOf(tzid), at), plan.locale);
  const { mayAsk, mayAnswer, choice } = on;
  return (
    <Questions
      about={about}
      lines={questionLines(on.items, when)}
      mayAsk={mayAsk}
      mayAnswer={mayAnswer}
      choice={choice}
    />
  );
}
