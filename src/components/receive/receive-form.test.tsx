import { present } from '@/core/present';
import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import f1 from '../../../test-support/plain-overhung.json';
import f6 from '@families/f6-internal-gear.json';
import { familyCard, loadFamily } from '@/core/family';
import { answerFetch, refusal } from '../../../test-support/answer-fetch';
import { router } from '../../../test-support/set-up-components';
import { ReceiveForm } from './receive-form';

const families = [f1, f6].map((file) => familyCard(loadFamily(file), 'a1'));
const customers = [
  {
    id: 'k-1',
    name: 'Harrowmere Botanical Garden',
    contactName: 'Fern Okonjo',
    email: 'fern@garden.example',
    phone: '0207',
  },
  { id: 'k-2', name: 'Aldermoor Baths', contactName: null, email: null, phone: null },
];
const visit = {
  tag: 'P-0399',
  pump: 'Quillmere QB 50-160',
  maker: 'Quillmere',
  model: 'QB 50-160',
  customer: 'Harrowmere Botanical Garden',
  serial: 'QB-22871',
  answer: 'went back in May',
};
/** The shop's doors: its customers by a part of their name, and what a test says of the others. */
const shop = (answer: Parameters<typeof answerFetch>[0], twins: readonly string[] = []) =>
  answerFetch((asked) => {
    const text = /^\/api\/find\/customers\?text=(.*)/.exec(asked.path)?.[1];
    if (text === undefined) return answer(asked);
    const found = customers.filter(({ name }) => name.includes(decodeURIComponent(text)));
    return { body: { data: { customers: found, twins } } };
  });
const show = () => render(<ReceiveForm families={families} />);
const field = (name: RegExp | string) => screen.getByLabelText(name);
const type = async (name: RegExp | string, text: string) => userEvent.type(field(name), text);
const submit = () => userEvent.click(screen.getByRole('button', { name: 'Receive and give it a tag' }));
const fillIn = async () => {
  await type('Serial number', 'QB-1');
  await type('Maker', 'Quillmere');
  await type('Model', 'QB 50');
  await type('Customer', 'Aldermoor Baths');
  await userEvent.type(field('Promised to the customer for'), '2026-12-10');
};
const sent = (asked: ReturnType<typeof answerFetch>) => asked.filter((one) => one.path === '/api/act/receive-pump');

test('what is typed goes out as the door wants it, and the page follows the tag', async () => {
  const asked = shop(() => ({ body: { data: { tag: 'P-0420' } } }));
  show();
  await fillIn();
  await type('Flow, m³/h', '110 gpm');
  await type('Head, m', '32');
  await type('Speed, rpm', '2900');
  await userEvent.click(screen.getByRole('checkbox', { name: 'guard' }));
  await type('Also, with commas between', 'a box, a rope');
  await type('Front left', '0.5 + 0.1 mm');
  await submit();
  await waitFor(() => expect(sent(asked)).toHaveLength(1));
  expect(sent(asked)[0]?.body).toMatchObject({
    customer: 'Aldermoor Baths',
    contact: null,
    pump: { maker: 'Quillmere', model: 'QB 50', serial: 'QB-1', nameplate: {} },
    familyId: 'F1',
    promisedOn: '2026-12-10',
    intake: {
      // 110 US gallons of 3.785411784 L a minute
      duty: { flowM3h: 24.983718, headM: 32, speedRpm: 2900 },
      cameWith: ['guard', 'a box', 'a rope'],
      shims: [{ foot: 'front left', thicknesses: '0.5 + 0.1 mm' }],
    },
  });
  await waitFor(() => expect(router.push).toHaveBeenCalledWith('/jobs/P-0420'));
});

test('maker, model and owner are all taken from the last visit, the contact with them', async () => {
  const asked = shop(({ path }) =>
    path.startsWith('/api/find') ? { body: { data: { strips: [visit] } } } : { body: { data: { tag: 'P-0420' } } },
  );
  show();
  await type('Serial number', 'qb-22871');
  const before = await screen.findByRole('status', { name: 'Earlier visits' });
  expect(within(before).getByRole('link', { name: 'P-0399' })).toHaveAttribute('href', '/jobs/P-0399');
  await userEvent.click(screen.getByRole('button', { name: 'Take maker, model and owner from there' }));
  expect(field('Maker')).toHaveValue('Quillmere');
  expect(field('Model')).toHaveValue('QB 50-160');
  expect(field('Customer')).toHaveValue('Harrowmere Botanical Garden');
  await waitFor(() => expect(field('Contact')).toHaveValue('Fern Okonjo'));
  expect(field('Mail address')).toHaveValue('fern@garden.example');
  await userEvent.type(field('Promised to the customer for'), '2026-12-10');
  await submit();
  await waitFor(() => expect(sent(asked)).toHaveLength(1));
  expect(sent(asked)[0]?.body).toMatchObject({
    contact: { name: 'Fern Okonjo', email: 'fern@garden.example', phone: '0207' },
    pump: { maker: 'Quillmere', model: 'QB 50-160', serial: 'qb-22871' },
  });
});

