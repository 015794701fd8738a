import { z } from 'zod';

/**
 * Ids are branded where their format is checked. A uuid for everything that is addressed; a person's feed token
 * is something else (`server/outlets/token.ts`).
 */
const id = <T extends string>() => z.uuid({ error: 'This is not the id of anything.' }).brand<T>();

export const personId = id<'PersonId'>();
export type PersonId = z.infer<typeof personId>;
export const termId = id<'TermId'>();
export type TermId = z.infer<typeof termId>;
export const courseId = id<'CourseId'>();
export type CourseId = z.infer<typeof courseId>;
/** Some courses, each once however often it is named. */
export const courseIds = z
  .array(courseId)
  .min(1, 'Choose at least one course.')
  .max(30, 'At most 30 courses at once.')
  .transform((ids) => [...new Set(ids)]);
export const sectionId = id<'SectionId'>();
export type SectionId = z.infer<typeof sectionId>;
export const groupId = id<'GroupId'>();
export type GroupId = z.infer<typeof groupId>;
export const siteDateId = id<'SiteDateId'>();
export type SiteDateId = z.infer<typeof siteDateId>;
export const entryId = id<'EntryId'>();
export type EntryId = z.infer<typeof entryId>;
export const sheetId = id<'SheetId'>();
export type SheetId = z.infer<typeof sheetId>;
export const slotId = id<'SlotId'>();
export type SlotId = z.infer<typeof slotId>;
export const bookingId = id<'BookingId'>();
export type BookingId = z.infer<typeof bookingId>;
export const outletId = id<'OutletId'>();
export type OutletId = z.infer<typeof outletId>;
export const classPlanId = id<'ClassPlanId'>();
export type ClassPlanId = z.infer<typeof classPlanId>;
export const historyId = id<'HistoryId'>();
export type HistoryId = z.infer<typeof historyId>;
export const closureId = id<'ClosureId'>();
export type ClosureId = z.infer<typeof closureId>;
export const materialId = id<'MaterialId'>();
export type MaterialId = z.infer<typeof materialId>;
export const meetingId = id<'MeetingId'>();
export type MeetingId = z.infer<typeof meetingId>;
export const calendarId = id<'CalendarId'>();
export type CalendarId = z.infer<typeof calendarId>;
export const fileId = id<'FileId'>();
export type FileId = z.infer<typeof fileId>;
