'use client';
import dynamic from 'next/dynamic';

const PANELS = {
  class: () => import('../entries/ClassPanel'),
  edit: () => import('./EditPanel'),
  entry: () => import('./EntryPanel'),
  fill: () => import('../entries/FillPanel'),
  place: () => import('../materials/PlaceUnit'),
  shelf: () => import('../materials/Shelf'),
  slide: () => import('./SlidePanel'),
};

export const ClassPanel = dynamic(async () => (await PANELS.class()).ClassPanel);
export const EditPanel = dynamic(async () => (await PANELS.edit()).EditPanel);
export const EntryPanel = dynamic(async () => (await PANELS.entry()).EntryPanel);
export const FillPanel = dynamic(async () => (await PANELS.fill()).FillPanel);
export const PlaceUnit = dynamic(async () => (await PANELS.place()).PlaceUnit);
export const Shelf = dynamic(async () => (await PANELS.shelf()).Shelf);
export const SlidePanel = dynamic(async () => (await PANELS.slide()).SlidePanel);

/** Fetches what the panel beside the plan may show, so that it is there when something is chosen. */
export function fetchPanels(): void {
  // Without a connection the panel itself says so, once it is asked for.
  for (const fetchPanel of Object.values(PANELS)) void fetchPanel().catch(() => undefined);
}
