import { english } from '../../words';
import { wordsOf } from '../../words/every-language';
import { exampleOf, fillLetter, letterFaults, letterKinds, lettersWords, letterTable, usualLetter } from '.';

test.each(letterKinds)('the usual words of “%s” have no fault, and its preview leaves no field open', (kind) => {
  const { fields } = letterTable[kind];
  const example = exampleOf(kind, english);
  const usual = usualLetter(kind, english);
  expect(letterFaults(kind, usual)).toEqual([]);
  for (const name of Object.keys(fields)) if (!(name in example)) expect(['shop', 'telephone']).toContain(name);
  const { subject, body } = fillLetter(usual, { ...example, shop: 'Kettlewick Pumps', telephone: '0100 1' });
  expect(`${subject} ${body}`).not.toMatch(/[{}]/);
  expect(body).toMatch(/^Dear (Petra Vell|Hollowmere Seals),/);
  expect(body.endsWith('Kettlewick Pumps')).toBe(true);
});
test.each(letterKinds)(
  'the usual words of “%s” in German have the same fields, and no English sentence in their preview',
  (kind) => {
    const german = wordsOf('de');
    const usual = usualLetter(kind, german);
    expect(letterFaults(kind, usual)).toEqual([]);
    const { subject, body } = fillLetter(usual, {
      ...exampleOf(kind, german),
      shop: 'Kettlewick',
      telephone: '0100 1',
    });
    expect(`${subject} ${body}`).not.toMatch(/[{}]|\b(the|and|of|your|is|are|with|for)\b/i);
    expect(body).toMatch(/^Guten Tag (Petra Vell|Hollowmere Seals),/);
  },
);
test('a line whose fields say nothing is left out with its empty line; one without a field stays', () => {
  const words = {
    subject: '{tag}',
    body: 'Dear {contact},\n\n{note}\n\nWhat changed: {changed}\nThank you.\n\n{shop}',
  };
  expect(fillLetter(words, { tag: 'P-1', contact: 'Fern', note: ' ', shop: 'Us' })).toEqual({
    ...{ subject: 'P-1', body: 'Dear Fern,\n\nThank you.\n\nUs' },
  });
  // A line with one field that speaks stays whole.
  expect(fillLetter({ subject: 's', body: 'a {x} b {y}' }, { x: '1', y: '' }).body).toBe('a 1 b');
  // A field at the head of a subject begins it with a capital.
  expect(fillLetter({ subject: '{x} waits', body: '' }, { x: 'quote' }).subject).toBe('Quote waits');
});
test('a value of several lines keeps them; what looks like a field in a value is no field', () => {
  const { body } = fillLetter({ subject: 's', body: '{sums}\n{note}' }, { sums: 'one\ntwo', note: 'say {sums}' });
  expect(body).toBe('one\ntwo\nsay {sums}');
});
test('a field that a letter has not, and one that it cannot be without, are named', () => {
  expect(letterFaults('quote', { subject: 'Your {colour}', body: 'Dear {contact}, {answer}' })).toEqual([
    { at: 'subject', message: 'there is no field {colour} in this letter' },
    { at: 'body', message: 'there is no field {answer} in this letter' },
    { at: 'body', message: '{link} must stand in it: the customer’s own page' },
  ]);
  expect(letterFaults('report', { subject: ' ', body: 'x' })).toEqual([
    { at: 'subject', message: 'must not be empty' },
  ]);
});
test('a shop’s own words stand in place of the usual ones', () => {
  const own = { report: { subject: 'Report {number}', body: 'Enclosed.' } };
  expect(lettersWords('report', own)).toBe(own.report);
  expect(lettersWords('quote', own)).toEqual(usualLetter('quote', english));
});
