import type { MeetingId } from '../ids';
import { classOf, sameNumber } from '../time/classNumber';
import type { Meeting } from '../time/meetings';
import type { ClassPlan } from './classPlan';
import type { Section } from './plan';

/** A class plan on its way along the classes of one section. `to` is absent where nothing is left for it. */
export type SlideMove = Readonly<{ plan: ClassPlan; section: Section; from?: Meeting; to?: Meeting }>;

/** What becomes of a plan that finds no class before a pin or the end: taught with the one before it, dropped, kept without a class. */
export const OVERFLOWS = ['doubleUp', 'drop', 'keep'] as const;
export type Overflow = (typeof OVERFLOWS)[number];

type Slide = Readonly<{ plan: ClassPlan }> &
  (
    | Readonly<{ from: Meeting; by: number }>
    /** A plan that lost its class goes to this one. */
    | Readonly<{ at: Meeting }>
  );

const plansOn = (section: Section, plans: readonly ClassPlan[]): ReadonlyMap<MeetingId, ClassPlan> =>
  new Map(
    plans.flatMap((plan) =>
      plan.bindings.filter((b) => b.section === section.id).map((b) => [b.meeting, plan] as const),
    ),
  );

/** Classes after a place up to the first pinned one (or all that are not pinned), those that were called off left out. */
function room(
  meetings: readonly Meeting[],
  planOf: ReadonlyMap<MeetingId, ClassPlan>,
  { except, overPins = false }: { except?: ClassPlan; overPins?: boolean } = {},
): readonly Meeting[] {
  const takes = meetings.filter((meeting) => meeting.cancelled === undefined);
  const pinned = (meeting: Meeting) => {
    const standing = planOf.get(meeting.id);
    return standing !== undefined && standing.pinned && standing.id !== except?.id;
  };
  if (overPins) return takes.filter((meeting) => !pinned(meeting));
  const end = takes.findIndex(pinned);
  return end < 0 ? takes : takes.slice(0, end);
}

/** The classes among which a plan slides: labs among labs. */
const ofStrand = ({ meetings }: Section, { strand }: Meeting): readonly Meeting[] =>
  meetings.filter((meeting) => meeting.strand === strand);

/**
 * Moves a plan by some classes to a later one of its section and strand; those that stand there move on, in their order, each by as little as it
 * must, until a class without a plan absorbs the slide. What finds no class before a pinned one, or before the end, comes
 * back without `to`; with `overPins` the slide goes on after what is pinned.
 */
export function slideLater(
  section: Section,
  plans: readonly ClassPlan[],
  slide: Slide & { overPins?: boolean },
): SlideMove[] {
  const { plan } = slide;
  const planOf = plansOn(section, plans);
  const from = 'from' in slide ? slide.from : undefined;
  const first = 'from' in slide ? slide.from : slide.at;
  const meetings = ofStrand(section, first);
  const begin = meetings.findIndex((meeting) => meeting.id === first.id) + (from ? 1 : 0);
  const slots = room(meetings.slice(begin), planOf, { except: plan, overPins: slide.overPins });
  const moves: SlideMove[] = [];
  // Beyond the room there is nothing: as many as do not fit come back without a class.
  let next = 'by' in slide ? slide.by - 1 : 0;
  const put = (moving: ClassPlan, standing: Meeting | undefined) => {
    moves.push({ plan: moving, section, from: standing, to: slots[next] });
    next += 1;
  };
  put(plan, from);
  const last = slots.at(-1);
  const end = meetings.findIndex((meeting) => meeting.id === last?.id) + 1;
  let own = 0;
  for (const meeting of meetings.slice(begin, end)) {
    const standing = planOf.get(meeting.id);
    // One that stands on a class that was called off is overtaken as little as any other.
    if (standing && standing.id !== plan.id && !standing.pinned && own < next) put(standing, meeting);
    if (slots.includes(meeting)) own += 1;
  }
  return moves;
}

/**
 * Fills a class without a plan: the plans after it move forward, by as many classes as are empty before them and at most
 * `by`, until a class without a plan, or a pinned one, ends it.
 */
export function pullForward(
  section: Section,
  plans: readonly ClassPlan[],
  { into, by }: { into: Meeting; by: number },
): SlideMove[] {
  const planOf = plansOn(section, plans);
  const meetings = ofStrand(section, into);
  const begin = meetings.findIndex((meeting) => meeting.id === into.id);
  const slots = room(meetings.slice(begin), planOf);
  const first = slots.findIndex((meeting) => planOf.has(meeting.id));
  if (first <= 0) return [];
  const distance = Math.min(by, first);
  const moves: SlideMove[] = [];
  for (let i = first; i < slots.length; i++) {
    const meeting = slots[i]!;
    const plan = planOf.get(meeting.id);
    if (!plan) break;
    moves.push({ plan, section, from: meeting, to: slots[i - distance] });
  }
  return moves;
}

/** Sections in which a plan stands on another number than in the first one. */
export type Drift = Readonly<{
  plan: ClassPlan;
  /** In the order of the sections; absent where the plan stands on no class. */
  places: readonly Readonly<{ section: Section; meeting?: Meeting }>[];
  apart: boolean;
}>;

/** The plans of a course side by side in its sections, in the order of the first section's classes. */
export function sideBySide(sections: readonly Section[], plans: readonly ClassPlan[]): Drift[] {
  const meetingOf = new Map(sections.flatMap((section) => section.meetings.map((m) => [m.id, m] as const)));
  const rows = plans.map((plan): Drift => {
    const places = sections.map((section) => {
      const binding = plan.bindings.find((b) => b.section === section.id);
      const meeting = binding && meetingOf.get(binding.meeting);
      return { section, ...(meeting ? { meeting } : {}) };
    });
    return { plan, places, apart: places.some(({ meeting }) => !sameNumber(meeting, places[0]?.meeting)) };
  });
  const standing = ({ places }: Drift) => places.find(({ meeting }) => meeting)?.meeting;
  const place = (row: Drift) => standing(row)?.ordinal ?? Infinity;
  const strand = (row: Drift) => standing(row)?.strand ?? '';
  return rows.sort((a, b) => strand(a).localeCompare(strand(b), 'en') || place(a) - place(b));
}

/** Brings one section to where another stands: each plan goes to the class of the same number. What has no such class stays. */
export function bringTogether(
  plans: readonly ClassPlan[],
  { like, section }: { like: Section; section: Section },
): SlideMove[] {
  return sideBySide([like, section], plans).flatMap(({ plan, places }) => {
    const [model, own] = places;
    const to = model?.meeting && classOf(section.meetings, model.meeting);
    if (!plan.bindings.some((b) => b.section === section.id) || !to || to.id === own?.meeting?.id) return [];
    return [{ plan, section, from: own?.meeting, to }];
  });
}
