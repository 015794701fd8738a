import type { Retention } from '@/core/frame/retention';
import type { SchoolSettings } from '@/core/frame/schoolSettings';
import { NO_SETTINGS } from '@/core/frame/schoolSettings';
import type { Reader } from '../reader';
import { select } from '../database';
import type { Change } from '../history/change';
import type { Rows } from '../rows';

const ID = 'school';

export async function schoolSettings(reader: Reader): Promise<SchoolSettings> {
  const [row] = await select<Rows['school']>(reader, 'SELECT * FROM school');
  if (!row) return NO_SETTINGS;
  return {
    name: row.name,
    locale: row.locale,
    weekStart: row.week_start,
    secondStepForStaff: row.second_step_for_staff === 1,
    students: row.students,
    retention: JSON.parse(row.retention) as Retention,
    heldFor: row.held_for,
    courseMegabytes: row.course_megabytes,
    schoolMegabytes: row.school_megabytes,
    notice: row.notice,
    accessContact: row.access_contact,
    accessStatement: row.access_statement,
  };
}

export async function writeSettings(change: Change, settings: SchoolSettings): Promise<void> {
  const row = {
    name: settings.name,
    locale: settings.locale,
    week_start: settings.weekStart,
    second_step_for_staff: settings.secondStepForStaff ? 1 : 0,
    students: settings.students,
    retention: JSON.stringify(settings.retention),
    held_for: settings.heldFor,
    course_megabytes: settings.courseMegabytes,
    school_megabytes: settings.schoolMegabytes,
    notice: settings.notice,
    access_contact: settings.accessContact,
    access_statement: settings.accessStatement,
  };
  const known = await select<Rows['school']>(change, 'SELECT * FROM school');
  if (known.length > 0) await change.update('school', ID, row);
  else await change.insert('school', [{ id: ID, ...row }]);
}
