import type { Temporal } from 'temporal-polyfill';
import type { CourseId, FileId, MaterialId } from '../ids';
import type { ZonedWall } from '../time/zonedWall';

/**
 * What a course's outline is made of: units (which hold others), pages written here, and what is reached by its address. The
 * kinds are the resource types of the Common Cartridge (1EdTech), and recordings.
 */
export const MATERIAL_KINDS = [
  'unit',
  'page',
  'webLink',
  'webContent',
  'recording',
  'topic',
  'assignment',
  'test',
] as const;
export type MaterialKind = (typeof MATERIAL_KINDS)[number];

/** Where uploaded files are, each under its id. */
export const FILE_PATH = '/f/';
export const fileAddress = (file: FileId): string => `${FILE_PATH}${file}`;

/** Where what has no address of its own is read: units and pages, each under its id. */
export const PAGE_PATH = '/m/';

/** Where a click on a material leads: to the thing itself, or, where there is none, to its page in Pembit. */
export const addressOf = ({ id, url, file }: Pick<Material, 'id' | 'url' | 'file'>): string =>
  file ? fileAddress(file) : url === '' ? `${PAGE_PATH}${id}` : url;

export type Material = Readonly<{
  id: MaterialId;
  course: CourseId;
  /** The unit it lies in; absent at the top of the outline. */
  parent?: MaterialId;
  /** Its place among those of the same unit, from 0. */
  position: number;
  kind: MaterialKind;
  title: string;
  /** Where it leads; empty for units, pages, and what is a file. */
  url: string;
  /** An uploaded file, in the place of an address. */
  file?: FileId;
  /** What it was in the package it came from: its identifier there, and its address or path. */
  source?: Readonly<{ id: string; path: string }>;
  /** A page's formatted text, a unit's introduction, what a discussion or an assignment asks. */
  text: string;
  /** When students begin to see it, and what it holds; absent: at once. `at` is derived. */
  visibleFrom?: Readonly<{ wall: ZonedWall; at: Temporal.Instant }>;
  sequence: number;
  created: Temporal.Instant;
  lastModified: Temporal.Instant;
}>;
