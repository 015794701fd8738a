import { Temporal } from 'temporal-polyfill';
import { findIana } from 'windows-iana';
import { readingTexts } from '../texts/reading';
import { instantMs, toInstant, toWall } from '../time/zone';
import type { Zone } from '../time/zone';
import { requireZone, zoneNamed } from '../time/zoneData';
import type { Moment, ZonedWall } from '../time/zonedWall';
import { isDay } from '../time/zonedWall';
import type { Component } from './components';
import { property } from './components';
import type { ContentLine } from './contentLines';

/** How the zone names of one file are understood. `tzid` is an IANA name; `why` says where it is not what was written. */
export type ZoneReading = (name: string) => Readonly<{ tzid: string; why?: string }>;

/** The IANA name at the end of what some programs write before it: `/vendor.example/20260101_1/Europe/Lisbon`. */
function nameAtEnd(name: string): string | undefined {
  const parts = name.split('/').filter(Boolean);
  for (let n = Math.min(3, parts.length); n >= 1; n--) {
    const candidate = parts.slice(-n).join('/');
    if (n > 1 && zoneNamed(candidate)) return candidate;
  }
  return undefined;
}

/**
 * IANA names as they are; Windows names by the mapping of the Unicode CLDR; else what the file's own VTIMEZONE says it
 * is; else the zone of `fallback`, with a word about it.
 */
export function zoneReading(roots: readonly Component[], fallback: string): ZoneReading {
  const own = new Map<string, string>();
  for (const zone of roots.flatMap((root) => root.children.filter((c) => c.name === 'VTIMEZONE'))) {
    const location = property(zone, 'X-LIC-LOCATION')?.value.trim() ?? '';
    const tzid = property(zone, 'TZID')?.value.trim();
    if (tzid && zoneNamed(location)) own.set(tzid, location);
  }
  const known = new Map<string, ReturnType<ZoneReading>>();
  const find = (name: string): ReturnType<ZoneReading> => {
    if (/^(utc|gmt|z|etc\/utc)$/i.test(name)) return { tzid: 'UTC' };
    if (zoneNamed(name)) return { tzid: name };
    const windows = findIana(name).find((candidate) => zoneNamed(candidate));
    if (windows) return { tzid: windows, why: readingTexts.zoneTaken(name, windows) };
    const close = own.get(name) ?? nameAtEnd(name);
    if (close) return { tzid: close, why: readingTexts.zoneTaken(name, close) };
    return { tzid: fallback, why: readingTexts.zoneUnknown(name, fallback) };
  };
  return (name) => {
    const found = known.get(name) ?? find(name);
    known.set(name, found);
    return found;
  };
}

const DATE = /^(\d{4})(\d{2})(\d{2})$/;
const TIME = /^(\d{4})(\d{2})(\d{2})T(\d{2})(\d{2})(\d{2})?(Z)?$/i;
const [FIRST_YEAR, LAST_YEAR] = [1970, 2100];

export type ReadMoment =
  Readonly<{ ok: true; moment: Moment; why?: string }> | Readonly<{ ok: false; why: string }>;

/** A DATE or DATE-TIME value (RFC 5545 sections 3.3.4 and 3.3.5); a time without any zone is one of `floating`. */
export function readMoment(
  { value, params }: Pick<ContentLine, 'value' | 'params'>,
  { zoneOf, floating }: Readonly<{ zoneOf: ZoneReading; floating: string }>,
): ReadMoment {
  const text = value.trim();
  const day = DATE.exec(text);
  const time = TIME.exec(text);
  const parts = day ?? time;
  if (!parts) return { ok: false, why: readingTexts.noDate(text) };
  const [year, month, date] = parts.slice(1, 4).map(Number) as [number, number, number];
  if (year < FIRST_YEAR || year > LAST_YEAR) return { ok: false, why: readingTexts.yearOut({ year }) };
  try {
    if (day) {
      const plain = Temporal.PlainDate.from({ year, month, day: date }, { overflow: 'reject' });
      return { ok: true, moment: plain };
    }
    // A leap second is the second before it.
    const second = Math.min(59, Number(time![6] ?? 0));
    const wall = Temporal.PlainDateTime.from(
      { year, month, day: date, hour: Number(time![4]), minute: Number(time![5]), second },
      { overflow: 'reject' },
    );
    if (time![7]) return { ok: true, moment: { wall, tzid: 'UTC' } };
    const name = params.get('TZID');
    if (name === undefined) return { ok: true, moment: { wall, tzid: floating } };
    const { tzid, why } = zoneOf(name);
    return { ok: true, moment: { wall, tzid }, why };
  } catch {
    return { ok: false, why: readingTexts.noDate(text) };
  }
}

export const zoneOfMoment = ({ tzid }: ZonedWall): Zone => requireZone(tzid);

/** The same instant by the clocks of another zone; a day stays a day. */
export function inZone(moment: Moment, tzid: string): Moment {
  if (isDay(moment) || moment.tzid === tzid) return moment;
  return { wall: toWall(requireZone(tzid), toInstant(zoneOfMoment(moment), moment.wall)), tzid };
}

/** The instant of a moment in epoch milliseconds; a day's begins with it in `tzid`. */
export const momentMs = (moment: Moment, tzid: string): number =>
  isDay(moment)
    ? instantMs(requireZone(tzid), moment.toPlainDateTime())
    : instantMs(zoneOfMoment(moment), moment.wall);

const DURATION =
  /^([+-])?P(?:(\d{1,4})W)?(?:(\d{1,5})D)?(?:T(?:(\d{1,5})H)?(?:(\d{1,6})M)?(?:(\d{1,7})S)?)?$/i;

/** Where a DURATION from a start ends: its days are nominal, its hours exact (RFC 5545 section 3.3.6); undefined if it is none. */
export function afterDuration(start: Moment, text: string): Moment | undefined {
  const match = DURATION.exec(text.trim());
  if (!match || match[1] === '-') return undefined;
  const [weeks, days, hours, minutes, seconds] = match.slice(2).map((part) => Number(part ?? 0)) as [
    number, number, number, number, number,
  ]; // prettier-ignore
  const nominal = { weeks, days };
  if (isDay(start)) return start.add(nominal);
  const zone = zoneOfMoment(start);
  const exact = toInstant(zone, start.wall.add(nominal)).add({ hours, minutes, seconds });
  return { wall: toWall(zone, exact), tzid: start.tzid };
}
