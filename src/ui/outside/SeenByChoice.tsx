'use client';
import type { OutsideCalendar } from '@/core/outside/outsideCalendar';
import { outsideTexts as say } from '@/core/texts/outside';
import { Choice } from '../controls/Choice';

const OPTIONS = (['everyone', 'staff'] as const).map((value) => ({ value, label: say.seenByOptions[value] }));

type SeenBy = OutsideCalendar['seenBy'];

/** Who sees a calendar beside the plan. */
export const SeenByChoice = ({ value, onChange }: { value: SeenBy; onChange: (value: SeenBy) => void }) => (
  <Choice label={say.seenBy} value={value} column options={OPTIONS} onChange={onChange} />
);
