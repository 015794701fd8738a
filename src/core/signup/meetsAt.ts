/** Where people meet: a place, or a link into a meeting, or both. */
export type MeetsAt = Readonly<{ place: string; meetingLink: string }>;

/** Where one meets at a time of a sheet: where the sheet says, unless the time has a place or a link of its own. */
export const meetsAt = (sheet: MeetsAt, slot: Partial<MeetsAt>): MeetsAt =>
  slot.place || slot.meetingLink
    ? { place: slot.place ?? '', meetingLink: slot.meetingLink ?? '' }
    : { place: sheet.place, meetingLink: sheet.meetingLink };
