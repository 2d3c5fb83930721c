import type { Words } from '../../words';
import type { LetterKind } from './letter-table';

type Values = Readonly<Record<string, string>>;

const money = (words: Words, minor: number) => words.money({ minor, currency: 'EUR' });

/** What a made-up quote says in its letter. */
function offerIn(words: Words): Values {
  const { say } = words;
  return {
    ...{ link: 'https://…/customer/…', days: '45', revision: '1', note: say('letter.example.note') },
    sums: [
      say('letter.sumOption', { option: say('option.minimum'), money: money(words, 160102) }),
      say('letter.sumAdvised', { option: say('option.recommended'), money: money(words, 176786) }),
    ].join('\n'),
  };
}

/** What a made-up first look says. */
function lookIn(words: Words): Values {
  const { say } = words;
  return {
    ...{
      state: say('look.turns.stiff'),
      causes: say('look.causes', { causes: words.phrase('The bearing is worn out') }),
    },
    guess: say('look.guess', {
      ...{ hours: say('look.hours', { from: 6, to: 9 }), days: say('look.daysOne', { days: 8 }) },
      sum: say('look.sum', { from: money(words, 140000), to: money(words, 190000) }),
    }),
    alternative: say('look.newUnit', { money: money(words, 420000), days: 30 }),
    ...{ advice: say('look.advice.repair'), words: '' },
  };
}

const day = (words: Words, iso: string) => words.day(iso, '1999');

/** What the fields of each letter say in its preview: a made-up job, in the language of the letter. */
const examples: Readonly<Record<LetterKind, (words: Words) => Values>> = {
  quote: offerIn,
  supplement: (words) => ({
    ...{ ...offerIn(words), note: '', why: words.say('letter.example.why') },
    sums: words.say('letter.sumSupplement', { money: money(words, 31240) }),
  }),
  reminder: (words) => ({
    ...{ since: '8', offer: words.say('letter.offerQuote', { revision: 1 }) },
    standing: words.say('letter.standingQuote'),
    validity: words.say('letter.validUntil', { day: day(words, '2026-12-27') }),
  }),
  answer: ({ say }) => ({
    ...{ question: say('letter.example.question'), answer: say('letter.example.answer'), person: 'Wenna Tarrock' },
  }),
  promise: (words) => ({
    ...{ from: day(words, '2026-12-11'), to: day(words, '2026-12-14'), reason: words.say('letter.example.reason') },
  }),
  released: ({ say }) => ({ carrier: 'Fellside Carriers, 88-120', packing: say('letter.example.packing') }),
  delivered: (words) => ({
    to: words.say('letter.example.to'),
    warranty: [
      words.say('warranty.until', { day: day(words, '2027-11-27') }),
      `- ${words.say('warranty.term', { source: words.say('source.bought'), months: 12 })}`,
      `- ${words.say('warranty.term', { source: words.say('source.our own hands'), months: 12 })}`,
    ].join('\n'),
  }),
  report: ({ say }) => ({ number: 'R-2026-0114', revision: 'B', changed: say('letter.example.changed') }),
  evaluation: lookIn,
  claim: ({ say, phrase }) => ({
    ...{ supplier: 'Hollowmere Seals', order: 'PO-0114', number: 'C-0431-1' },
    lines: [
      `- 1 × HM-3372: ${say('letter.example.rubber')}`,
      `- 2 × HM-0410: ${phrase('stands on the list of the parcel and is not in it')}`,
    ].join('\n'),
  }),
};

/** A made-up job as a letter of a kind tells of it, but for the name and telephone of the shop. */
export function exampleOf(kind: LetterKind, words: Words): Values {
  const pump = words.say('letter.pump', { pump: 'Quillmere QB 50-160', serial: 'QB-22871', tag: 'P-0431' });
  return { contact: 'Petra Vell', tag: 'P-0431', pump, ...examples[kind](words) };
}
