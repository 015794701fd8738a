/** The city by which a zone is named: `Halifax`. */
export const cityOf = (tzid: string): string => tzid.slice(tzid.lastIndexOf('/') + 1).replaceAll('_', ' ');

/** A zone by its city, with its name: `Halifax time (America/Halifax)`. */
export const zoneWords = (tzid: string): string =>
  tzid.includes('/') ? `${cityOf(tzid)} time (${tzid})` : tzid;

/** Zones to choose from, the one of the device first. */
export const zonesFrom = (zones: readonly string[], device: string): readonly string[] =>
  zones.includes(device) ? [device, ...zones.filter((zone) => zone !== device)] : zones;
