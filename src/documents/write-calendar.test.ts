import ICAL from 'ical.js';
import { writeCalendar } from './write-calendar';

const made = new Date('2026-11-27T08:00:00Z');
const work = {
  ...{ id: 'P-0412-rebuild-0', summary: 'P-0412 Rebuild; “seal, bearings”', description: 'Quillmere\nQB 50' },
  ...{ location: 'Bench 1', start: '2026-11-30T07:00', end: '2026-11-30T11:30' },
};
const whole = { ...work, id: 'PO-1', summary: 'PO-1 from Sillwater', start: '2026-12-31', end: '2027-01-01' };

/** Read back by a parser of others. */
const read = async (text: Promise<string>) =>
  new ICAL.Component(ICAL.parse(await text) as unknown[])
    .getAllSubcomponents('vevent')
    .map((event) => new ICAL.Event(event));

test('hours are those of the clock in the shop, without a zone', async () => {
  const [event] = await read(writeCalendar('Odile, Kettlewick', [work], made));
  expect(event?.startDate.toString()).toBe('2026-11-30T07:00:00');
  expect(event?.endDate.toString()).toBe('2026-11-30T11:30:00');
  expect(event?.startDate.zone).toBe(ICAL.Timezone.localTimezone);
  expect([event?.summary, event?.description, event?.location]).toEqual([
    ...[work.summary, work.description, 'Bench 1'],
  ]);
});
test('a day is a whole day, over the turn of the year', async () => {
  const [event] = await read(writeCalendar('Comes and goes', [whole], made));
  expect(event?.startDate.isDate).toBe(true);
  expect([event?.startDate.toString(), event?.endDate.toString()]).toEqual(['2026-12-31', '2027-01-01']);
});
test('the same work has the same name in every reading, so that a calendar moves it', async () => {
  const moved = { ...work, start: '2026-12-01T07:00', end: '2026-12-01T11:30' };
  const ids = [work, moved].map(async (one) => (await read(writeCalendar('Odile', [one], made)))[0]?.uid);
  expect(await ids[0]).toBe(await ids[1]);
  expect(await ids[0]).toContain(work.id);
});
test('no event leaves a calendar that is still one', async () =>
  expect(await read(writeCalendar('Nobody', [], made))).toEqual([]));
