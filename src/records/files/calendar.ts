import ical, { ICalCalendarMethod } from 'ical-generator';
import { dayOf } from '../../core/calendar/day.ts';

/** A job with its words, as it goes into a calendar. */
export interface CalendarJob {
  id: string;
  on: string;
  title: string;
  detail: string;
}

/** Every job as an all-day event; ids stay the same from export to export, so a calendar that reads the file again updates instead of doubling. */
export function jobsCalendar(gardenName: string, jobs: CalendarJob[], stamp: string): string {
  const calendar = ical({
    name: `${gardenName} (Kilim)`,
    method: ICalCalendarMethod.PUBLISH,
    prodId: { company: 'Kilim', product: 'Kilim', language: 'EN' },
  });
  for (const job of jobs) {
    const start = new Date(dayOf(job.on) * 86_400_000);
    calendar.createEvent({
      id: job.id,
      start,
      allDay: true,
      summary: job.title,
      description: job.detail,
      stamp: new Date(stamp),
    });
  }
  return calendar.toString();
}
