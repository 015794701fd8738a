'use client';
import { useEffect } from 'react';

const FOCUSABLE =
  'a[href], button:not(:disabled), input:not(:disabled):not([type=hidden]), select:not(:disabled), textarea:not(:disabled), [tabindex]';
/** Parts in which the next thing takes the place of the one that went. */
const LISTS = 'ul, ol, tbody, [role=list], [role=group]';
/** How long something that is drawn anew is waited for, in milliseconds. */
const PATIENCE_MS = 2000;
/** How long a change is given to come to rest, in milliseconds. */
const SETTLED_MS = 400;
const REMEMBERED = 12;

type Place = Readonly<{ element: HTMLElement; name: string; parents: readonly HTMLElement[]; index: number }>;

/** What something is called, so that it is known again when it is drawn anew. */
const nameOf = (element: Element): string =>
  `${element.tagName} ${element.getAttribute('aria-label') ?? element.getAttribute('name') ?? element.textContent?.trim().slice(0, 80) ?? ''}`;

const focusablesIn = (parent: ParentNode): HTMLElement[] =>
  [...parent.querySelectorAll<HTMLElement>(FOCUSABLE)].filter((one) => one.checkVisibility());

function placeOf(element: HTMLElement): Place {
  const parents: HTMLElement[] = [];
  for (let parent = element.parentElement; parent; parent = parent.parentElement) parents.push(parent);
  const list = element.closest(LISTS);
  return { element, name: nameOf(element), parents, index: list ? focusablesIn(list).indexOf(element) : 0 };
}

const isThere = ({ element }: Place) => element.isConnected && !element.matches(':disabled');
/** The same thing, drawn anew; where several are called so, none of them is it. */
function again({ name }: Place): HTMLElement | undefined {
  const called = focusablesIn(document).filter((one) => nameOf(one) === name);
  return called.length === 1 ? called[0] : undefined;
}

/** The nearest to what went: the next one in its list, the part of the page it stood in, or what had the focus before. */
function nearest(lost: Place, before: readonly Place[]): HTMLElement | undefined {
  for (const parent of lost.parents.filter((one) => one.isConnected)) {
    if (parent.matches('[data-focus-home]')) return parent;
    // What opened above the page keeps the focus until it is closed.
    if (parent.matches('[role=dialog]')) return focusablesIn(parent)[0];
    if (!parent.matches(LISTS)) continue;
    const inside = focusablesIn(parent);
    if (inside.length > 0) return inside[Math.min(lost.index, inside.length - 1)];
  }
  for (const place of [...before].reverse()) {
    if (isThere(place) && place.element.checkVisibility()) return place.element;
    const found = again(place);
    if (found) return found;
  }
  return document.getElementById('page') ?? undefined;
}

/**
 * Whoever works by keyboard stays where they are: when what had the focus goes (saved, deleted, ticked, drawn anew) or is
 * switched off for a moment, the focus goes to it again, to the next one, or to what it came from, never to nowhere.
 */
function keepFocus(): () => void {
  let history: Place[] = [];
  let lost: Readonly<{ place: Place; since: number; put?: HTMLElement }> | undefined;
  let asked = 0;
  let wait = 0;

  const noted = ({ target }: FocusEvent) => {
    if (!(target instanceof HTMLElement) || target === lost?.put) return;
    lost = undefined;
    history = [...history.filter((place) => place.element !== target), placeOf(target)].slice(-REMEMBERED);
  };
  /** A click beside everything is meant: what is still there and gave its focus away keeps none. */
  const left = ({ target, relatedTarget }: FocusEvent) => {
    if (relatedTarget) return;
    setTimeout(() => {
      const place = history.at(-1);
      if (place?.element === target && isThere(place) && document.activeElement === document.body)
        history = [];
    });
  };
  const look = () => {
    asked = 0;
    const place = lost?.place ?? history.at(-1);
    const active = document.activeElement;
    if (!place || (active !== document.body && active !== lost?.put)) return;
    if (isThere(place)) {
      if (active === document.body) place.element.focus({ preventScroll: true });
      return;
    }
    lost ??= { place, since: performance.now() };
    const same = again(place);
    if (same) {
      lost = undefined;
      same.focus({ preventScroll: true });
    } else if (!lost.put && !place.element.isConnected) {
      const put = nearest(place, history.slice(0, -1));
      lost = { ...lost, put };
      put?.focus({ preventScroll: true });
    } else if (performance.now() - lost.since > PATIENCE_MS) lost = undefined;
    else if (lost.put && !lost.put.isConnected) {
      const { place: gone } = lost;
      wait ||= window.setTimeout(() => lookAgain(gone), SETTLED_MS);
    }
  };
  /** What took its place went as well: unless something has taken the focus since, it is looked for anew. */
  const lookAgain = (gone: Place) => {
    wait = 0;
    if (lost?.place !== gone || document.activeElement !== document.body) return;
    lost = undefined;
    look();
  };
  // Once what React changes in one go has been drawn.
  const soon = () => {
    if (asked === 0) asked = requestAnimationFrame(look);
  };

  const watcher = new MutationObserver(soon);
  document.addEventListener('focusin', noted);
  document.addEventListener('focusout', left);
  watcher.observe(document.body, { childList: true, subtree: true, attributes: true, attributeFilter: ['disabled'] }); // prettier-ignore
  return () => {
    document.removeEventListener('focusin', noted);
    document.removeEventListener('focusout', left);
    watcher.disconnect();
    cancelAnimationFrame(asked);
    clearTimeout(wait);
  };
}

export function FocusKeeper() {
  useEffect(() => keepFocus(), []);
  return null;
}
