'use client';
import dynamic from 'next/dynamic';

/** Fetched by those alone whose school has connected a course's site. */
export const CourseSitesWhereUsed = dynamic(() => import('./CourseSites').then((module) => module.CourseSites)); // prettier-ignore
