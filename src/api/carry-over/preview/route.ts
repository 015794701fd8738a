import { carryInput } from '@/core/carryover/carry';
import { previewCarryOver } from '@/server/carryover/carryOverPlan';
import { carryView } from '@/ui/carryover/carryView';
import { endpoint } from '../../endpoint';

/** What comes of everything in a course when it is carried over to another; nothing is saved. */
export const POST = endpoint(
  { who: 'person', body: carryInput, bytes: 2 * 1024 * 1024 },
  async ({ pembit, actor, body }) => {
    const preview = await previewCarryOver(pembit, actor, body);
    return preview.ok ? { ...preview, value: carryView(preview.value) } : preview;
  },
);
