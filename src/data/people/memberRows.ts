import { randomUUID } from 'node:crypto';
import type { StaffRole } from '@/core/may/role';
import type { Rows } from '../rows';

type Place = Readonly<{ course: string; person: string }>;

/** Somebody on a course's staff: in all sections and for good, unless said otherwise. */
export const staffRow = ({
  course,
  person,
  role,
  sections,
  from,
  until,
}: Place &
  Readonly<{
    role: StaffRole;
    sections?: readonly string[];
    /** The first and the last day of a substitute, `2026-10-15`. */
    from?: string;
    until?: string;
  }>): Rows['staff'] => ({
  id: randomUUID(),
  course_id: course,
  person_id: person,
  role,
  sections: sections && sections.length > 0 ? JSON.stringify(sections) : null,
  from_date: from ?? null,
  until_date: until ?? null,
});

/** Somebody on a course's roster since an instant. `listedName`: what a list called them, while they have not come to the course. */
export const rosterRow = ({
  course,
  person,
  section,
  listedName,
  joinedAtMs,
}: Place &
  Readonly<{ section?: string | null; listedName?: string; joinedAtMs?: number }>): Rows['roster'] => ({
  id: randomUUID(),
  course_id: course,
  section_id: section ?? null,
  person_id: person,
  listed_name: listedName ?? null,
  joined_at: joinedAtMs ?? null,
});
