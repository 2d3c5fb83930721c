import f1 from '@families/f1-overhung.json';
import { CoreJob, terms, wornRing } from '../../../test-support/core-job';
import { english } from '../../words';
import { wordsOf } from '../../words/every-language';
import { quote } from '../change';
import { loadFamily } from '../family';
import { standingOf } from '../lifecycle';
import { present } from '../present';
import { currentQuote, optionLevels, optionNames, type OptionLevel } from '../record';
import { customerOffer, decisionText, draftReminder, offerLine, quoteText, type DraftLine } from '.';

/** A quote in another language than the shop's: its lines, its text, what is decided, and what reminds of it. */
const german = wordsOf('de');
const drawn = () => {
  const job = new CoreJob(loadFamily(f1), wornRing).playTo('quote');
  job.act('Ines', ['draw-up-quote', quote.drawUpQuote], { ...terms, language: 'de' as const }, null);
  return { job, own: present(currentQuote(job.record)) };
};
/** Words that would be there if a sentence of ours had been forgotten. */
const leftInEnglish = /\b(the|and|of|with|is|are|for|by|sum|tax|valid|declined|approved)\b/i;

test('an option is called the same in the shop and by its customer', () => {
  for (const level of optionLevels) expect(optionNames[level]).toBe(english.say(`option.${level}`));
});
test('lines are written in it, and the quote knows in which language it is', () => {
  const { own } = drawn();
  expect(own.language).toBe('de');
  const of = (key: string) => own.lines.find((line) => line.key === key);
  expect(of('replace:front-ring')).toMatchObject({
    description: expect.stringMatching(/^Vorderer Spaltring, KW1-/) as string,
    instead: 'bleibt verschlissen',
  });
  expect(of('test')).toMatchObject({ description: 'Prüfstand, Klasse 2B nach ISO 9906' });
  expect(of('freight')).toMatchObject({ description: 'Rückfracht', plain: 'Wir bringen die Pumpe zu Ihnen zurück.' });
  for (const { description, plain } of own.lines) expect(`${description}: ${plain}`).not.toMatch(leftInEnglish);
});
test('its text, and the text of an answer, have no English sentence', () => {
  const { job, own } = drawn();
  const text = quoteText(job.record, { ...own, discountPct: 2.5 }, german);
  expect(text).toMatch(/^Angebot für P-\d+, Revision 1\n/);
  expect(text).toContain('abzüglich 2,5 %');
  expect(text).toContain('Empfohlen, was wir raten: Summe der Positionen');
  const [, ...body] = text.split(job.record.customer.name);
  expect(body.join(' ')).not.toMatch(leftInEnglish);
  const decide = (option: OptionLevel | null, word: 'approved' | 'declined') =>
    decisionText(own, { option, decisions: Object.fromEntries(own.lines.map(({ id }) => [id, word])) }, german);
  expect(decide('recommended', 'approved')).toMatch(
    /^Gewählt: Empfohlen\.\nFreigegeben: .+\nNichts wurde abgelehnt\.$/s,
  );
  expect(decide(null, 'declined')).toBe('Alles ist abgelehnt. Die Pumpe geht zurück, wie sie ist.');
});
test('findings and the steps that wait are told in it; what a person typed stays', () => {
  const { job, own } = drawn();
  const { remaining } = standingOf(job.record, job.family);
  const shop = { name: 'Kettlewick Pump Works', place: 'Harrowmere', telephone: '' };
  const offer = customerOffer({
    ...{ record: job.record, family: job.family, shop, remaining, today: '2026-11-24', words: german },
    quote: {
      ...own,
      supplement: { findingId: present(job.record.findings[0]).id, whyOnlyNow: 'scale hid it', stops: ['clean'] },
    },
  });
  expect(offer.findings.length).toBeGreaterThan(0);
  for (const { plain } of offer.findings) expect(plain).not.toMatch(leftInEnglish);
  expect(offer.supplement).toEqual({ whyOnlyNow: 'scale hid it', stops: ['Sauber, blank, glatt'] });
});
test('a reminder and the offer of a seal are in it', () => {
  const { job, own } = drawn();
  const sent = { ...own, state: 'sent' as const, sentAt: '2026-11-10T08:00:00.000Z', validUntil: '2026-12-10' };
  const sender = { name: 'Kettlewick Pump Works', telephone: '', letters: {} };
  const asked = { record: job.record, quote: sent, today: '2026-11-24', afterDays: 7, sender, words: german };
  expect(draftReminder(asked)?.words).toMatch(
    /^Guten Tag .+\n\nvor 14 Tagen haben wir Ihnen etwas geschickt: Angebot, Revision 1/,
  );
  const line: DraftLine = offerLine(
    { title: 'Seal cartridge', parts: ['Impeller'], priceMinor: 100 },
    terms.rates,
    german,
  );
  expect([line.description, line.instead]).toEqual(['Dichtungspatrone anstelle der Packung', 'die Packung bleibt']);
  expect(line.plain).toBe(
    'Sie leckt weniger und wird nicht von Hand nachgezogen; sie braucht saubere Flüssigkeit. Dazu kommen: Laufrad.',
  );
});
