import { render, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { present } from '@/core/present';
import { catalogueFor, wordsOf } from '@/words/every-language';
import { customerOffer } from '@/core/quoting';
import { standingOf } from '@/core/lifecycle';
import { asId, type JobRecord, type Quote, type QuoteLine } from '@/core/record';
import {
  exampleDisposition,
  exampleFinding,
  exampleLine,
  exampleQuote,
  exampleRecord,
} from '@/core/record/example-record';
import { answerFetch } from '../../../test-support/answer-fetch';
import { exampleFamily } from '../../../test-support/example-view';
import { showAnew } from '../act/show-anew';
import { CustomerPage } from './customer-page';

jest.mock('../act/show-anew', () => ({ showAnew: jest.fn() }));

const line = (id: string, unitPriceMinor: number, change: Partial<QuoteLine> = {}) =>
  exampleLine({ id: asId(id), key: id, description: id, plain: `${id} is needed.`, unitPriceMinor, ...change });
const seal = line('Seal kit', 10000, { declinable: false });
const ring = line('Ring', 5000, { options: ['recommended', 'as new'], instead: 'stays worn', unitCostMinor: 3210 });
const gear = line('Gear', 54000, { critical: true });
const shop = { name: 'Kettlewick Pump Works', place: 'Harrowmere', telephone: 'Harrowmere 214' };
const token = 'a'.repeat(64);

function show(quote: Quote, change: Partial<JobRecord> = {}, today = '2026-11-24') {
  const words = wordsOf(quote.language);
  const record = exampleRecord({ station: 'approve', quotes: [quote], ...change });
  const { remaining } = standingOf(record, exampleFamily);
  const offer = customerOffer({ record, family: exampleFamily, quote, shop, remaining, today, words });
  const catalogue = catalogueFor(quote.language, []);
  return render(<CustomerPage token={token} view={{ ...offer, catalogue, station: record.station, today }} />);
}
const done = { body: { data: { version: 9 } } };
const signIt = async () => {
  await userEvent.type(present(screen.getAllByLabelText('Your name')[0]), 'Fern Okonjo');
};

describe('options', () => {
  const quote = exampleQuote([seal, ring], { options: ['minimum', 'recommended'] });
  test('what is advised is chosen at first; another choice has its own lines and sum', async () => {
    show(quote);
    expect(screen.getByRole('radio', { name: /Recommended/ })).toBeChecked();
    // 150 and a fifth
    expect(screen.getByRole('button', { name: /^Approve all · €180\.00/ })).toBeInTheDocument();
    await userEvent.click(screen.getByRole('radio', { name: /Minimum to run/ }));
    expect(screen.getByRole('button', { name: /^Approve all · €120\.00/ })).toBeInTheDocument();
    expect(screen.queryByRole('checkbox', { name: /Ring/ })).not.toBeInTheDocument();
    expect(screen.getByText(/left out: Ring \(stays worn\)/)).toBeInTheDocument();
  });
  test('the answer says the option', async () => {
    const asked = answerFetch(() => done);
    show(quote);
    await signIt();
    await userEvent.click(screen.getByRole('radio', { name: /Minimum to run/ }));
    await userEvent.click(screen.getByRole('button', { name: /^Approve all/ }));
    await waitFor(() =>
      expect(asked[0]?.body).toMatchObject({ option: 'minimum', declinedLines: [], quoteId: 'quote-1' }),
    );
    // The answer stands on the page as it is made anew.
    await waitFor(() => expect(showAnew).toHaveBeenCalledTimes(1));
  });
  test('nothing of what it costs the shop is there', () => {
    const { container } = show(quote);
    expect(container).not.toHaveTextContent(/32\.10|margin/);
  });
});

describe('a critical item', () => {
  const quote = exampleQuote([seal, gear]);
  const decline = async () => {
    show(quote);
    await signIt();
    await userEvent.click(screen.getByRole('checkbox', { name: /Gear/ }));
    await userEvent.click(screen.getByRole('button', { name: /^Approve 1 of 2 lines/ }));
  };
  test('declined, it says what that means and asks again before anything is sent', async () => {
    const asked = answerFetch(() => done);
    await decline();
    const step = screen.getByRole('alertdialog');
    expect(step).toHaveTextContent('Gear is needed. Without it the pump may fail in service');
    expect(asked).toEqual([]);
    await userEvent.click(screen.getByRole('button', { name: 'Yes, leave it out' }));
    await waitFor(() => expect(asked[0]?.body).toMatchObject({ declinedLines: ['Gear'], criticalConfirmed: true }));
  });
  test('or is taken up again', async () => {
    const asked = answerFetch(() => done);
    await decline();
    await userEvent.click(screen.getByRole('button', { name: 'Keep it in' }));
    expect(screen.getByRole('checkbox', { name: /Gear/ })).toBeChecked();
    expect(asked).toEqual([]);
  });
});

describe('questions', () => {
  test('one is sent under a name, and the shop’s telephone is there', async () => {
    const asked = answerFetch(() => done);
    show(exampleQuote([seal]));
    expect(screen.getByRole('link', { name: /Harrowmere 214/ })).toHaveAttribute('href', 'tel:Harrowmere214');
    await userEvent.type(present(screen.getAllByLabelText('Your name').at(-1)), 'Hesper Dane');
    await userEvent.type(screen.getByLabelText('Your question'), 'Can the sleeve wait?');
    await userEvent.click(screen.getByRole('button', { name: 'Send the question' }));
    await waitFor(() =>
      expect(asked[0]).toMatchObject({
        path: '/api/act/ask-question',
        body: { quoteId: 'quote-1', name: 'Hesper Dane', words: 'Can the sleeve wait?' },
      }),
    );
  });
  test('answers stand beneath what was asked', () => {
    const question = {
      ...{ id: 'q', quoteId: asId<never>('quote-1'), askedBy: 'Hesper', askedAt: '2026-11-23T09:00:00.000Z' },
      ...{ words: 'Can the sleeve wait?' },
      answer: { personId: null, personName: 'Wenna', at: '2026-11-23T10:00:00.000Z', words: 'It can.' },
    };
    show(exampleQuote([seal]), { questions: [question] });
    expect(screen.getByText('It can.')).toBeInTheDocument();
    expect(screen.getByText('You asked on 23 November:')).toBeInTheDocument();
  });
});

describe('what cannot be answered says so, and what to do', () => {
  test('a newer version is on its way', () => {
    show(exampleQuote([seal], { state: 'superseded' }));
    expect(screen.getByText(/working on a newer version.*Ring us \(Harrowmere 214\)/)).toBeInTheDocument();
    expect(screen.queryByRole('button', { name: /^Approve/ })).not.toBeInTheDocument();
  });
  test('one that was taken up again by the shop, too', () => {
    show(exampleQuote([seal]), { station: 'quote' });
    expect(screen.getByText(/working on a newer version/)).toBeInTheDocument();
  });
  test('past its day it can still be answered, and says that it is past', () => {
    show(exampleQuote([seal]), {}, '2026-12-27');
    expect(screen.getByText(/was valid until 24 December/)).toBeInTheDocument();
    expect(screen.getByRole('button', { name: /^Approve all/ })).toBeInTheDocument();
  });
});

test('a supplement asks one question: what was found, why only now, what it stops', () => {
  const finding = exampleFinding({
    plain: 'A tooth of the gear is cracked.',
    disposition: exampleDisposition('replace'),
  });
  const stops = exampleFamily.rebuild.slice(0, 1).map(({ id }) => id);
  const supplement = { findingId: finding.id, whyOnlyNow: 'The crack was shut while it lay loose.', stops };
  const quote = exampleQuote([line('Gear', 54000, { findingIds: [finding.id] })], { kind: 'supplement', supplement });
  show(quote, { station: 'rebuild', findings: [finding] });
  expect(screen.getByRole('heading', { level: 1 })).toHaveTextContent('We found something more. May we go on?');
  expect(screen.getByText('A tooth of the gear is cracked.')).toBeInTheDocument();
  expect(screen.getByText(/The crack was shut while it lay loose/)).toBeInTheDocument();
  expect(screen.getByText(/the rest goes on/)).toBeInTheDocument();
  const futures = screen.getByRole('region', { name: 'When it is ready' });
  expect(futures).toHaveTextContent(/Yes: .*No: .*no warranty/);
  expect(futures).toHaveTextContent('promised for 10 December');
  expect(screen.getByRole('button', { name: 'No, leave it as it is' })).toBeInTheDocument();
});

test('a supplement that is declined is asked again where the pump may fail without it', async () => {
  const asked = answerFetch(() => done);
  show(exampleQuote([gear], { kind: 'supplement' }), { station: 'rebuild' });
  await signIt();
  await userEvent.click(screen.getByRole('button', { name: 'No, leave it as it is' }));
  expect(screen.getByRole('alertdialog')).toHaveTextContent('Gear is needed. Without it the pump may fail in service');
  expect(asked).toEqual([]);
  await userEvent.click(screen.getByRole('button', { name: 'Yes, leave it out' }));
  await waitFor(() => expect(asked[0]?.body).toMatchObject({ declineAll: true, criticalConfirmed: true }));
});

describe('in another language', () => {
  const quote = exampleQuote([seal, { ...gear, description: 'Zahnrad' }], { language: 'de' });
  test('reads and asks in it, and says so to what reads it aloud', async () => {
    const { container } = show(quote);
    expect(container.querySelector('[lang]')).toHaveAttribute('lang', 'de');
    expect(screen.getByRole('heading', { level: 1 })).toHaveTextContent(/^Ihre Pumpe /);
    // 640 and a fifth.
    expect(screen.getByRole('button', { name: /^Alles freigeben · 768,00\s€/ })).toBeInTheDocument();
    await userEvent.click(screen.getByRole('checkbox', { name: /Zahnrad/ }));
    await userEvent.click(screen.getByRole('button', { name: /^1 von 2 Positionen freigeben/ }));
    expect(screen.getByRole('alertdialog', { name: 'Bevor Sie es weglassen' })).toHaveTextContent(
      /Ohne dies kann die Pumpe im Betrieb ausfallen/,
    );
  });
  test('what is refused is said in it', async () => {
    answerFetch(() => ({
      ok: false,
      body: {
        error: {
          ...{ code: 'bad-input', what: 'name: must not be empty', kept: 'All that you typed is still there.' },
          ...{ todo: 'Correct the marked value.', issues: [{ path: 'name', message: 'must not be empty' }] },
        },
      },
    }));
    show(quote);
    await userEvent.click(screen.getByRole('button', { name: /^Alles freigeben/ }));
    expect(await screen.findByRole('alert')).toHaveTextContent(
      /^Name: darf nicht leer sein\s*Alles, was Sie getippt haben, ist noch da\. Bitte berichtigen/,
    );
    expect(screen.getByText('darf nicht leer sein')).toBeVisible();
  });
});
