import f1 from '@families/f1-overhung.json';
import { buildFamily, loadFamily, readBuild, type AnswerForm } from '@/core/family';
import { exampleRecord } from '@/core/record/example-record';
import { correctionOf } from './correction';

const family = buildFamily(loadFamily(f1), { size: 'b55', to: { seal: 'cartridge' } });
const view = { family, record: exampleRecord({ familyVersion: family.version }) };
const form = (id: string): AnswerForm | undefined =>
  family.teardown.flatMap((step) => step.actions).find((action) => action.id === id)?.answer;
const said = (id: string, words: string) => correctionOf(view, form(id), { title: 'How it is locked', words });

test('what is found otherwise than it was received corrects that axis alone; size and conversion stay', () => {
  const before = readBuild(family.version);
  expect(said('locking-found', 'Threadlocker')).toEqual({
    ...{ tag: 'P-0417', familyId: 'F1', reason: 'How it is locked: Threadlocker' },
    axes: { ...before.axes, locking: 'threadlocker' },
    ...{ size: 'b55', to: before.to },
  });
});
test('what is found as it was received, a word that is no choice, and every other answer correct nothing', () => {
  expect(said('locking-found', 'Tab washer')).toBeNull();
  expect(said('locking-found', 'A nail')).toBeNull();
  expect(said('nut-hand', 'right')).toBeNull();
  expect(correctionOf(view, undefined, { title: '', words: '' })).toBeNull();
});
