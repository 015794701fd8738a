/** What words of a schedule say about what a line is. Facts of the trade: common practice, no published source. */

const NAMED_DAYS = '(?:remembrance(?:\\s+day)?|thanksgiving(?:\\s+(?:day|monday|break))?|(?:labou?r|founders?[’\']?|family|canada|victoria|civic|independence|memorial|presidents?[’\']?|christmas|easter|harvest|harbour)\\s+(?:day|holiday|monday|break)|good\\s+friday)'; // prettier-ignore

export const CLOSURE = new RegExp(
  String.raw`\b(?:no\s+(?:class(?:es)?|school|lectures?|labs?|meetings?)|class(?:es)?\s+(?:is\s+|are\s+)?cancel+ed|holidays?|(?:reading|study|fall|autumn|winter|spring|mid-?term)\s+(?:week|break|recess|days?)|recess|(?:campus|university|school|college|office|everything)\s+(?:is\s+)?closed|day\s+off|days\s+off|snow\s+day|storm\s+day|${NAMED_DAYS})\b`,
  'i',
);
/** Words around a closure that only introduce it. */
export const INTRODUCED =
  /\b(?:there\s+(?:will\s+be|is|are)|we\s+(?:will\s+)?have|please\s+note(?:\s+that)?|remember|the\s+(?=\uE000)|on\s*$)/gi;
/** What is left of a closure when its words that only say "closed" are gone. */
export const CLOSED_WORDS = /\b(?:no\s+(?:class(?:es)?|school|lectures?|labs?|meetings?)|class(?:es)?\s+(?:is\s+|are\s+)?cancel+ed|(?:campus|university|school|college|office|everything)\s+(?:is\s+)?closed)\b/gi; // prettier-ignore

export const DUE = /\b(?:is\s+|are\s+)?(?:due(?:\s+date)?|to\s+be\s+handed\s+in|hand(?:ed)?[- ]?in|to\s+submit|submit(?:ted)?|submission|deadline(?:\s+for)?|turn(?:ed)?\s+in)\b/i; // prettier-ignore
const WORK_NOUN = String.raw`(?:assignments?|essays?|homeworks?|home\s*work|hw|problem\s+sets?|psets?|ps|quiz(?:zes)?|(?:lab\s+|field\s+|progress\s+)?reports?|papers?|projects?|drafts?|proposals?|worksheets?|exercises?|journals?|portfolios?|reflections?|discussion\s+posts?|outlines?|responses?|bibliograph(?:y|ies)|take[- ]home|logbooks?|drawings?\s+set|labs?)`;
/** A piece of work by its name: the noun with its number or colon, at the beginning; or at the end. */
export const WORK = new RegExp(
  String.raw`^(?:(?:the|final|first|second|third|last|rough|short|group|tide|chart)\s+)*${WORK_NOUN}(?:\s*#?\s*(?:\d+[a-z]?|[ivx]+|[a-c])\b(?:\s*[:(–—-]|\s*$)|\s*[:–—]|\s*$|\s+(?:on|about)\s)`,
  'i',
);
export const QUIZ_LAST = /\bquiz(?:zes)?$/i;
export const WORK_LAST = new RegExp(String.raw`\b${WORK_NOUN}(?:\s*#?\s*\d+)?$`, 'i');
export const NUMBERED_WORK = new RegExp(String.raw`\b${WORK_NOUN}\s*#?\s*\d+\b`, 'i');

export const EXAM =
  /\b(?:mid-?terms?|exam(?:ination)?s?|finals?\b(?!\s+(?:draft|report|paper|project|essay|version))|tests?)\b/i;
export const EVENT = /\b(?:guest|visits?|visiting|field\s*trips?|excursions?|workshops?|tours?|presentations?|conference|open\s+house|regatta|ceremony|concert|performance|rehearsal|review\s+session|orientation|drop\s+deadline|party|launch(?:ing)?|trip)\b/i; // prettier-ignore
export const TIMES = /\b(?:office|drop-?in|consultation|help)\s+hours?\b/i;
/** Facts about a course that plan nothing. */
export const PROSE = /^(?:instructors?|teachers?|professor|e-?mail|phone|room|location|textbooks?|required|grading|policy|policies|prerequisites?|course\s+(?:description|outline|schedule|code|title)|syllabus|schedule|description|objectives?|credits?|section|term|welcome|note|please|all\s|students\s|you\s|late\s|the\s+(?:schedule|following|instructor)|this\s|tentative|subject\s+to|we\s|if\s)\b/i; // prettier-ignore

export const OPENS = /\b(?:opens?|available(?:\s+from)?|unlocks?|goes\s+live)(?:\s+on)?\b/i;
export const CLOSES = /\b(?:closes?|locks?|available\s+until|open\s+until)(?:\s+on)?\b/i;
export const SET =
  /\b(?:assigned|is\s+set|set(?:\s+on)?|handed\s+out|given\s+out|goes\s+out|posted)(?:\s+on)?\b/i;

/** Headings that say what stands below them. */
export const GROUPS: readonly (readonly [RegExp, 'topic' | 'due' | 'event' | 'closure'])[] = [
  [/^(?:assignments?|homework|due\s+dates?|deadlines?|what\s+is\s+due|graded\s+work|work)\b/i, 'due'],
  [/^(?:exams?|examinations?|tests?|events?|important\s+dates|field\s+trips?|special\s+events)\b/i, 'event'],
  [/^(?:holidays?|closures?|no\s+class(?:es)?|days?\s+off|breaks?)\b/i, 'closure'],
  [/^(?:topics?|lectures?|class(?:es)?|course\s+plan|lessons?)\b/i, 'topic'],
];
