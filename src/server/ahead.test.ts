import { present } from '@/core/present';
import { openTestShop, testIntake, type TestShop } from '../../test-support/open-test-shop';
import { codeOf } from '../../test-support/told';
import { act, beginChange } from '.';

let shop: TestShop;
beforeAll(async () => void (shop = await openTestShop('ahead')));
afterAll(() => shop.close());

const look = (tag: string, words: string) => ({ tag, partRef: 'impeller', words, plain: '', photoId: null });
const ahead = (input: object) => beginChange(shop.runtime.reads, { verb: 'record-finding', input, isShown: true });
const findings = async (tag: string) => present(await shop.load(tag)).findings.map(({ words }) => words);

test('a change takes what was begun for it, and each of it is given once', async () => {
  const tag = await shop.play({ at: 'inspect' });
  const begun = present(ahead(look(tag, 'scored')));
  await act('record-finding', shop.contextOf('odile', { ahead: begun }), look(tag, 'scored'));
  expect(begun.record()).toBeUndefined();
  expect(await findings(tag)).toContain('scored');
  // What the decision did not need is left for whoever answers it.
  expect((await begun.shop())?.shop.name).toBe((await shop.contextOf('odile').shopAtHand())?.shop.name);
  expect(begun.shop()).toBeUndefined();
});

test('where somebody was first meanwhile it is decided anew, on what stands then', async () => {
  const tag = await shop.play({ at: 'inspect' });
  const begun = present(ahead(look(tag, 'pitted')));
  await begun.planned();
  await shop.act('marek', 'record-finding', look(tag, 'scored'));
  await act('record-finding', shop.contextOf('odile', { ahead: begun }), look(tag, 'pitted'));
  expect(await findings(tag)).toEqual(expect.arrayContaining(['scored', 'pitted']));
});

test('what is begun of one job is not taken for another', async () => {
  const [one, other] = [await shop.play({ at: 'inspect' }), await shop.play({ at: 'inspect' })];
  const begun = present(ahead(look(one, 'worn')));
  await act('record-finding', shop.contextOf('odile', { ahead: begun }), look(other, 'worn'));
  expect([await findings(one), await findings(other)].map((words) => words.includes('worn'))).toEqual([false, true]);
});

test('nothing is begun for what changes no job of a tag or asks devices first; a job that is missing is said', async () => {
  const { reads } = shop.runtime;
  const at = (verb: 'run-test' | 'sign-in' | 'save-intake', input: unknown) =>
    beginChange(reads, { verb, input, isShown: false });
  expect(at('run-test', { tag: 'P-0001' })).toBeUndefined();
  expect(at('sign-in', { email: 'a', password: 'b' })).toBeUndefined();
  expect(at('save-intake', { tag: 7 })).toBeUndefined();
  expect(at('save-intake', null)).toBeUndefined();
  const input = { tag: 'P-9999', basedOn: 1, intake: testIntake };
  const begun = present(at('save-intake', input));
  expect(await codeOf(act('save-intake', shop.contextOf('wenna', { ahead: begun }), input))).toBe('not-found');
});
