/** A zone by its city, with its name: `Halifax time (America/Halifax)`. */
export function zoneWords(tzid: string): string {
  const city = tzid.slice(tzid.lastIndexOf('/') + 1).replaceAll('_', ' ');
  return tzid.includes('/') ? `${city} time (${tzid})` : tzid;
}

/** Zones to choose from, the one of the device first. */
export const zonesFrom = (zones: readonly string[], device: string): readonly string[] =>
  zones.includes(device) ? [device, ...zones.filter((zone) => zone !== device)] : zones;
