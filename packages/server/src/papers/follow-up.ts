/** Dates of a job that are still to come, as iCalendar (RFC 5545): bypasses to be gone, tests put off, things left. */
import type { Report, ReportGiven } from '@zygostat/core/record';
import { reportOf } from '@zygostat/core/record';
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
        : [{ id: `bypass-${one.id}`, at: one.until, what: `Remove the bypass of ${device(one.device)}` }],
    ),
    ...items.flatMap(({ id, text, until, done }) =>
      done || until === null ? [] : [{ id: `item-${id}`, at: until, what: text }],
    ),
    ...tests.flatMap(({ id, tested }) =>
      tested?.outcome === 'not-so' && tested.handed
        ? [
            {
              id: `failed-${id.replace(/\W+/g, '-')}`,
              at: tested.handed.until,
              what: `Failed test: ${tested.title}`,
            },
          ]
        : [],
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

/** A calendar's line is one line: whatever breaks it is a space. */
const oneLine = (text: string) => text.replace(/[\p{Cc}\u2028\u2029]+/gu, ' ');

/** @param url - opens the job. */
export async function followUp(given: ReportGiven, url: string): Promise<string> {
  const report = reportOf(given);
  const { job, written } = report;
  const calendar = ical({
    name: oneLine(`${job.site}: ${job.name}`),
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
      summary: oneLine(what),
      location: oneLine(job.address === '' ? job.site : `${job.site}, ${job.address}`),
      description: `${oneLine(job.name)}\n${url}`,
      url,
      alarms: [{ type: 'display' as never, trigger: 24 * 3600 }],
    });
  }
  return calendar.toString();
}
