import type { VFreeBusy } from '../icalendar/calendar';
import { freeOf } from '../signup/seenSheet';
import type { OutletContents } from './outletContents';

/** The office hours of an outlet as times that are free and times that are taken; nobody's name. Undefined without any. */
export function officeFreeBusy(
  { plan, has }: Pick<OutletContents, 'plan' | 'has'>,
  { uid, url }: Readonly<{ uid: string; url: string }>,
): VFreeBusy | undefined {
  if (!has('times')) return undefined;
  const sheets = plan.sheets;
  const periods = sheets
    .flatMap(({ slots }) => slots)
    .map((slot) => ({ type: freeOf(slot) > 0 ? ('FREE' as const) : ('BUSY' as const), ...slot.interval }))
    .sort((a, b) => a.start.epochMilliseconds - b.start.epochMilliseconds);
  if (periods.length === 0) return undefined;
  const stamps = sheets.flatMap(({ lastModified, uses }) => [
    lastModified,
    ...(uses.last ? [uses.last] : []),
  ]);
  const dtstamp = stamps.reduce((a, b) => (b.epochMilliseconds > a.epochMilliseconds ? b : a));
  return { uid, dtstamp, url, periods };
}
