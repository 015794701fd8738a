/** Whether the school asks everybody who teaches or administers for a second step of signing in. */
export const secondStepForStaff = {
  name: '0018-second-step-for-staff',
  statements: [`ALTER TABLE school ADD COLUMN second_step_for_staff INTEGER NOT NULL DEFAULT 0`],
} as const;
