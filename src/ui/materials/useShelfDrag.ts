'use client';
import type { PointerEvent } from 'react';
import { useEffect, useRef, useState } from 'react';

/** Where something was dropped on the plan: on a day, and perhaps on a class of it. */
export type DropPlace = Readonly<{ date: string; meeting?: string }>;

const THRESHOLD = 6;

function targetAt(x: number, y: number): Readonly<{ element: Element; place: DropPlace }> | undefined {
  const under = document.elementFromPoint(x, y);
  const day = under?.closest<HTMLElement>('[data-date], [data-day]');
  const date = day?.dataset.date ?? day?.dataset.day;
  if (!day || !date) return undefined;
  const mark = under?.closest<HTMLElement>('[data-meeting]');
  return { element: mark ?? day, place: { date, meeting: mark?.dataset.meeting } };
}

/**
 * Dragging from beside the plan onto it: the days of every view carry `data-date` or `data-day`, the marks of classes
 * `data-meeting`. What is under the pointer is marked with `data-drop`.
 */
export function useShelfDrag<T>(onDrop: (what: T, place: DropPlace) => void) {
  const origin = useRef<Readonly<{ x: number; y: number; what: T }>>(undefined);
  const marked = useRef<Element>(undefined);
  const [ghost, setGhost] = useState<Readonly<{ x: number; y: number; what: T }>>();
  const drop = useRef(onDrop);
  useEffect(() => {
    drop.current = onDrop;
  });
  useEffect(() => {
    const mark = (element: Element | undefined) => {
      if (marked.current === element) return;
      marked.current?.removeAttribute('data-drop');
      element?.setAttribute('data-drop', 'true');
      marked.current = element;
    };
    const move = (event: globalThis.PointerEvent) => {
      const from = origin.current;
      if (!from) return;
      const near = Math.hypot(event.clientX - from.x, event.clientY - from.y) < THRESHOLD;
      if (near && !marked.current) return;
      setGhost({ x: event.clientX, y: event.clientY, what: from.what });
      mark(targetAt(event.clientX, event.clientY)?.element);
    };
    const stop = () => {
      origin.current = undefined;
      setGhost(undefined);
      mark(undefined);
    };
    const up = (event: globalThis.PointerEvent) => {
      const from = origin.current;
      const far = from && Math.hypot(event.clientX - from.x, event.clientY - from.y) >= THRESHOLD;
      const target = far ? targetAt(event.clientX, event.clientY) : undefined;
      stop();
      if (from && target) drop.current(from.what, target.place);
    };
    window.addEventListener('pointermove', move);
    window.addEventListener('pointerup', up);
    window.addEventListener('pointercancel', stop);
    return () => {
      window.removeEventListener('pointermove', move);
      window.removeEventListener('pointerup', up);
      window.removeEventListener('pointercancel', stop);
      mark(undefined);
    };
  }, []);
  const begin = (event: PointerEvent, what: T) => {
    if (event.button !== 0 || event.pointerType === 'touch') return;
    event.preventDefault();
    origin.current = { x: event.clientX, y: event.clientY, what };
  };
  return { begin, ghost };
}
