import { render, screen, waitFor, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import f1 from '@families/f1-overhung.json';
import f6 from '@families/f6-internal-gear.json';
import { familyCard, loadFamily } from '@/core/family';
import { answerFetch, refusal } from '../../../test-support/answer-fetch';
import { router } from '../../../test-support/set-up-components';
import { ConstructionForm } from './construction-form';

const families = [f1, f6].map((file) => familyCard(loadFamily(file), 'a1'));
const show = (change: object = {}) =>
  render(
    <ConstructionForm
      {...{ tag: 'P-0417', pump: 'Dunnockworth DG 80', families, isOpen: false, isBuildOpen: true }}
      now={{ familyId: 'F6', title: 'Internal gear', elastomer: 'FKM', build: { axes: { variant: 'packed' } } }}
      {...change}
    />,
  );
const answered = (dropped: string[]) => ({
  body: { data: { version: 2, familyVersion: '3.1.0', asksElastomer: false, dropped } },
});
const press = (name: string | RegExp) => userEvent.click(screen.getByRole('button', { name }));
const bodies = (asked: ReturnType<typeof answerFetch>) =>
  asked.filter(({ path }) => path === '/api/act/correct-construction').map(({ body }) => body);
const why = () => screen.getByLabelText('How it was seen, or why it is converted');

test('while work is recorded only how it is built is asked, with a reason; what is dropped is read before going on', async () => {
  const asked = answerFetch(() => answered(['Packing rings taken out']));
  show();
  expect(screen.queryByRole('radiogroup')).toBeNull();
  await userEvent.selectOptions(screen.getByLabelText('Built as'), 'component-seal');
  await userEvent.type(why(), 'a seal lies behind the gland');
  await press('It is built so');
  await waitFor(() => expect(screen.getByText('Packing rings taken out')).toBeTruthy());
  expect(bodies(asked)).toEqual([
    {
      ...{ tag: 'P-0417', familyId: 'F6', reason: 'a seal lies behind the gland' },
      axes: { variant: 'component-seal' },
    },
  ]);
  expect(router.push).not.toHaveBeenCalled();
  expect(screen.getByRole('link', { name: /Go on with/ }).getAttribute('href')).toBe('/jobs/P-0417');
});
test('a conversion sends only what goes back otherwise', async () => {
  const asked = answerFetch(() => answered([]));
  show();
  await press('It goes back otherwise: a conversion');
  const back = within(screen.getByRole('region', { name: 'It goes back as' }));
  await userEvent.selectOptions(back.getByLabelText('Built as'), 'cartridge');
  await userEvent.type(why(), 'no leakage wanted');
  await press('It is built so');
  await waitFor(() => expect(router.push).toHaveBeenCalledWith('/jobs/P-0417'));
  expect(bodies(asked)).toMatchObject([{ axes: { variant: 'packed' }, to: { variant: 'cartridge' } }]);
});
test('taken back, it goes back as it came', async () => {
  const asked = answerFetch(() => answered([]));
  show({ now: { familyId: 'F6', title: 'x', elastomer: '', build: { to: { variant: 'cartridge' } } } });
  await press('No, it goes back as it came');
  await press('It is built so');
  await waitFor(() => expect(bodies(asked)).toHaveLength(1));
  expect(bodies(asked)[0]).not.toHaveProperty('to');
});
test('a refusal is said at its field, and what was chosen stays', async () => {
  answerFetch(() => refusal('Say how it was seen.', { path: 'reason', message: 'Say how it was seen.' }));
  show();
  await userEvent.selectOptions(screen.getByLabelText('Built as'), 'cartridge');
  await press('It is built so');
  await waitFor(() => expect(why().getAttribute('aria-invalid')).toBe('true'));
  expect(screen.getByLabelText<HTMLSelectElement>('Built as').value).toBe('cartridge');
});
test('under a quote nothing is asked any more', () => {
  show({ isBuildOpen: false });
  expect(screen.queryByRole('button', { name: 'It is built so' })).toBeNull();
  expect(screen.getByText(/It stays as it is/)).toBeTruthy();
});
test('while nothing is recorded another construction may be chosen, without a reason', async () => {
  const asked = answerFetch(() => answered([]));
  show({ isOpen: true });
  await userEvent.click(screen.getByRole('radio', { name: /F1/ }));
  await press('It is built so');
  await waitFor(() => expect(bodies(asked)).toMatchObject([{ familyId: 'F1', reason: '' }]));
});
