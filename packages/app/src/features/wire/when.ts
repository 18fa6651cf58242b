const WHEN = new Intl.DateTimeFormat('en-US', {
  month: 'short',
  day: 'numeric',
  hour: 'numeric',
  minute: '2-digit',
});

/** "Dec 1, 10:12 AM": a day and a time of this device. */
export const whenText = (at: string): string => WHEN.format(new Date(at));
