import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { answerFetch } from '../../../test-support/answer-fetch';
import { ChangeSettings } from './change-settings';

const settings = {
  ...{ labourMinorPerHour: 6800, machiningMinorPerHour: 8400, testMinor: 24000, freightMinor: 9500 },
  ...{ partsMarkupPct: 18, taxPct: 20, taxes: [], warrantyMonths: 12, quoteValidDays: 30, wageMinorPerHour: null },
  ...{
    reminderAfterDays: 7,
    telephone: '',
    address: '',
    paperSize: 'A4' as const,
    language: 'en' as const,
    basis: null,
  },
};
const shop = { name: 'Kettlewick Pump Works', place: 'Harrowmere', currency: 'EUR', settings };
const open = async () => {
  render(<ChangeSettings shop={shop} />);
  await userEvent.click(screen.getByRole('button', { name: 'Change rates and days' }));
};
const press = (name: string) => userEvent.click(screen.getByRole('button', { name }));
const type = async (label: string | RegExp, text: string) => {
  const field = screen.getByLabelText(label);
  await userEvent.clear(field);
  await userEvent.type(field, text);
};

test('the language of papers and other taxes are kept with the rates', async () => {
  const asked = answerFetch(() => ({ body: { data: { changed: [] } } }));
  await open();
  await userEvent.selectOptions(screen.getByLabelText(/^Language of papers/), 'Deutsch');
  await type(/^Other taxes/, 'reduced, 10{Enter}abroad 0');
  await press('Keep the settings');
  await waitFor(() =>
    expect(asked[0]).toMatchObject({
      path: '/api/act/change-settings',
      body: {
        language: 'de',
        taxPct: 20,
        taxes: [
          { name: 'reduced', pct: 10 },
          { name: 'abroad', pct: 0 },
        ],
      },
    }),
  );
});
test('a tax without its percentage is named, and nothing is sent', async () => {
  const asked = answerFetch(() => ({ body: { data: { changed: [] } } }));
  await open();
  await type(/^Other taxes/, 'reduced');
  await press('Keep the settings');
  expect(await screen.findByText('“reduced”: a name and a percentage, such as “reduced, 10”')).toBeVisible();
  expect(asked).toEqual([]);
});
test('name, place and currency are settled by themselves; what is refused stands at its field', async () => {
  const message = 'quotes and orders are in EUR already, and sums of two currencies are not added';
  const asked = answerFetch(() => ({
    ok: false,
    body: { error: { code: 'bad-input', what: '', kept: '', todo: '', issues: [{ path: 'currency', message }] } },
  }));
  await open();
  await type('Name of the shop', 'Weir Lane Pumps');
  await type('Currency', 'CHF');
  await press('Keep name, place and currency');
  await waitFor(() =>
    expect(asked[0]).toMatchObject({
      path: '/api/act/change-shop',
      body: { name: 'Weir Lane Pumps', place: 'Harrowmere', currency: 'CHF' },
    }),
  );
  expect(await screen.findByText(message)).toBeVisible();
});
