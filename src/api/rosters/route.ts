import { z } from 'zod';
import { courseId } from '@/core/ids';
import { readRosters, rosterReports } from '@/server/people/keepRosters';
import { endpoint } from '../endpoint';
import { rosterReport } from './rosterReport';

const MOST = 30;

const reports = z.object({
  source: z.enum(['folder', 'service', 'none']),
  readings: z.array(rosterReport.extend({ id: z.string(), at: z.string() })),
});

/** What the last readings of the school’s lists did, for the administrator. */
export const GET = endpoint({ who: 'person', answer: reports }, ({ pembit, actor }) =>
  rosterReports(pembit, actor, MOST),
);

/** Reads the school’s lists now, for the administrator; in the courses of `even`, as many may go as they say. */
export const POST = endpoint(
  {
    who: 'person',
    body: z.strictObject({ even: z.array(courseId).max(500).default([]) }),
    answer: rosterReport,
  },
  ({ pembit, actor, body }) => readRosters(pembit, actor, body.even),
);
