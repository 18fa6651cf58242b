/** Dates of a job that are still to come, as iCalendar (RFC 5545): bypasses to be gone, tests put off, things left. */
import type { Report } from '@zygostat/core/record';
import { namesIn } from '@zygostat/core/words';
import ical, { ICalCalendarMethod } from 'ical-generator';

interface FollowUp {
  id: string;
  at: string;
  what: string;
}

/** What has a date and is still open. */
function followUps({ left, bypasses, items, tests }: Report): FollowUp[] {
  const { device } = namesIn(left);
  return [
    ...bypasses.flatMap((one) =>
      one.state === 'restored'
        ? []
        : [{ id: `bypass-${one.id}`, at: one.until, what: `Bypass of ${device(one.device)} must be gone` }],
    ),
    ...items.flatMap(({ id, text, until, done }) =>
      done || until === null ? [] : [{ id: `item-${id}`, at: until, what: text }],
    ),
    ...tests.flatMap(({ id, tested }) =>
      tested?.outcome === 'not-today' && tested.until !== null
        ? [{ id: `test-${id.replace(/\W+/g, '-')}`, at: tested.until, what: `Test put off: ${tested.title}` }]
        : [],
    ),
  ];
}

/** How long the calendar is told to keep free, minutes. */
const HOUR_MIN = 60;

/** @param url - opens the job. */
export function followUpCalendar(report: Report, url: string): string {
  const { job, written } = report;
  const calendar = ical({
    name: `${job.site}: ${job.name}`,
    prodId: { company: 'Zygostat', product: 'Zygostat', language: 'EN' },
    method: ICalCalendarMethod.PUBLISH,
  });
  for (const { id, at, what } of followUps(report)) {
    const start = new Date(at);
    calendar.createEvent({
      id: `${job.id}-${id}@zygostat`,
      stamp: new Date(written),
      start,
      end: new Date(start.getTime() + HOUR_MIN * 60_000),
      summary: what,
      location: job.site,
      description: `${job.name}\n${url}`,
      url,
      alarms: [{ type: 'display' as never, trigger: 24 * 3600 }],
    });
  }
  return calendar.toString();
}
