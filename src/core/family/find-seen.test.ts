import { readdirSync, readFileSync } from 'node:fs';
import { buildFamily, buildOf, findSeen, loadFamily } from '.';
import { present } from '../present';

const families = readdirSync('families')
  .filter((file) => file.endsWith('.json'))
  .map((file) => loadFamily(JSON.parse(readFileSync(`families/${file}`, 'utf8'))));
const ids = (text: string) => findSeen(families, text).map((one) => one.id);
const first = (text: string) => present(findSeen(families, text)[0]);
const seenOf = (text: string, id: string) =>
  present(findSeen(families, text).find((one) => one.id === id)).seen.map(({ said, where }) => [said, where]);

test('what most things fit comes first; what was said and is not there is named', () => {
  expect(first('packing, belt')).toMatchObject({ id: 'F9', missing: [] });
  // Lobes and screws have two shafts; none of them has packing and a belt as well.
  const both = findSeen(families, 'two shafts, packing, belt');
  expect(both[0]).toMatchObject({ id: 'F9', missing: ['two shafts'] });
  expect(both.map((one) => one.id)).toEqual(expect.arrayContaining(['F7', 'F8']));
});
test.each([
  ['two shafts, rotor case', 'F7'],
  ['two shafts, screws', 'F8'],
  ['crescent, packing', 'F6'],
  ['twelve stages, straps', 'F4'],
  ['plastic stages, barrel', 'F5'],
  ['magnet rotor, oil housing', 'F10'],
  ['milk, stub shaft', 'F3'],
  ['motor bearings carry the pump', 'F2'],
  ['bearing bracket, end suction', 'F1'],
])('“%s” is %s', (text, id) => expect(ids(text)[0]).toBe(id));
test('a number must fit: as many of a set as the family has, or may have', () => {
  expect(ids('two shafts').toSorted()).toEqual(['F7', 'F8']);
  expect(ids('three shafts')).toEqual([]);
  expect(seenOf('9 stages', 'F4')).toEqual([['9 stages', 'set']]);
  expect(ids('41 stages')).toEqual([]);
});
test('a part goes by its noun: a pack of shims is no packing', () => {
  expect(ids('packing')).not.toContain('F7');
  expect(seenOf('shim packs', 'F7')).toEqual([['shim packs', 'part']]);
});
test('words of the plate tell more than a part of the same name', () => {
  expect(seenOf('Internal Gear', 'F6')).toEqual([['Internal Gear', 'plate']]);
  expect(seenOf('pump of the type sewage', 'F10')).toEqual([['pump of the type sewage', 'plate']]);
});
test('what is found is a build that can be made', () => {
  for (const text of ['packing, belt', 'cartridge, two shafts', 'magnet rotor', '12 stages', 'flushed', 'packed']) {
    for (const { id, seen } of findSeen(families, text)) {
      const family = present(families.find((one) => one.id === id));
      expect(() => buildFamily(family, buildOf(seen.flatMap((one) => one.words)))).not.toThrow();
    }
  }
  expect(buildOf(first('packing, belt').seen.flatMap((one) => one.words)).axes).toEqual({
    drive: 'belt',
    box: 'packing',
  });
});
test('nothing, and nothing but commas, finds nothing; signs of a search language are only characters', () => {
  for (const text of ['', ' , ;', '%', '.*', '(', '"packing']) expect(() => findSeen(families, text)).not.toThrow();
  expect([ids(''), ids(' , ;'), ids('.*'), ids('zebra')]).toEqual([[], [], [], []]);
});
