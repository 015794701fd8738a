import type { Students } from '@/core/frame/students';
import type { StaffRole } from '@/core/may/role';

/** The tables as they are stored: plain values only. Times that happened and derived instants are epoch milliseconds. */
export type Rows = {
  people: {
    id: string;
    email: string;
    name: string;
    password_hash: string;
    is_admin: number;
    /** What the school's own system calls them (OneRoster's `sourcedId`). */
    sourced_id: string | null;
    created_at: number;
    deactivated_at: number | null;
    /** When they first came in, by any way. */
    came_at: number | null;
    /** The course whose list made them. */
    made_by_course: string | null;
  };
  /** One row. `retention` is JSON (`Retention`); `held_for` says why nothing is forgotten at present. */
  school: {
    id: string;
    name: string;
    locale: string;
    week_start: number;
    second_step_for_staff: number;
    students: Students;
    retention: string;
    held_for: string;
    course_megabytes: number;
    school_megabytes: number;
    notice: string;
    access_contact: string;
    access_statement: string;
  };
  /** `cycle` is JSON: the days that rotate. */
  terms: { id: string; name: string; starts_on: string; ends_on: string; tzid: string; cycle: string | null };
  courses: {
    id: string;
    term_id: string;
    code: string;
    title: string;
    tag: string;
    color: string;
    credits: number | null;
    weekly_hours: number | null;
    shares_titles: number;
    place: string;
    meeting_link: string;
    archived_at: number | null;
    /** Whether somebody brought the course back after it was archived. */
    reopened: number;
    /** Raised when the joining address is replaced; `join_hash` is null while nobody can join. */
    join_generation: number;
    join_hash: string | null;
  };
  course_groups: { id: string; course_id: string; name: string };
  group_members: { id: string; group_id: string; person_id: string };
  themes: { id: string; course_id: string; week: number; theme: string };
  site_dates: {
    id: string;
    term_id: string;
    name: string;
    starts_on: string;
    ends_before: string;
    at_time: string | null;
    created_at: number;
  };
  closures: {
    id: string;
    term_id: string;
    /** Null for the whole site. */
    course_id: string | null;
    /** JSON list of ids; null: all of the course. */
    sections: string | null;
    name: string;
    starts_on: string;
    ends_before: string;
    closes_at: string | null;
    opens_at: string | null;
    online: number;
    /** Of one that an outside calendar asks for: which calendar, and by which of its times. */
    calendar_id: string | null;
    source: string | null;
    created_at: number;
  };
  /** `classes` is a JSON list of `[weekday, name of a rotating day or `by week`, start, end, {weeks, place, strand}]`. */
  patterns: { id: string; section_id: string; from_date: string; classes: string };
  meetings: {
    id: string;
    section_id: string;
    place_in_pattern: string;
    ordinal: number;
    /** What it counts with; null for the course's classes. */
    strand: string | null;
    date: string;
    start_time: string;
    end_time: string;
    /** Of one that stands for a teaching week: the day after its last. */
    until_date: string | null;
    moved: number;
    cancelled: string | null;
    place: string | null;
    sequence: number;
    modified_at: number;
  };
  extra_classes: {
    id: string;
    section_id: string;
    date: string;
    start_time: string;
    end_time: string;
    place: string | null;
    strand: string | null;
  };
  /** `sections` is a JSON list of ids, null for all; the dates, both included, are those of a substitute. */
  staff: {
    id: string;
    course_id: string;
    person_id: string;
    role: StaffRole;
    sections: string | null;
    from_date: string | null;
    until_date: string | null;
  };
  /** The days, both included, on which it begins and ends, where they are not the term's. */
  sections: {
    id: string;
    course_id: string;
    name: string;
    first_day: string | null;
    last_day: string | null;
  };
  /** `listed_name` is what the list says, until the person has come to the course. */
  roster: {
    id: string;
    course_id: string;
    section_id: string | null;
    person_id: string;
    listed_name: string | null;
    /** Unknown of who was there before it was noted. */
    joined_at: number | null;
  };
  corrections: {
    id: string;
    course_id: string;
    person_id: string;
    name: string;
    email: string;
    asked_by: string | null;
    created_at: number;
  };
  offered_places: {
    id: string;
    course_id: string;
    section_id: string | null;
    person_id: string;
    listed_name: string;
    created_at: number;
  };
  /** `join_generation`: the joining address that held when they went. */
  departures: {
    id: string;
    course_id: string;
    person_id: string;
    join_generation: number;
    left_at: number | null;
    /** The section they were in. */
    section_id: string | null;
  };
  entries: {
    id: string;
    uid: string;
    kind: string;
    title: string;
    description: string;
    tzid: string;
    /** `2026-10-15` or `2026-10-15T17:00`; an assignment's due time. */
    start_local: string;
    end_local: string | null;
    start_at: number;
    set_on: string | null;
    set_uid: string | null;
    place: string;
    hand_in: string;
    visibility: 'draft' | 'visible' | 'from' | 'before';
    shown_from: string | null;
    shown_days_before: number | null;
    hidden_after: string | null;
    cancelled: string | null;
    /** Whose note it is. */
    author_id: string | null;
    meeting_link: string;
    meeting_name: string;
    meeting_text: string;
    rrule: string | null;
    /** JSON lists: local moments; overrides as `StoredOverride`. */
    exdates: string | null;
    /** A list of occurrences; null: the series takes place on days without classes, too. */
    closed: string | null;
    overrides: string | null;
    asks_coming: number;
    seats: number | null;
    opens_local: string | null;
    closes_local: string | null;
    /** JSON: the classes that dates follow, and what that comes to in each section (`StoredSectionDates`). */
    class_refs: string | null;
    section_dates: string | null;
    late_work: string | null;
    hand_in_again: number | null;
    late_policy: string;
    points: number | null;
    effort_minutes: number | null;
    /** `14 days` or `2 weeks`. */
    pacing: string | null;
    /** The UID it had in the file that it was brought in from. */
    source_uid: string | null;
    /** Of a note: the entry that it hangs on. */
    about_id: string | null;
    sequence: number;
    created_at: number;
    modified_at: number;
  };
  dismissals: {
    id: string;
    /** `findingKey` and `fingerprint` of what is meant so. */
    finding: string;
    fingerprint: string;
    reason: string;
    person_id: string | null;
    created_at: number;
  };
  materials: {
    id: string;
    course_id: string;
    parent_id: string | null;
    position: number;
    kind: string;
    title: string;
    url: string;
    text: string;
    /** Wall time and zone: `2026-10-15T08:00`, `America/Halifax`. */
    visible_from: string | null;
    tzid: string;
    file_id: string | null;
    /** In a package: the item's identifier, and where it led. */
    source_id: string | null;
    source_path: string | null;
    sequence: number;
    created_at: number;
    modified_at: number;
  };
  entry_audiences: AudienceColumns & { id: string; entry_id: string };
  links: {
    id: string;
    entry_id: string;
    position: number;
    /** Empty where it leads to a material. */
    url: string;
    label: string;
    staff_only: number;
    material_id: string | null;
    file_id: string | null;
  };
  /** `arranged`: it follows from what was arranged for all work of a course. */
  extensions: {
    id: string;
    entry_id: string;
    person_id: string;
    due_local: string;
    closes_local: string | null;
    hidden_after: string | null;
    arranged: number;
  };
  /** So many days more for all work of a course; why is nowhere. */
  arrangements: { id: string; course_id: string; person_id: string; days: number; created_at: number };
  /** `waiting_since`: of whoever waits for a seat, in milliseconds. */
  replies: { id: string; entry_id: string; person_id: string; answer: string; waiting_since: number | null };
  /** `links` is a JSON list. */
  class_plans: {
    id: string;
    course_id: string;
    title: string;
    description: string;
    links: string;
    pinned: number;
    strand: string | null;
    sequence: number;
    created_at: number;
    modified_at: number;
  };
  /** The meeting may be gone: then the plan waits for another. */
  plan_bindings: { id: string; plan_id: string; section_id: string; meeting_id: string };
  sheets: {
    id: string;
    uid: string;
    title: string;
    place: string;
    meeting_link: string;
    times_per_student: number;
    /** JSON: `StoredRules`; the number of times for each student stands in a column of its own. */
    rules: string;
    offered: number;
    tzid: string;
    sequence: number;
    created_at: number;
    modified_at: number;
  };
  sheet_audiences: AudienceColumns & { id: string; sheet_id: string };
  hosts: { id: string; sheet_id: string; person_id: string };
  slots: {
    id: string;
    sheet_id: string;
    start_local: string;
    start_at: number;
    end_at: number;
    seats: number;
    host_id: string | null;
    /** Its own, where it is elsewhere than the sheet says. */
    place: string | null;
    meeting_link: string | null;
  };
  waiting: {
    id: string;
    slot_id: string;
    person_id: string;
    created_at: number;
    offered_until: number | null;
  };
  bookings: {
    id: string;
    uid: string;
    slot_id: string;
    seat: number;
    person_id: string;
    note: string;
    answer: string;
    meeting_link: string;
    /** The meeting service's name for the booking's own room. */
    room_id: string | null;
    came: number | null;
    reminded_at: number | null;
    sequence: number;
    created_at: number;
    modified_at: number;
  };
  outlets: {
    id: string;
    kind: 'feed' | 'embed';
    audience: 'public' | 'roster' | 'personal';
    name: string;
    owner_id: string;
    generation: number;
    token_hash: string;
    /** JSON: what it holds and how it looks. */
    composition: string;
  };
  /** `closes` is JSON (`ClosureRule`). Its times are in `calendar_copies`, outside the history. */
  calendars: {
    id: string;
    term_id: string;
    owner_id: string | null;
    name: string;
    url: string;
    file_id: string | null;
    whole_term: number;
    seen_by: 'staff' | 'everyone';
    active: number;
    closes: string;
    created_at: number;
  };
  calendar_courses: { id: string; calendar_id: string; course_id: string };
  /** Addresses of outlets that were replaced or deleted; `id` is the hash of the token. */
  gone_addresses: {
    id: string;
    outlet_id: string;
    kind: 'feed' | 'embed';
    name: string;
    replaced: number;
    gone_at: number;
  };
  done_marks: { id: string; person_id: string; entry_id: string; done_at: number };
  /** When somebody began a course; `shared`: its staff may see that, and ticks. */
  own_starts: {
    id: string;
    person_id: string;
    course_id: string;
    starts_on: string;
    shared: number;
    said_at: number;
  };
  /** `id` is the person's; `settings` is JSON (`PersonSettings`). */
  person_settings: { id: string; settings: string };
  /** Entries that feeds held and hold no more, with the audience that saw them. */
  tombstones: AudienceColumns & {
    id: string;
    uid: string;
    start_local: string;
    tzid: string;
    sequence: number;
    gone_at: number;
    /** What it was called: for the feeds of those who saw it, by their own names. */
    title: string;
  };
};

/** An audience for each course: JSON lists of ids, whoever is in one of them is meant; all null is everyone. */
export type AudienceColumns = {
  course_id: string;
  sections: string | null;
  course_groups: string | null;
  people: string | null;
};

export type Table = keyof Rows;

export const TABLES: readonly Table[] = [
  'people', 'terms', 'courses', 'staff', 'sections', 'roster', 'entries', 'entry_audiences', 'links',
  'sheets', 'sheet_audiences', 'hosts', 'slots', 'bookings', 'outlets', 'closures', 'patterns', 'meetings',
  'school', 'course_groups', 'group_members', 'themes', 'site_dates', 'extensions', 'replies', 'class_plans', 'plan_bindings',
  'dismissals', 'materials', 'waiting', 'calendars', 'calendar_courses', 'gone_addresses', 'tombstones',
  'done_marks', 'person_settings', 'arrangements', 'corrections', 'offered_places', 'departures',
  'extra_classes', 'own_starts',
]; // prettier-ignore
