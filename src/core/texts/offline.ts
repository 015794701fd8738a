/** Words of the page that stands in when there is no connection. */
export const offlineTexts = {
  title: 'No connection',
  since: (when: string) =>
    `This is your plan as it was kept on this device on ${when}. It may have changed since.`,
  nothing: 'Nothing is kept on this device yet. Open Pembit once while you are connected.',
  again: 'Try again',
  done: 'Done',
  ticked: 'Kept on this device, and sent when you are connected again.',
  sent: (n: number) => (n === 1 ? '1 tick from before is sent' : `${n} ticks from before are sent`),
} as const;
