import { present } from '../present';
import f1 from '../../../test-support/plain-overhung.json';
import { buildFamily, loadFamily, type Step, type StepAction } from '../family';
import { placeKey } from '../record';
import { exampleReading, exampleRecord } from '../record/example-record';
import { asksOf } from './asks';

const family = buildFamily(loadFamily(f1));
const idsOf = (steps: readonly Step[], isMeant: (action: StepAction) => boolean) =>
  steps.flatMap((step) => step.actions.filter(isMeant).map((action) => action.id));
const places = (phase: 'as-found' | 'as-left') =>
  family.points
    .filter((point) => point.measured.includes(phase))
    .flatMap((point) => point.places.map((place) => `${point.id} ${placeKey(place)}`));

test('inspection asks for every reading that is not kept yet', () => {
  const first = present(family.points.find((point) => point.measured.includes('as-found') && point.places.length));
  const kept = exampleReading(first.id, placeKey(present(first.places[0])), 45);
  const asks = asksOf(exampleRecord({ station: 'inspect', readings: [kept] }), family);
  expect(asks.map((ask) => `${ask.id} ${ask.place}`)).toEqual(
    places('as-found').filter((place) => place !== `${first.id} ${placeKey(present(first.places[0]))}`),
  );
  expect(new Set(asks.map((ask) => `${ask.unit} ${ask.station}`))).toEqual(new Set(['mm inspect']));
});
test('teardown asks for positions alone; rebuild for positions, torques, bearing temperatures and readings as left', () => {
  const teardown = asksOf(exampleRecord({ station: 'teardown', readings: [] }), family);
  expect(teardown.every((ask) => ask.kind === 'action' && ask.unit === 'mm')).toBe(true);
  expect(teardown.map((ask) => ask.id)).toEqual(
    idsOf(family.teardown, (action) => action.answer?.kind === 'value' && action.answer.unit === 'mm'),
  );
  const rebuild = asksOf(exampleRecord({ station: 'rebuild', readings: [], steps: [] }), family);
  expect(rebuild.filter((ask) => ask.unit === 'N·m').map((ask) => ask.id)).toEqual(
    idsOf(family.rebuild, (action) => action.answer?.kind === 'torque'),
  );
  expect(rebuild.filter((ask) => ask.unit === '°C').map((ask) => ask.id)).toEqual(
    idsOf(family.rebuild, (action) => action.answer?.kind === 'heat'),
  );
  expect(rebuild.filter((ask) => ask.kind === 'reading')).toHaveLength(places('as-left').length);
});
test.each(['receive', 'clean', 'quote', 'parts', 'test', 'report', 'return'] as const)(
  'at %s nothing is asked for',
  (station) => expect(asksOf(exampleRecord({ station }), family)).toEqual([]),
);
test('a closed job asks for nothing', () =>
  expect(
    asksOf(exampleRecord({ station: 'inspect', readings: [], closedAt: '2026-11-01T00:00:00.000Z' }), family),
  ).toEqual([]));
