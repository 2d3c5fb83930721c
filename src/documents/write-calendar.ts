/** An event of a calendar: of some hours in the shop's own time, or of a whole day. */
export interface CalendarEvent {
  /** The same for the same thing, however often the calendar is read. */
  readonly id: string;
  readonly summary: string;
  readonly description: string;
  readonly location: string;
  /** `YYYY-MM-DDTHH:MM` of the shop's clock; a day alone is the whole of it. */
  readonly start: string;
  readonly end: string;
}

/** A local time as the library takes it: its figures are written out as they are, without a zone. */
const asIs = (time: string) => new Date(time.length === 10 ? `${time}T00:00:00Z` : `${time}:00Z`);

/**
 * A calendar as iCalendar (RFC 5545). Hours are floating: they are those of the clock in the shop, wherever it is read.
 * @param stamp when it was made
 */
export async function writeCalendar(name: string, events: readonly CalendarEvent[], stamp: Date): Promise<string> {
  const { default: ical, ICalCalendarMethod } = await import('ical-generator');
  const calendar = ical({
    ...{
      name,
      prodId: { company: 'Puddlestone', product: 'Plan', language: 'EN' },
      method: ICalCalendarMethod.PUBLISH,
    },
    ...{ ttl: 900, timezone: 'UTC' },
  });
  for (const { id, start, end, ...event } of events)
    calendar.createEvent({
      ...event,
      ...{ id: `${id}@puddlestone`, start: asIs(start), end: asIs(end), stamp },
      ...(start.length === 10 ? { allDay: true } : { floating: true }),
    });
  return calendar.toString();
}
