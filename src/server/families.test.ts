import { present } from '@/core/present';
import f5 from '@families/f5-plastic-booster.json';
import { DomainError, sayFault } from '@/core/errors';
import { openTestShop, testIntake, testReceiving, type TestShop, plainId } from '../../test-support/open-test-shop';
import { readPdfText } from '../../test-support/read-pdf-text';
import { buildsOfDemo, goesThrough } from '../../test-support/whole-way';
import { buildFamily, readBuild } from '@/core/family';
import { shippedFamilies } from './families';

let shop: TestShop;
beforeAll(async () => void (shop = await openTestShop('families')));
afterAll(() => shop.close());
const faultOf = (sent: Promise<unknown>) =>
  sent.then(
    () => null,
    (error: unknown) => (error instanceof DomainError ? error : Promise.reject(new Error(String(error)))),
  );

/**
 * The stations are the same for every construction: the one of most stages and the one of two rotors are played through
 * all of them here, the simplest in the browser (`e2e/journey`), all by `npm run test:long`; in memory all are, in
 * `core/bench`.
 */
test.each(buildsOfDemo.filter(({ id }) => ['F4', 'F8'].includes(id)))(
  '$id goes from receiving to an issued report',
  (one) => goesThrough(shop, one),
);

test('a way of building that the family does not have is refused by name', async () => {
  expect(
    present(
      await faultOf(
        shop.act('wenna', 'receive-pump', { ...testReceiving('V-1'), familyId: 'F6', axes: { variant: 'glued' } }),
      ),
    ).message,
  ).toContain('F6 is not built as “glued”');
  expect(
    present(
      await faultOf(
        shop.act('wenna', 'receive-pump', { ...testReceiving('V-2'), familyId: 'F4', counts: { stage: 41 } }),
      ),
    ).details.issues,
  ).toMatchObject([{ path: 'counts' }]);
});

/** The shipped monoblock, which a shop varies in these tests. */
const monoblock = present(shippedFamilies.find((family) => family.id === 'F2'));

describe('a pump that turns out to be built otherwise', () => {
  const foundBy = async (text: string) =>
    ((await shop.act('wenna', 'find-jobs', { text })) as { strips: { tag: string }[] }).strips.map(
      (strip) => strip.tag,
    );
  test('takes the right construction before anything is recorded, and is found by it; an elastomer that it does not have falls to the usual', async () => {
    const { tag } = await shop.act('wenna', 'receive-pump', {
      ...testReceiving('C-1'),
      intake: { ...testIntake, elastomer: 'HNBR' },
    });
    const answer = await shop.act('ines', 'correct-construction', {
      tag,
      familyId: 'F10',
      axes: { rotor: 'magnet' },
    });
    const record = present(await shop.load(tag));
    const submersible = present(shippedFamilies.find((family) => family.id === 'F10'));
    expect(record.familyId).toBe('F10');
    expect(record.familyVersion).toContain(`${submersible.version}+`);
    expect(record.familyVersion).toContain('rotor--magnet');
    expect(submersible.elastomers).not.toContain('HNBR');
    expect([answer.asksElastomer, record.intake.elastomer]).toEqual([true, '']);
    expect(record.intake.equipmentNumber).toBe('lily house');
    expect(await foundBy('submersible lily')).toContain(tag);
    expect(await foundBy('overhung lily')).not.toContain(tag);
    expect(await shop.act('wenna', 'read-events', { tag })).toMatchObject({
      difference: null,
      events: [{ kind: 'receive-pump' }, { kind: 'correct-construction' }],
    });
  });
  test('is refused where it is built so already, or not built like that', async () => {
    const { tag } = await shop.act('wenna', 'receive-pump', testReceiving('C-2'));
    expect(
      present(await faultOf(shop.act('wenna', 'correct-construction', { tag, familyId: plainId }))).message,
    ).toContain('already');
    expect(
      present(await faultOf(shop.act('wenna', 'correct-construction', { tag, familyId: 'F99' }))).details.issues,
    ).toMatchObject([{ path: 'familyId' }]);
    expect(
      present(
        await faultOf(shop.act('wenna', 'correct-construction', { tag, familyId: 'F6', axes: { variant: 'glued' } })),
      ).details.issues,
    ).toMatchObject([{ path: 'axes' }]);
    expect(present(await shop.load(tag)).familyId).toBe(plainId);
  });
  test('keeps its construction once a step is done by it', async () => {
    const tag = await shop.play({ at: 'teardown' });
    expect(
      present(await faultOf(shop.act('wenna', 'correct-construction', { tag, familyId: 'F2' }))).message,
    ).toContain(`recorded by ${plainId}`);
  });
  test('what is written down later is found too', async () => {
    const { tag } = await shop.act('wenna', 'receive-pump', testReceiving('C-3'));
    const { intake } = present(await shop.load(tag));
    const { version, isolation: _isolation, ...written } = intake;
    await shop.act('wenna', 'save-intake', {
      tag,
      basedOn: version,
      intake: { ...written, equipmentNumber: 'rockery cascade' },
    });
    expect(await foundBy('rockery cascade')).toEqual([tag]);
    expect(await foundBy('lily house')).not.toContain(tag);
  });
});

