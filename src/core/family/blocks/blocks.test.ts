import { readdirSync, readFileSync } from 'node:fs';
import { present } from '../../present';
import { loadFamily } from '../load-family';
import { readFamilyFile } from '../read-file';
import { blockSchema, expandBlocks, shippedBlocks, type Block } from '.';

const block = (change: Record<string, unknown> = {}): Block =>
  blockSchema.parse({
    format: 'puddlestone-block/1',
    id: 'cover',
    title: 'Cover',
    what: 'A cover with its screws.',
    parameters: {
      name: { what: 'its name' },
      screws: { what: 'how many screws', usual: 4 },
      vented: { what: 'when it has a vent', optional: true },
      behind: { what: 'what closes it in', usual: ['guard', 'frame'] },
      axis: { what: 'the axis of its joint', usual: 'joint' },
    },
    lists: {
      parts: [
        { ref: 'cover', name: '{name} of the {name}', quantity: '{screws}', behind: ['{behind}', 'nut'] },
        { ref: 'vent', given: 'vented', when: '{vented}' },
        { ref: 'ring', when: { '{axis}': ['ring', 'both'] } },
      ],
      off: [{ id: 'screws-out', do: ['{screws} screws'] }],
    },
    ...change,
  });
const blocks = new Map([['cover', block()]]);
const expand = (json: Record<string, unknown>) => expandBlocks(json, blocks).json as Record<string, unknown[]>;
const use = (change: Record<string, unknown> = {}) => ({ lid: { block: 'cover', with: { name: 'Lid' }, ...change } });
const parts = { from: 'lid', take: 'parts' };

describe('a block laid into a list', () => {
  test('parameters stand in words, as figures and as lists; what was not given is left out', () =>
    expect(expand({ uses: use(), parts: [{ ref: 'a' }, parts, { ref: 'z' }] })).toEqual({
      parts: [
        { ref: 'a' },
        { ref: 'cover', name: 'Lid of the Lid', quantity: 4, behind: ['guard', 'frame', 'nut'] },
        { ref: 'ring', when: { joint: ['ring', 'both'] } },
        { ref: 'z' },
      ],
    }));
  test('what is given stands, and a key may be a parameter', () =>
    expect(
      expand({ uses: use({ with: { name: 'Lid', vented: { vent: 'yes' }, axis: 'head' } }), parts: [parts] }).parts,
    ).toMatchObject([{}, { ref: 'vent', when: { vent: 'yes' } }, { when: { head: ['ring', 'both'] } }]));
  test('conditions of the use, of the place and of the element hold together', () => {
    const placed = { ...parts, when: { joint: ['both', 'flat'] } };
    expect(expand({ uses: use({ when: { seal: 'packed' } }), parts: [placed] }).parts).toMatchObject([
      { when: { seal: 'packed', joint: ['both', 'flat'] } },
      { when: { seal: 'packed', joint: ['both'] } },
    ]);
  });
  test('parts repeat over the set of the use, actions within a step do not', () => {
    const { parts: made, teardown } = expand({
      uses: use({ per: 'seal' }),
      parts: [parts],
      teardown: [{ id: 'open', actions: [{ from: 'lid', take: 'off' }] }],
    });
    expect(made).toMatchObject([{ per: 'seal' }, { per: 'seal' }]);
    expect(teardown).toEqual([{ id: 'open', actions: [{ id: 'screws-out', do: ['4 screws'] }] }]);
  });
  test('a place may leave elements out, and give a parameter of its own', () =>
    expect(
      expand({ uses: use(), parts: [{ ...parts, without: ['ring'], with: { screws: { size: 'screws' } } }] }).parts,
    ).toMatchObject([{ ref: 'cover', quantity: { size: 'screws' } }]));
  test('a family without blocks comes back as it is', () => {
    const plain = { parts: [{ ref: 'a' }] };
    expect(expandBlocks(plain, blocks).json).toBe(plain);
  });
  test('a place after a block is found again where it was written', () => {
    const { placeOf } = expandBlocks({ uses: use(), parts: [{ ref: 'a' }, parts, { ref: 'z' }] }, blocks);
    expect(placeOf(['parts', 0, 'name'])).toEqual(['parts', 0, 'name']);
    expect(placeOf(['parts', 2, 'name'])).toEqual(['parts', 1]);
    expect(placeOf(['parts', 3, 'name'])).toEqual(['parts', 2, 'name']);
  });
});

