import * as en from './compiled/en/help';
import { extend } from './extend';

type Part = Readonly<{ what: string; how: string; href?: string }>;

const { steps, pages, examples } = en.helpTexts;

/** The page that says how Pembit is used. What stands at its place (hints, empty states) is not said again here. */
export const helpTexts = extend(en.helpTexts, {
  order: [
    { ...steps.courses, href: '/courses' },
    { ...steps.materials, href: '/materials' },
    { ...steps.term, href: '/term' },
    { ...steps.officeHours, href: '/office-hours' },
    { ...steps.checks, href: '/checks' },
    { ...steps.publish, href: '/publish' },
    { ...steps.changes, href: '/term' },
    { ...steps.questions, href: '/courses' },
    { ...steps.nextTerm, href: '/carry-over' },
  ] as readonly Part[],
  student: [
    { ...pages.next, href: '/next' },
    { ...pages.due, href: '/due' },
    { ...pages.term, href: '/term' },
    { ...pages.materials, href: '/materials' },
    { ...pages.signUp, href: '/sign-up' },
    { ...pages.subscribe, href: '/subscribe' },
    pages.questions,
    { ...pages.account, href: '/account' },
  ] as readonly Part[],
  quick: Object.values(examples),
});
