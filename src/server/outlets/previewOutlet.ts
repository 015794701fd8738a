import { parseCookie } from 'cookie';
import { coursePage, sectionChoices } from './coursePage';
import { openFiles, openedAt } from './openFiles';
import { asComposed } from './publish';
import { readCalendar } from '@/core/icalendar/readCalendar';
import { isStaffOf } from '@/core/entries/viewer';
import { outletContents } from '@/core/outlets/outletContents';
import { outletInput } from '@/core/outlets/outletInput';
import { outletViewer } from '@/core/outlets/outletViewer';
import { outsideTimes } from '@/core/outside/outsideTimes';
import { embedTexts } from '@/core/texts/embeds';
import { dateLabel, rangeLabel, timeLabel } from '@/core/time/dateLabels';
import { dayOf, isDay } from '@/core/time/zonedWall';
import type { Pembit } from '../pembit';
import { keptPlan } from '../plan/keptPlan';
import { cookieName, signedInBy } from '../session/session';
import type { OutletAnswer, OutletRequest } from './conditional';
import { askedBy, embedContext } from './embed/embedContext';
import { embedDocument, sentencePage } from './embed/embedDocument';
import { ownPage } from './embed/embedPages';
import type { Html } from './embed/html';
import { html } from './embed/html';
import { sent } from './goneAnswer';
import { embedHeaders } from './headers';
import { outletFile } from './outletFile';

/** Where an outlet that is being composed is looked at, by its instructor alone. */
export const PREVIEW_PATH = '/embed/preview';

/** Not kept anywhere: what is shown hangs on whoever asks. Framed by Pembit's own pages alone. */
const HEADERS = {
  ...embedHeaders(),
  'cache-control': 'no-store',
};
const headers = (pembit: Pembit) => ({
  ...HEADERS,
  'content-security-policy': embedHeaders([new URL(pembit.config.baseUrl).origin])['content-security-policy'],
});

/**
 * What a feed or an embed would be, before it is published: the page itself, or what a calendar application reads in the
 * file. `input` in the query is what would be sent to publish it, as JSON.
 */
export async function previewOutlet(
  pembit: Pembit,
  { method, query, headers: asked }: OutletRequest,
): Promise<OutletAnswer> {
  const nothing = (status: number) =>
    sent(status, headers(pembit), method, sentencePage(embedTexts.previewTitle, embedTexts.noPreview));
  const token = parseCookie(asked.cookie ?? '')[cookieName(pembit.config.baseUrl)];
  const actor = await signedInBy(pembit, token);
  if (!actor) return nothing(404);
  const parameters = new URLSearchParams(query);
  let input: unknown;
  try {
    input = JSON.parse(parameters.get('input') ?? '');
  } catch {
    return nothing(400);
  }
  const parsed = outletInput.safeParse(input);
  if (!parsed.success) return nothing(400);
  if (!parsed.data.courses.every((course) => isStaffOf(actor.viewer, course))) return nothing(404);
  const plan = await keptPlan(pembit, parsed.data.courses);
  const outlet = await asComposed(pembit, actor, parsed.data, plan);
  const now = pembit.now();
  const viewer = outletViewer(outlet, actor.viewer);
  const contents = outletContents(outlet, viewer, plan, now);
  const { baseUrl } = pembit.config;
  const open = await openFiles(pembit, { outlet, viewer, contents });
  if (outlet.kind === 'embed') {
    const context = embedContext(outlet, contents, {
      asked: askedBy(parameters, outlet.look.filters),
      embed: '#',
      signUp: `${baseUrl}/sign-up`,
      opened: openedAt('#', open),
      about: await coursePage(pembit, outlet, viewer),
      sections: sectionChoices(outlet, plan),
      now,
    });
    const page = ownPage(context, outlet.audience === 'public');
    return sent(200, headers(pembit), method, embedDocument({ title: context.title, look: outlet.look, locale: context.locale }, page)); // prettier-ignore
  }
  const file = outletFile(outlet, contents, { token: 'preview', baseUrl, open });
  const title = outlet.name;
  return sent(200, headers(pembit), method, embedDocument({ title }, asRead(file, contents, title)));
}

const MOST = 200;

/** The file as it is read back: every time it holds, in its words. */
function asRead(file: string, { plan }: ReturnType<typeof outletContents>, title: string): Html {
  const [term] = plan.terms;
  if (!term) return html`<p>${embedTexts.nothing}</p>`;
  const calendar = readCalendar(new TextEncoder().encode(file), { tzid: term.tzid });
  const times = outsideTimes(calendar, term);
  return html`<h1>${title}</h1>
    <p class="soft">${embedTexts.asRead({ n: times.length })}</p>
    <ul class="day">
      ${times.slice(0, MOST).map(
        ({ start, end, title: what, place, cancelled }) =>
          html`<li>
            <span class="when">${dateLabel(dayOf(start), 'short', plan.locale)}</span>
            <div>${cancelled ? html`<s>${what}</s>` : what}
              <span class="soft">${isDay(start) ? place : `${end && !isDay(end) ? rangeLabel(start.wall, end.wall) : timeLabel(start.wall)}${place ? `, ${place}` : ''}`}</span></div>
          </li>`,
      )}
    </ul>`;
}
