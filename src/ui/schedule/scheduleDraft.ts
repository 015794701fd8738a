import type { ProposedLine, ScheduleAsk } from '@/core/schedule/scheduleLine';

/** A line as the server proposes it, and as it is corrected. `takes`: whether it is planned. */
export type Draft = ProposedLine & Readonly<{ key: number; takes: boolean }>;

/** Whether a line plans anything. */
export const plans = ({ kind }: Pick<ProposedLine, 'kind'>): boolean =>
  kind !== 'heading' && kind !== 'nothing';

/** What stands in the plan already is not taken; nor is what would write over a topic, until it is ticked. */
export const draftsOf = (lines: readonly ProposedLine[]): Draft[] =>
  lines.map((line, key) => ({ ...line, key, takes: line.state === 'new' && line.kind !== 'times' }));

/** Office hours are offered on their own page; a line that is asked about waits for its answer. */
export const isTaken = (line: Draft): boolean => plans(line) && line.takes && line.kind !== 'times';

export const isOpen = (line: Draft): boolean => isTaken(line) && line.asks.length > 0;

/** A line with a question answered. */
export const answered = (line: Draft, { field }: ScheduleAsk, value: string): Draft => ({
  ...line,
  [field]: value,
  asks: line.asks.filter((ask) => ask.field !== field),
});

/** A line with something written by hand; what was asked about it is answered. */
export const corrected = (line: Draft, changes: Partial<Draft>): Draft => ({
  ...line,
  ...changes,
  asks: line.asks.filter(({ field }) => !(field in changes)),
});

const FIELDS = ['text', 'kind', 'title', 'date', 'to', 'time', 'end', 'set', 'opens', 'closes', 'link', 'points'] as const; // prettier-ignore

/** What is sent: what is taken, without what was left empty. */
export const sentLines = (drafts: readonly Draft[]) =>
  drafts.filter(isTaken).map((line) => Object.fromEntries(FIELDS.flatMap((field) => (line[field] === undefined || line[field] === '' ? [] : [[field, line[field]]])))); // prettier-ignore
