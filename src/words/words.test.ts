import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { english, languages } from '.';
import { catalogueFor, wordsOf } from './every-language';

const root = __dirname;
const read = (language: string, topic: string): Record<string, string> =>
  JSON.parse(readFileSync(join(root, language, `${topic}.json`), 'utf8')) as Record<string, string>;
const topics = ['offer', 'papers', 'recorded'] as const;
/** Names of fields of a message, `plural` and `select` too. */
const fieldsOf = (text: string) =>
  [...new Set([...text.matchAll(/(?<!=\d )\{([a-z]+)[},]/gi)].map(([, name]) => name))].sort();

const others = languages.filter((one) => one !== 'en').flatMap((one) => topics.map((topic) => [one, topic] as const));
test.each(others)('%s has every message of “%s” that English has, with the same fields', (language, topic) => {
  const [here, there] = [read('en', topic), read(language, topic)];
  expect(Object.keys(there)).toEqual(Object.keys(here));
  for (const [key, text] of Object.entries(here))
    expect([key, fieldsOf(there[key] ?? '')]).toEqual([key, fieldsOf(text)]);
});
test.each(others)('no message of %s is left as it is in English, but for names and signs (%s)', (language, topic) => {
  const [here, there] = [read('en', topic), read(language, topic)];
  const bare = (text: string) => text.replaceAll(/\{[^}]*\}/g, '').replaceAll(/[^a-z]/gi, '');
  const same = Object.keys(here).filter((key) => here[key] === there[key] && bare(here[key] ?? '').length > 4);
  // A flow at a head is written with the same signs; no one translates a unit.
  expect(same.filter((key) => !['report.name', 'report.dutySays'].includes(key))).toEqual([]);
});

type Tree = { readonly [key: string]: unknown };
/** Every string under a key of objects that lie in a list or map of a name. */
function said(node: unknown, list: string, key: string, within = ''): readonly string[] {
  if (Array.isArray(node)) return node.flatMap((one) => said(one, list, key, within));
  if (!node || typeof node !== 'object') return [];
  return Object.entries(node as Tree).flatMap(([name, value]) =>
    typeof value === 'string' ? (within === list && name === key ? [value] : []) : said(value, list, key, name),
  );
}
const families = join(root, '../../families');
const files = ['', 'blocks'].flatMap((folder) =>
  readdirSync(join(families, folder))
    .filter((name) => name.endsWith('.json'))
    .map((name) => JSON.parse(readFileSync(join(families, folder, name), 'utf8')) as unknown),
);
test.each([
  ['parts', 'name'],
  ['parts', 'plain'],
  ['points', 'title'],
  ['points', 'plain'],
  ['damage', 'plain'],
  ['labour', 'title'],
  ['kits', 'title'],
  ['rebuild', 'title'],
])('German knows every %s’ %s of the families that ship', (list, key) => {
  const phrases = { ...read('de', 'families'), ...read('de', 'terms') };
  const words = [...new Set(files.flatMap((file) => said(file, list, key)))];
  expect(words.length).toBeGreaterThan(15);
  // A name that is nothing but a field is said by what stands in the field.
  expect(words.filter((one) => !(one in phrases) && !/^\{[a-z-]+\}$/.test(one))).toEqual([]);
});

