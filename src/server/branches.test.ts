import { present } from '@/core/present';
import { currentQuote, supplementsOf } from '@/core/record';
import { needsOf } from '@/core/supply';
import { openTestShop, type TestShop } from '../../test-support/open-test-shop';
import { codeOf } from '../../test-support/told';
import { act, carryOutDue, openCustomerLink, perform, readCustomerPage } from '.';

/** A repair that branches, as people and customers reach it: by verbs, mails and links, kept in the database. */
let shop: TestShop;
beforeAll(async () => void (shop = await openTestShop('branches')));
afterAll(() => shop.close());

const loaded = async (tag: string) => present(await shop.load(tag));
interface Mail {
  readonly to: string;
  readonly subject: string;
  readonly body: string;
}
async function mailsOf(tag: string): Promise<readonly Mail[]> {
  await carryOutDue(shop.contextOf('sunniva'), 400);
  const { mails } = (await shop.act('wenna', 'read-outbox', {})) as { mails: readonly Mail[] };
  return mails.filter(({ subject }) => subject.includes(tag));
}
const tokenIn = ({ body }: Mail) => present(present(/customer\/([0-9a-f]{64})/.exec(body))[1]);
async function customerBy(mail: Mail) {
  const actor = await openCustomerLink(shop.runtime.database, tokenIn(mail), new Date());
  return shop.contextOf('x', { actor });
}

test('hidden damage at rebuild: a supplement by link, its part ordered, the step goes on; all of it in the record', async () => {
  const tag = await shop.play({ at: 'rebuild', stopsBefore: 'bearings' });
  const found = await shop.act('ines', 'find-later', {
    ...{ tag, partRef: 'bracket', words: 'crack in the foot', whyOnlyNow: 'Paint hid it.', photoId: null },
    action: 'replace',
  });
  expect(found).toMatchObject({ supplement: 1, isApproved: false });
  const quoteId = present(found.quoteId);
  expect(await codeOf(shop.act('ines', 'send-supplement', { tag, quoteId, basedOn: 1 }))).toBe('not-allowed');
  await shop.act('wenna', 'send-supplement', { tag, quoteId, basedOn: 1 });
  const mail = present((await mailsOf(tag)).find(({ subject }) => subject.startsWith('Supplement 1')));
  expect(mail.body).toContain('Paint hid it.');
  const context = await customerBy(mail);
  const page = await perform(readCustomerPage, context, {});
  expect(page.supplement?.whyOnlyNow).toBe('Paint hid it.');
  expect(JSON.stringify(page)).not.toMatch(/unitCostMinor|byHand/);
  const answer = { quoteId, name: 'Fern Okonjo', declinedLines: [], declineAll: false, signature: 'typed' };
  await act('answer-quote', context, answer);
  const record = await loaded(tag);
  expect(record.station).toBe('rebuild');
  expect(supplementsOf(record)[0]?.state).toBe('answered');
  const { family } = await shop.act('wenna', 'read-job', { tag });
  expect(needsOf(record, family)).toContainEqual(expect.objectContaining({ ref: 'bracket', ordered: 0 }));
  await shop.act('bram', 'order-parts', { tag });
  expect((await loaded(tag)).orders).toHaveLength(2);
  expect((await shop.act('wenna', 'read-events', { tag })).difference).toBeNull();
});

test('a question by the link is answered on the page and by mail; another quote’s link asks nothing here', async () => {
  const [tag, other] = [await shop.play({ at: 'approve' }), await shop.play({ at: 'approve' })];
  const mine = await customerBy(present((await mailsOf(tag))[0]));
  const theirs = await customerBy(present((await mailsOf(other))[0]));
  const { id: quoteId } = present(currentQuote(await loaded(tag)));
  const question = { quoteId, name: 'Hesper Dane', words: 'Can the sleeve wait?' };
  expect(await codeOf(act('ask-question', theirs, question))).toBe('link-not-valid');
  const { questionId } = await act('ask-question', mine, question);
  await shop.act('wenna', 'answer-question', { tag, questionId, words: 'It can, until spring.' });
  const mail = present((await mailsOf(tag)).find(({ subject }) => subject.startsWith('Your question')));
  expect(mail.body).toContain('It can, until spring.');
  expect((await loaded(tag)).questions).toMatchObject([{ askedBy: 'Hesper Dane', answer: { personName: 'wenna' } }]);
});

test('a reminder goes out with a link that opens; further recipients get the quote, each once', async () => {
  const tag = await shop.play({ at: 'quote' });
  const quote = present(currentQuote(await loaded(tag)));
  const recipients = [
    { name: 'Corin Ashby', email: 'corin@garden.example' },
    { name: 'Corin again', email: 'corin@garden.example' },
  ];
  await shop.act('wenna', 'change-quote', { tag, basedOn: quote.version, recipients, note: 'As we said.' });
  await shop.act('wenna', 'send-quote', { tag });
  const sent = (await mailsOf(tag)).filter(({ subject }) => subject.startsWith('Quote'));
  expect(sent.map(({ to }) => to).toSorted()).toEqual(
    [present((await loaded(tag)).contact).email, 'corin@garden.example'].toSorted(),
  );
  expect(present(sent[0]).body).toContain('As we said.');
  await shop.act('wenna', 'send-reminder', { tag, words: 'Dear Fern, we wait.' });
  const reminder = present((await mailsOf(tag)).find(({ subject }) => subject.includes('we wait for your answer')));
  expect((await openCustomerLink(shop.runtime.database, tokenIn(reminder), new Date())).kind).toBe('customer');
});

test('of two who answer one supplement at once one is told, and a new revision keeps what was changed by hand', async () => {
  const tag = await shop.play({ at: 'quote' });
  const quote = present(currentQuote(await loaded(tag)));
  const line = present(quote.lines.find(({ kind }) => kind === 'labour'));
  const change = {
    tag,
    lineId: line.id,
    basedOn: quote.version,
    description: 'By hand',
    quantity: 1,
    unitPriceMinor: 4200,
  };
  const twice = await Promise.all([1, 2].map(() => codeOf(shop.act('wenna', 'change-line', change))));
  expect(twice.toSorted()).toEqual(['changed-meanwhile', 'done']);
  await shop.act('wenna', 'draw-up-quote', { tag });
  const again = present(currentQuote(await loaded(tag)));
  expect(again.lines.find(({ key }) => key === line.key)).toMatchObject({
    description: 'By hand',
    unitPriceMinor: 4200,
  });
  expect((await shop.act('wenna', 'read-events', { tag })).difference).toBeNull();
});
