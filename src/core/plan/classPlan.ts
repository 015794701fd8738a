import type { Temporal } from 'temporal-polyfill';
import type { Link } from '../entries/entry';
import type { ClassPlanId, CourseId, MeetingId, SectionId } from '../ids';
import type { Strand } from '../time/classNumber';

export type Binding = Readonly<{ section: SectionId; meeting: MeetingId }>;

/** What is taught in a class. It stands on one meeting in each section; a meeting that is gone leaves it waiting. */
export type ClassPlan = Readonly<{
  id: ClassPlanId;
  course: CourseId;
  title: string;
  /** Formatted text. */
  description: string;
  links: readonly Link[];
  /** Holds its date: an exam. */
  pinned: boolean;
  bindings: readonly Binding[];
  /** What it is planned for, where that counts apart from the classes. */
  strand?: Strand;
  sequence: number;
  created: Temporal.Instant;
  lastModified: Temporal.Instant;
}>;

/** What somebody wrote of a class plan: its sequence and dates grow where it is saved, and its strand is that of its class. */
export type ClassPlanFacts = Omit<ClassPlan, 'sequence' | 'created' | 'lastModified' | 'strand'>;
