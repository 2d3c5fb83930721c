/** Letters to customers and suppliers that the shop may word itself. */
export const letterKinds = [
  'quote',
  'supplement',
  'reminder',
  'answer',
  'promise',
  'released',
  'delivered',
  'report',
  'evaluation',
  'claim',
] as const;
export type LetterKind = (typeof letterKinds)[number];

/** The words of a letter; `{field}` stands for what the record says. */
export interface LetterWords {
  readonly subject: string;
  readonly body: string;
}

export interface LetterDescribed {
  readonly title: string;
  /** When it goes out. */
  readonly when: string;
  /** What may stand in it, by name, with what it is. */
  readonly fields: Readonly<Record<string, string>>;
  /** Without these it would not say what it is for. */
  readonly must: readonly string[];
}

const everywhere = {
  contact: 'the customer’s contact',
  pump: 'make, model, serial number and our tag',
  tag: 'our tag',
  shop: 'our name',
  telephone: 'our telephone',
} as const;
const offer = {
  link: 'the customer’s own page',
  days: 'for how many days the link works',
  sums: 'what each option comes to',
  note: 'the note to this quote',
  revision: 'its revision',
};
/** All letters with their fields. */
export const letterTable: Readonly<Record<LetterKind, LetterDescribed>> = {
  quote: {
    title: 'Quote',
    when: 'when a quote is sent, with its paper',
    fields: { ...everywhere, ...offer },
    must: ['link'],
  },
  supplement: {
    title: 'Supplement',
    when: 'when what was found later is sent',
    fields: { ...everywhere, ...offer, why: 'why only now' },
    must: ['link'],
  },
  reminder: {
    title: 'Reminder',
    when: 'drafted when the time for an answer has run out; whoever sends it may change it; the link stands beneath',
    fields: {
      ...everywhere,
      since: 'days since it was sent',
      offer: 'quote or supplement, with its number',
      standing: 'what waits meanwhile',
      validity: 'until when it stands',
    },
    must: [],
  },
  answer: {
    title: 'Answer to a question',
    when: 'when a question is answered on the job',
    fields: { ...everywhere, question: 'what was asked', answer: 'our answer', person: 'who answers' },
    must: ['answer'],
  },
  promise: {
    title: 'A promise that moved',
    when: 'when a promise is moved and the customer is told',
    fields: { ...everywhere, from: 'the day before', to: 'the day now', reason: 'why' },
    must: ['to'],
  },
  released: {
    title: 'Released',
    when: 'when the pump is packed and released',
    fields: { ...everywhere, carrier: 'who takes it', packing: 'how it is packed' },
    must: [],
  },
  delivered: {
    title: 'Delivered',
    when: 'when the delivery is written down',
    fields: { ...everywhere, to: 'to whom', warranty: 'what is covered, and until when' },
    must: [],
  },
  report: {
    title: 'Report',
    when: 'when an as-built report or a revision of it is issued, with its paper',
    fields: { ...everywhere, number: 'its number', revision: 'its revision', changed: 'what a revision changed' },
    must: [],
  },
  evaluation: {
    title: 'First look',
    when: 'drafted when a first look is kept; whoever sends it may change it',
    fields: {
      ...everywhere,
      state: 'whether it turns, what binds, what is in it',
      causes: 'what is seen so far',
      guess: 'hours, days and money, as a guess',
      alternative: 'what a new unit costs, where that is known',
      advice: 'what we advise',
      words: 'the words that go with it',
    },
    must: ['guess'],
  },
  claim: {
    title: 'Not as ordered, to a supplier',
    when: 'drafted when something came wrong or short; whoever sends it may change it',
    fields: {
      ...{ supplier: 'who sent it', order: 'our order', number: 'number of the claim', tag: 'our job' },
      ...{ lines: 'each piece that is wrong or missing', shop: 'our name', telephone: 'our telephone' },
    },
    must: ['order', 'lines'],
  },
};