describe('German', () => {
  const { say, phrase, money, day, number, within } = wordsOf('de');
  test('counts, days, sums and figures as German writes them', () => {
    expect(say('own.count', { count: 1, day: day('2026-11-28') })).toBe('Heute, am 28. November, ist 1 bei uns.');
    expect(say('own.count', { count: 0, day: day('2026-11-28') })).toBe('Heute, am 28. November, ist keine bei uns.');
    expect(day('2027-01-09', '2026-12-09')).toBe('9. Januar 2027');
    expect(money({ minor: 176786, currency: 'EUR' })).toBe('1.767,86\u00A0€');
    expect([number(2.5), number(1200)]).toEqual(['2,5', '1200']);
    expect([within('Laufrad'), english.within('Wear ring')]).toEqual(['Laufrad', 'wear ring']);
  });
  test.each([
    ['Front wear ring', 'Vorderer Spaltring'],
    // Written small within an English sentence; a noun stays large.
    ['front wear ring', 'Vorderer Spaltring'],
    ['The seat of the bearing', 'Der Sitz des Lagers'],
    ['Lip seal, free end', 'Wellendichtring, freies Ende'],
    [
      'The gap that lets pumped liquid leak back inside the pump is worn out: 0.91 mm where at most 0.76 mm is allowed.',
      'Der Spalt, durch den Flüssigkeit in der Pumpe zurückläuft: verschlissen, 0,91 mm; zulässig höchstens 0,76 mm.',
    ],
    [
      'The shaft is bent: 0.09 mm where at most 0.05 mm is allowed.',
      'Die Welle ist krumm: 0,09 mm; zulässig höchstens 0,05 mm.',
    ],
    [
      'The wheel is cracked. A rubber ring is hard and cracked.',
      'Das Laufrad hat einen Riss. Ein Gummiring ist hart und rissig.',
    ],
    [
      'The seat of the bearing is worn out: 0.91 mm where at most 0.76 mm is allowed. The shaft is bent: 0.09 mm where at most 0.05 mm is allowed.',
      'Der Sitz des Lagers: verschlissen, 0,91 mm; zulässig höchstens 0,76 mm. Die Welle ist krumm: 0,09 mm; zulässig höchstens 0,05 mm.',
    ],
    ['Rework impeller', 'Nacharbeit: Laufrad'],
    ['Gap 4.1 mm, It runs smooth', 'Spalt 4,1 mm, Es läuft glatt'],
    ['2.5 to 4 mm', '2,5 bis 4 mm'],
    [
      'Fitting a rolling bearing: heated to a fixed temperature',
      'Einbau eines Wälzlagers: erwärmt auf eine feste Temperatur',
    ],
    [
      'solvent by hand; solvent white spirit; no heater near',
      'Lösemittel von Hand; Lösemittel: white spirit; kein Heizgerät in der Nähe',
    ],
    ['Not possible, by Wenna: Impeller, Shaft. it fell', 'Nicht möglich, von Wenna: Laufrad, Welle. it fell'],
    [
      'name: must not be empty; signature: sign in the box',
      'Name: darf nicht leer sein; Unterschrift: bitte im Feld unterschreiben',
    ],
  ])('tells “%s” again', (text, told) => {
    expect(phrase(text)).toBe(told);
  });
  test('what a person wrote stays as it was written, beside what is known', () => {
    expect(phrase('the foreman heard a knock')).toBe('the foreman heard a knock');
    expect(phrase('Impeller, dropped by the crane')).toBe('Impeller, dropped by the crane');
    expect(phrase('The foreman heard a knock. The wheel is cracked.')).toBe(
      'The foreman heard a knock. Das Laufrad hat einen Riss.',
    );
  });
});

test('whatever a person types is told within a moment, and the names of what every object has are only words', () => {
  const { phrase } = wordsOf('de');
  for (const odd of ['constructor', '__proto__', 'toString', 'hasOwnProperty']) expect(phrase(odd)).toBe(odd);
  // Each of these would be told again and again within itself; the test would run out of its time.
  for (const odd of [' to ', ', by ', 'a: ', 'x where y ', 'a. b; ']) expect(phrase(odd.repeat(2000))).toContain(odd);
});
test('English says everything as it is, and a message that is not there is a fault', () => {
  expect(english.phrase('Front wear ring')).toBe('Front wear ring');
  expect(() => english.say('report.title', { number: 'R-1' })).toThrow('there is no message “report.title” in en');
  expect(wordsOf('en').say('report.title', { number: 'R-1' })).toBe('As-built report R-1');
});
test('a page takes along what its family says and no more; English is there already', () => {
  expect(catalogueFor('en', ['Impeller'])).toBeNull();
  const taken = catalogueFor('de', ['Impeller', 'a word of the shop’s own']);
  expect(taken?.phrases).toMatchObject({ Impeller: 'Laufrad' });
  expect(taken?.phrases).not.toHaveProperty(['Wear ring']);
  expect(Object.keys(taken?.messages ?? {})).not.toContain('report.title');
});
