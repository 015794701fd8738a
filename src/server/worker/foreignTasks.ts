import type { CartridgeReading, CartridgeRefusal, Manifest } from '@/core/exchange/readCartridge';
import type { OneRosterReading, readOneRoster } from '@/core/roster/readOneRoster';
import type { ScheduleFileText, scheduleFileText } from '../schedule/scheduleFileText';
import type { PlainCalendar } from '../outside/plainCalendar';

type CalendarSource = Readonly<{ octets?: Uint8Array; path?: string; tzid: string }>;
type CartridgeSource = Readonly<{
  manifest: Manifest;
  texts: ReadonlyMap<string, Uint8Array>;
  names: ReadonlySet<string>;
}>;

/**
 * What is done with files that others wrote, in a thread of its own: whatever is in them, the server goes on answering. Plain
 * values go in and come out. Each loads what it needs alone: a thread begins with every file.
 */
export const FOREIGN_TASKS = {
  async calendar({ octets, path, tzid }: CalendarSource): Promise<PlainCalendar> {
    const { readFile } = await import('node:fs/promises');
    const { readCalendar } = await import('@/core/icalendar/readCalendar');
    const { toPlain } = await import('../outside/plainCalendar');
    return toPlain(readCalendar(octets ?? (await readFile(path!)), { tzid }));
  },
  async manifest(bytes: Uint8Array): Promise<Manifest | Readonly<{ refused: CartridgeRefusal }>> {
    const { readManifest } = await import('@/core/exchange/readCartridge');
    return readManifest(bytes);
  },
  async cartridge({ manifest, texts, names }: CartridgeSource): Promise<CartridgeReading> {
    const { readCartridge } = await import('@/core/exchange/readCartridge');
    const { sanitize } = await import('@/core/richText/sanitize');
    const read = readCartridge(manifest, texts, names);
    return {
      ...read,
      items: read.items.map((item) => ({ ...item, text: item.text && sanitize(item.text) })),
    };
  },
  async roster(texts: Parameters<typeof readOneRoster>[0]): Promise<OneRosterReading> {
    const roster = await import('@/core/roster/readOneRoster');
    return roster.readOneRoster(texts);
  },
  async schedule(file: Parameters<typeof scheduleFileText>[0]): Promise<ScheduleFileText> {
    const reading = await import('../schedule/scheduleFileText');
    return reading.scheduleFileText(file);
  },
  /** Whether a plan can be read; what is wrong with it as a sentence. */
  async plan(text: string): Promise<string | undefined> {
    const { parsePlan } = await import('../exchange/parsePlan');
    const read = parsePlan(text);
    return read.ok ? undefined : (read.fields?.[0]?.message ?? read.reason);
  },
} as const;
export type ForeignTask = keyof typeof FOREIGN_TASKS;