describe('a use that cannot be carried out is said with its place', () => {
  const faultOf = (json: Record<string, unknown>, known = blocks) => {
    try {
      expandBlocks(json, known);
    } catch (error) {
      return (error as Error).message;
    }
    return null;
  };
  test.each([
    [
      'a block that is not there',
      { uses: use({ block: 'roof' }), parts: [parts] },
      'uses.lid.block: there is no block “roof”',
    ],
    [
      'a name that is not among the uses',
      { uses: use(), parts: [{ ...parts, from: 'roof' }] },
      'parts.0.from: “roof” is not among the blocks that this file uses',
    ],
    [
      'a list that the block has not got',
      { uses: use(), parts: [{ ...parts, take: 'on' }] },
      'parts.0.take: the block cover has no list “on”; it has parts, off',
    ],
    [
      'a list by a name that every object has',
      { uses: use(), parts: [{ ...parts, take: 'constructor' }] },
      'parts.0.take: the block cover has no list “constructor”; it has parts, off',
    ],
    [
      'a parameter by a name that every object has',
      { uses: use({ with: { name: 'Lid', constructor: 3 } }), parts: [parts] },
      'parts.0: the block cover has no parameter “constructor”',
    ],
    [
      'a parameter that it has not got',
      { uses: use({ with: { name: 'Lid', nuts: 3 } }), parts: [parts] },
      'parts.0: the block cover has no parameter “nuts”',
    ],
    [
      'one that must be given',
      { uses: use({ with: {} }), parts: [parts] },
      'parts.0: the block cover needs “name”: its name',
    ],
    [
      'one that cannot stand within words',
      { uses: use({ with: { name: ['Lid'] } }), parts: [parts] },
      'parts.0: the block cover “name” stands within words, and must be words or a number',
    ],
    [
      'leaving out what is not there',
      { uses: use(), parts: [{ ...parts, without: ['vent'] }] },
      'parts.0.without: the block has no “vent” here',
    ],
    ['a use that is misspelt', { uses: { lid: { blok: 'cover' } }, parts: [] }, 'uses.lid'],
    ['a place that is misspelt', { uses: use(), parts: [{ ...parts, then: 1 }] }, 'parts.0'],
  ])('%s', (_what, json, message) => expect(faultOf(json)).toContain(message));
  test('a block that names a parameter which it does not declare', () => {
    const bad = block({ lists: { parts: [{ ref: '{ghost}' }] } });
    expect(faultOf({ uses: use(), parts: [parts] }, new Map([['cover', bad]]))).toBe(
      'parts.0: the block cover has no parameter “ghost”',
    );
  });
});

describe('read from a file', () => {
  const text = readFileSync('families/f6-internal-gear.json', 'utf8');
  const lineOf = (words: string) => text.split('\n').findIndex((line) => line.includes(words)) + 1;
  test('an unknown block is a fault with its line', () =>
    expect(readFamilyFile(text.replace('"block": "packing-box"', '"block": "packing-bag"')).faults[0]).toEqual({
      path: 'uses.packing.block',
      line: lineOf('"packing-box"'),
      message: 'there is no block “packing-bag”',
    }));
  test('a parameter of the wrong kind is said at the place of its list, with where within', () => {
    const { faults } = readFamilyFile(text.replace('"price": 46000', '"price": "dear"'));
    expect(faults[0]).toMatchObject({ line: lineOf('"from": "cartridge", "take": "parts"') });
    expect(faults[0]?.message).toContain('price_minor');
  });
});

describe('the shipped blocks', () => {
  const texts = readdirSync('families')
    .filter((name) => name.endsWith('.json'))
    .map((name) => readFileSync(`families/${name}`, 'utf8'));
  const onDisk = readdirSync('families/blocks').map((name) => name.replace('.json', ''));
  test('all of the folder are known, by their names', () =>
    expect([...shippedBlocks.keys()].toSorted()).toEqual(onDisk.toSorted()));
  test.each([...shippedBlocks.values()].map((one) => [one.id, one] as const))(
    '%s declares what it names, names what it declares, and is used',
    (id, shipped) => {
      const written = JSON.stringify(shipped.lists);
      const named = [...written.matchAll(/\{([a-z][a-z0-9-]*)\}/g)].map((match) => present(match[1]));
      const given = [...written.matchAll(/"given":"([^"]+)"/g)].map((match) => present(match[1]));
      expect(new Set([...named, ...given])).toEqual(new Set(Object.keys(shipped.parameters)));
      expect(texts.filter((text) => text.includes(`"block": "${id}"`)).length).toBeGreaterThan(0);
    },
  );
  test('a family that is read has its blocks laid in, and keeps no word of them', () => {
    const { written } = loadFamily(JSON.parse(texts.find((text) => text.includes('"id": "F6"')) ?? '{}'));
    expect(written).not.toHaveProperty('uses');
    expect(written.parts.some((part) => part.ref === 'gland')).toBe(true);
  });
});
