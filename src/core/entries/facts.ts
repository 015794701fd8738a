import type { PersonId } from '../ids';
import type { CourseAudience } from './entry';
import type { ZonedWall } from '../time/zonedWall';
import type { AnnouncementEntry, AssignmentEntry, EventEntry, NoteEntry } from './entry';
import type { PlainVisibility } from './entry';

/** What grows with each change, by the one function that saves. */
export type Stamps = Readonly<Pick<EventEntry, 'sequence' | 'created' | 'lastModified'>>;

type SharedFactsOf<E> = Omit<E, keyof Stamps | 'visibility' | 'hiddenAfter' | 'sectionDates'> &
  Readonly<{ visibility: PlainVisibility; hiddenAfter?: Readonly<{ wall: ZonedWall }> }>;

export type EventFacts = SharedFactsOf<EventEntry>;
export type AssignmentFacts = SharedFactsOf<AssignmentEntry>;
export type SharedFacts = EventFacts | AssignmentFacts | SharedFactsOf<AnnouncementEntry>;
export type NoteFacts = Omit<NoteEntry, keyof Stamps>;

/**
 * What somebody wrote of an entry, without what follows from it: instants, dates by class, its sequence. An entry is its own
 * facts; what has been derived in it is taken anew by `derived`.
 */
export type EntryFacts = SharedFacts | NoteFacts;

/** What a save is about, for whoever asks whether somebody may: courses with their sections, or a note's author. */
export const subjectOfEntry = (
  facts: EntryFacts,
): Readonly<{ parts: readonly CourseAudience[]; owner?: PersonId }> =>
  facts.kind === 'note' ? { parts: [], owner: facts.author } : { parts: facts.audience };
