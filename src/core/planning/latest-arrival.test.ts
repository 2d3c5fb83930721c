import fc from 'fast-check';
import { addDays } from './work-calendar';
import { latestArrival, readyIfArriving } from './latest-arrival';

const remaining = (benchMinutesAfterParts: number, standMinutes = 0) => ({
  ...{ benchMinutesBeforeAnswer: 0, answerAwaited: false, partsLeadDays: 0, partsDueOn: null, holdUntil: null },
  ...{ benchMinutesAfterParts, standMinutes },
});

test('two days of work and a day of slip before a Friday: parts on Tuesday', () => {
  // Tuesday 1 December and a day of slip: Wednesday and Thursday are worked, ready on Friday the 4th.
  expect(latestArrival(remaining(480), '2026-12-04')).toBe('2026-12-01');
  expect(readyIfArriving(remaining(480), '2026-12-01', '2026-11-27')).toBe('2026-12-04');
  expect(readyIfArriving(remaining(480), '2026-12-02', '2026-11-27')).toBe('2026-12-07');
});
test('what was due before today comes today at the soonest', () =>
  expect(readyIfArriving(remaining(0), '2026-11-02', '2026-11-27')).toBe('2026-11-30'));
test('parts on that day keep the promise, a day later breaks it', () =>
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 3000 }), fc.integer({ min: 0, max: 300 }), (minutes, ahead) => {
      const promised = addDays('2026-12-01', ahead);
      const last = latestArrival(remaining(minutes), promised);
      expect(readyIfArriving(remaining(minutes), last, last) <= promised).toBe(true);
      const next = addDays(last, 1);
      expect(readyIfArriving(remaining(minutes), next, next) > promised).toBe(true);
    }),
  ));
