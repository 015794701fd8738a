import packed from 'moment-timezone/data/packed/latest.json';
import type { Zone } from './zone';

/**
 * The IANA zone data as moment-timezone packs it (MIT; the data alone is used): one source for expansion, pages,
 * feeds and VTIMEZONE. Node's own data is out of date for twelve zones from 2026 on, see docs/decisions.md.
 */
export const zoneDataVersion: string = packed.version;

const packedByName = new Map<string, string>(
  packed.zones.map((line) => [line.slice(0, line.indexOf('|')), line]),
);
const targetOfLink = new Map<string, string>(
  packed.links.map((line) => {
    const [target = '', alias = ''] = line.split('|');
    return [alias, target];
  }),
);

/** Every name that `zoneNamed` knows, links included, in alphabetical order. */
export const zoneNames: readonly string[] = [...packedByName.keys(), ...targetOfLink.keys()].sort();

/**
 * The zones that countries have by now, by the names in use: what one chooses from. Old aliases are still understood.
 */
export const zonesInUse: readonly string[] = [
  ...new Set(packed.countries.flatMap((line) => line.slice(line.indexOf('|') + 1).split(' '))),
].sort();

/** A number in base 60 with digits 0-9a-zA-X, as the packed format writes it; a fraction may follow a dot. */
function fromBase60(text: string): number {
  const sign = text.startsWith('-') ? -1 : 1;
  const [whole = '', fraction = ''] = text.replace('-', '').split('.');
  const digit = (c: string) => {
    const code = c.charCodeAt(0);
    if (code > 96) return code - 87;
    return code > 64 ? code - 29 : code - 48;
  };
  let value = 0;
  for (const c of whole) value = value * 60 + digit(c);
  let unit = 1;
  for (const c of fraction) value += digit(c) * (unit /= 60);
  return sign * value;
}

function unpack(line: string, tzid: string): Zone {
  const [, , offsetList = '', indices = '', untilList = ''] = line.split('|');
  // Packed offsets are minutes west of UTC; the differences between transitions are minutes, too.
  const offsetTable = offsetList.split(' ').map((t) => Math.round(fromBase60(t) * -60) + 0);
  const offsets = [...indices].map((c) => offsetTable[fromBase60(c)]!);
  let at = 0;
  const untils = untilList
    .split(' ')
    .filter(Boolean)
    .map((t) => (at = Math.round((at / 60_000 + fromBase60(t)) * 60_000)));
  return { tzid, offsets, untils: [...untils, Infinity] };
}

const unpacked = new Map<string, Zone>();

/** The zone of an IANA name (links are followed, the name is kept), or undefined when there is none. */
export function zoneNamed(tzid: string): Zone | undefined {
  const known = unpacked.get(tzid);
  if (known) return known;
  const line = packedByName.get(tzid) ?? packedByName.get(targetOfLink.get(tzid) ?? '');
  if (!line) return undefined;
  const zone = unpack(line, tzid);
  unpacked.set(tzid, zone);
  return zone;
}

/** @throws RangeError for a name that was not checked when it was stored. */
export function requireZone(tzid: string): Zone {
  const zone = zoneNamed(tzid);
  if (!zone) throw new RangeError(`Unknown time zone: ${tzid}`);
  return zone;
}