test('a serial number that only begins like another is no visit of it', async () => {
  shop(() => ({ body: { data: { strips: [visit] } } }));
  show();
  await type('Serial number', 'QB-2287');
  await new Promise((resolve) => setTimeout(resolve, 250));
  expect(screen.queryByRole('status', { name: 'Earlier visits' })).not.toBeInTheDocument();
});

test('a unit that is none is said at its field; nothing is sent and nothing is lost', async () => {
  const asked = shop(() => ({ body: { data: { tag: 'P-0420' } } }));
  show();
  await fillIn();
  await type('Flow, m³/h', '110 buckets');
  await submit();
  expect(await screen.findByRole('alert')).toHaveTextContent('Something typed cannot be read');
  expect(field('Flow, m³/h')).toBeInvalid();
  expect(field('Flow, m³/h')).toHaveValue('110 buckets');
  // flow, head and speed stand together
  expect(field('Head, m')).toBeInvalid();
  expect(sent(asked)).toEqual([]);
});

test('what the server does not take is said at its field, and what was typed stays', async () => {
  shop(() => refusal('pump.serial: is too long', { path: 'pump.serial', message: 'is too long' }));
  show();
  await fillIn();
  await submit();
  expect(await screen.findByText('is too long')).toBeInTheDocument();
  expect(field('Serial number')).toHaveValue('QB-1');
  expect(router.push).not.toHaveBeenCalled();
});

test('the plate proposes the construction, a choice by hand stands against it, and its variant goes along', async () => {
  const asked = shop(() => ({ body: { data: { tag: 'P-0420' } } }));
  show();
  await fillIn();
  await type('Other words on the plate', 'internal gear');
  expect(screen.getByRole('radio', { name: /F6/ })).toBeChecked();
  await userEvent.click(screen.getByRole('radio', { name: /F1/ }));
  expect(screen.getByRole('radio', { name: /F1/ })).toBeChecked();
  await submit();
  await waitFor(() => expect(sent(asked)).toHaveLength(1));
  expect(sent(asked)[0]?.body).toMatchObject({ familyId: 'F1' });
});

test('what is typed is still there after a reload, until the pump has its tag', async () => {
  shop(() => ({ body: { data: { tag: 'P-0420' } } }));
  const { unmount } = show();
  await fillIn();
  await type('The liquid it handled', 'pond water');
  unmount();
  const again = show();
  await waitFor(() => expect(field('The liquid it handled')).toHaveValue('pond water'));
  expect(field('Serial number')).toHaveValue('QB-1');
  await submit();
  await waitFor(() => expect(router.push).toHaveBeenCalled());
  again.unmount();
  show();
  expect(field('Serial number')).toHaveValue('');
});

test('a draft that cannot be read is no draft', () => {
  localStorage.setItem('puddlestone.draft.receive', '{broken');
  show();
  expect(field('Serial number')).toHaveValue('');
});

test('a customer who is written nearly as a known one is asked about, and taken with one press', async () => {
  const { name } = present(customers[0]);
  shop(() => ({ body: {} }), [name]);
  show();
  const owner = screen.getByLabelText('Customer');
  await userEvent.type(owner, `${name}x`);
  await userEvent.click(await screen.findByRole('button', { name: `${name}?` }));
  expect(owner).toHaveValue(name);
  expect(screen.queryByText(/Otherwise it is a new customer/)).not.toBeInTheDocument();
  await waitFor(() => expect(field('Contact')).toHaveValue('Fern Okonjo'));
});

test('the contact of a customer who was named before does not stay with the next one', async () => {
  shop(() => ({ body: {} }));
  show();
  await type('Customer', present(customers[0]).name);
  await waitFor(() => expect(field('Mail address')).toHaveValue('fern@garden.example'));
  await userEvent.clear(field('Customer'));
  await type('Customer', present(customers[1]).name);
  await waitFor(() => expect(field('Mail address')).toHaveValue(''));
  expect([field('Contact'), field('Telephone')].map((one) => (one as HTMLInputElement).value)).toEqual(['', '']);
});

test('a contact that was typed is not taken for the one that the shop knows', async () => {
  shop(() => ({ body: {} }));
  show();
  await type('Mail address', 'wren@garden.example');
  await type('Customer', present(customers[0]).name);
  await waitFor(() => expect(document.querySelectorAll('#customers option')).toHaveLength(1));
  expect(field('Mail address')).toHaveValue('wren@garden.example');
  expect(field('Contact')).toHaveValue('');
});