describe('a conversion', () => {
  test('is kept beside its job, built of both, and its events give it again', async () => {
    const tag = await shop.play({
      at: 'inspect',
      family: { id: 'F6', build: { axes: { variant: 'packed' } }, elastomer: 'FKM' },
    });
    const convert = (change: object) =>
      shop.act('wenna', 'correct-construction', { tag, familyId: 'F6', axes: { variant: 'packed' }, ...change });
    const to = { variant: 'cartridge' };
    expect(present(await faultOf(convert({ to }))).details.issues).toMatchObject([{ path: 'reason' }]);
    expect(present(await faultOf(convert({ to: { variant: 'glued' }, reason: 'x' }))).details.issues).toMatchObject([
      { path: 'axes' },
    ]);
    const { dropped, familyVersion } = await convert({ to, reason: 'no leakage wanted' });
    expect([dropped, readBuild(familyVersion).to?.variant]).toEqual([[], 'cartridge']);
    const view = await shop.act('wenna', 'read-job', { tag });
    expect(view.family.parts.filter((part) => part.converted === 'comes').map((part) => part.ref)).toContain(
      'cartridge',
    );
    expect(await shop.act('wenna', 'read-events', { tag })).toMatchObject({ difference: null });
  });
});

describe('a shop’s own families', () => {
  const file = (change: object) => JSON.stringify({ ...f5, ...change }, null, 2);
  test('a broken file is refused with every fault by line; nothing is stored', async () => {
    const fault = await faultOf(shop.act('sunniva', 'import-family', { text: file({ principle: 'magic', duty: 7 }) }));
    expect(
      present(present(fault).details.issues)
        .map((issue) => issue.path)
        .toSorted(),
    ).toEqual(['duty', 'principle']);
    expect(sayFault(present(present(present(fault).details.issues)[0])).message).toMatch(/^line \d+, /);
    const { families } = (await shop.act('wenna', 'read-shop', {})) as { families: readonly { id: string }[] };
    expect(families.map((family) => family.id).filter((id) => id.startsWith('S'))).toEqual([plainId]);
  });
  test('a good file becomes the shop’s own, is received with, and its newer version is offered, not forced', async () => {
    const { familyId } = await shop.act('sunniva', 'import-family', {
      text: file({ version: '3.0.0', title: 'Booster, our list' }),
    });
    expect(familyId).toBe('S2');
    const { tag } = await shop.act('wenna', 'receive-pump', {
      ...testReceiving('S-1'),
      familyId,
      counts: { stage: 6 },
    });
    expect(present(await shop.load(tag)).familyVersion).toMatch(/^3\.0\.0\+.*n-stage--6/);
    expect((await shop.act('wenna', 'read-job', { tag })).newerFamily).toBeNull();
    expect(present(await faultOf(shop.act('wenna', 'take-newer-family', { tag }))).message).toContain(
      'no newer version of S2',
    );
    expect(
      present(
        await faultOf(
          shop.act('sunniva', 'import-family', {
            text: file({ id: 'S2', version: '3.0.0', title: 'Booster, our list' }),
          }),
        ),
      ).details.issues,
    ).toMatchObject([{ path: 'version' }]);
    await shop.act('sunniva', 'import-family', {
      text: file({ id: 'S2', version: '3.1.0', title: 'Booster, our newer list' }),
    });
    expect(
      (await shop.act('wenna', 'read-job', { tag })) as { newerFamily: string | null; family: { title: string } },
    ).toMatchObject({ newerFamily: '3.1.0', family: { title: 'Booster, our list' } });
    await shop.act('wenna', 'take-newer-family', { tag });
    expect((await shop.act('wenna', 'read-job', { tag })) as object).toMatchObject({
      newerFamily: null,
      family: { version: expect.stringMatching(/^3\.1\.0\+.*n-stage--6/) as string, title: 'Booster, our newer list' },
    });
  });
  test('once something is recorded, the job keeps its version', async () => {
    const { tag } = await shop.act('wenna', 'receive-pump', { ...testReceiving('S-2'), familyId: 'S2' });
    await shop.act('wenna', 'take-picture', { tag, about: 'job:received', partRef: 'barrel', caption: 'As received' });
    await shop.act('ines', 'confirm-isolation', { tag, basedOn: 1 });
    for (const caution of ['energy-isolation', 'harmful-liquid'])
      await shop.act('ines', 'acknowledge-caution', { tag, caution });
    await shop.act('ines', 'advance-job', { tag, event: 'begin-teardown' });
    const { family } = await shop.act('ines', 'read-job', { tag });
    await shop.answer('ines', tag, 'teardown', { actionId: present(present(family.teardown[0]).actions[0]).id });
    await shop.act('sunniva', 'import-family', { text: file({ id: 'S2', version: '3.2.0', title: 'Newest' }) });
    expect(present(await faultOf(shop.act('wenna', 'take-newer-family', { tag }))).message).toContain(
      'it keeps that version',
    );
    expect((await shop.act('wenna', 'read-job', { tag })).newerFamily).toBeNull();
  });
  test('a variant of limits and times is an overlay by ids; the shipped family stays', async () => {
    const { familyId } = await shop.act('sunniva', 'make-own-family', {
      familyId: 'F2',
      title: 'Monoblock, our way',
      changes: [{ path: `labour/${present(present(shippedFamilies[1]).written.labour[0]).id}/minutes`, value: 95 }],
    });
    const read = async (id: string) =>
      (await shop.act('ines', 'read-family', { familyId: id, words: [] })).family.written;
    expect(await read(familyId)).toMatchObject({
      made_from: `F2 ${monoblock.version}`,
      labour: [{ minutes: 95 }, ...monoblock.written.labour.slice(1).map(() => ({}))],
    });
    expect(present((await read('F2')).labour[0]).minutes).toBe(
      present(present(shippedFamilies.find((family) => family.id === 'F2')).written.labour[0]).minutes,
    );
    expect(
      present(
        await faultOf(
          shop.act('sunniva', 'make-own-family', {
            familyId: 'F2',
            title: 'x',
            changes: [{ path: 'id', value: 'F9' }],
          }),
        ),
      ).message,
    ).toContain('id cannot be changed here');
  });
  test('an overlay file is taken in on the family that it extends, and refused where that is not here', async () => {
    const overlay = {
      ...{ format: 'puddlestone-family-overlay/1', id: 'S70', version: '1.0.0', title: 'Monoblock of the north' },
      extends: { family: 'F2', version: monoblock.version },
      set: { duty: 'as we use it' },
    };
    const take = (change: object) =>
      shop.act('sunniva', 'import-family', { text: JSON.stringify({ ...overlay, ...change }) });
    expect(await take({})).toEqual({ familyId: 'S70', version: '1.0.0' });
    const { family } = await shop.act('ines', 'read-family', { familyId: 'S70', words: [] });
    expect(family).toMatchObject({ id: 'S70', duty: 'as we use it', made_from: `F2 ${monoblock.version}` });
    expect((await faultOf(take({})))?.message).toContain('needs a higher one');
    expect((await faultOf(take({ extends: { family: 'F2', version: '9.0.0' } })))?.message).toContain(
      'F2 9.0.0, which is not here',
    );
    expect((await faultOf(take({ version: '1.1.0', leave_out: ['parts/no-such'] })))?.details.issues).toMatchObject([
      { path: 'parts/no-such' },
    ]);
    expect((await faultOf(take({ version: '1', set: 7 })))?.details.issues?.map((issue) => issue.path)).toEqual([
      'version',
      'set',
    ]);
  });
  test('two variants made at the same moment have numbers of their own', async () => {
    const make = () =>
      shop.act('sunniva', 'make-own-family', {
        ...{
          familyId: 'F2',
          title: 'x',
          changes: [
            { path: `parts/${present(present(shippedFamilies[1]).written.parts[0]).ref}/price_minor`, value: 1 },
          ],
        },
      });
    const made = await Promise.all([make(), make(), make()]);
    expect(new Set(made.map((one) => one.familyId)).size).toBe(3);
  });
  test('a section is drawn for whoever works here; a family that is none is named', async () => {
    const { version } = present(shippedFamilies.find((one) => one.id === 'F6'));
    const drawing = await shop.act('marek', 'read-section', { familyId: 'F6', version });
    expect(drawing.shapes.length).toBeGreaterThan(20);
    await expect(shop.act('marek', 'read-section', { familyId: 'F66', version: '2.0.0' })).rejects.toMatchObject({
      details: { what: 'There is no family F66 in version 2.0.0.' },
    });
  });
  test('booklet and traveller hold every step; the traveller has a box for every place', async () => {
    const file = present(shippedFamilies.find((one) => one.id === 'F6'));
    const family = buildFamily(file, { axes: { variant: 'packed' } });
    const textOf = async (as: string) =>
      (
        await readPdfText(
          (await shop.act('ines', 'read-family-document', { familyId: 'F6', words: [['variant', 'packed']], as }))
            .bytes,
        )
      )
        .join(' ')
        .replace(/\s+/g, ' ');
    const [booklet, traveller] = [await textOf('booklet'), await textOf('traveller')];
    for (const step of [...family.teardown, ...family.rebuild]) {
      expect(booklet).toContain(step.title);
      expect(traveller).toContain(step.title);
    }
    expect(present(traveller.match(/as found \/ as left, /g)).length).toBe(
      family.points.reduce((sum, point) => sum + (point.derived ? 1 : point.places.length), 0),
    );
    expect(booklet).not.toContain('Cartridge seal');
  });
});
