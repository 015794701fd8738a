import type { PersonSettings } from '@/core/frame/personSettings';
import { NO_PERSON_SETTINGS } from '@/core/frame/personSettings';
import { inZone } from '@/core/icalendar/readMoment';
import type { PersonId } from '@/core/ids';
import { trustTexts } from '@/core/texts/trust';
import { momentLabel } from '@/core/time/dateLabels';
import type { Moment } from '@/core/time/zonedWall';
import { isDay } from '@/core/time/zonedWall';
import type { Reader } from '@/data/reader';
import { schoolSettings } from '@/data/plan/schoolSettings';
import { allPersonSettings, personSettings } from '@/data/students/students';
import { wantedLocale } from './settings';

/** How somebody reads dates: their way of writing them and their clock, and their zone where they chose one. */
export type Reading = Readonly<{ locale: string; tzid?: string }>;

export async function readingOf(reader: Reader, person: PersonId): Promise<Reading> {
  const [settings, { locale }] = await Promise.all([personSettings(reader, person), schoolSettings(reader)]);
  return asChosen(settings, locale);
}

/** How somebody reads dates by what they have chosen, in a school that writes them in a locale. */
export const asChosen = (settings: PersonSettings, school: string): Reading => ({
  locale: wantedLocale(settings, school),
  ...(settings.tzid ? { tzid: settings.tzid } : {}),
});

/** How everybody reads dates: asked for once where many are told. Those who read alike share one reading. */
export async function allReadings(reader: Reader): Promise<(person: PersonId) => Reading> {
  const [settings, { locale }] = await Promise.all([allPersonSettings(reader), schoolSettings(reader)]);
  const shared = new Map<string, Reading>();
  const one = (reading: Reading): Reading => {
    const key = `${reading.locale} ${reading.tzid ?? ''}`;
    if (!shared.has(key)) shared.set(key, reading);
    return shared.get(key)!;
  };
  const usual = one(asChosen(NO_PERSON_SETTINGS, locale));
  return (person) => {
    const chosen = settings.get(person);
    return chosen ? one(asChosen(chosen, locale)) : usual;
  };
}

/** A moment as somebody reads it; where their clocks differ, by theirs as well. */
export function momentFor(moment: Moment, { locale, tzid }: Reading): string {
  const plain = momentLabel(moment, locale);
  if (!tzid || isDay(moment) || moment.tzid === tzid) return plain;
  return trustTexts.own({ when: plain, own: momentLabel(inZone(moment, tzid), locale) });
}
