/** Letters to customers that the shop may word itself. Words to suppliers and of a first look are written each time. */
export const letterKinds = [
  'quote',
  'supplement',
  'reminder',
  'answer',
  'promise',
  'released',
  'delivered',
  'report',
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
  /** What the fields say in its preview; made up. */
  readonly example: Readonly<Record<string, string>>;
}

const everywhere = {
  contact: 'the customer’s contact',
  pump: 'make, model, serial number and our tag',
  tag: 'our tag',
  shop: 'our name',
  telephone: 'our telephone',
} as const;
const everyExample = {
  contact: 'Petra Vell',
  pump: 'Quillmere QB 50-160, serial QB-22871 (our tag P-0431)',
  tag: 'P-0431',
} as const;
const offer = {
  link: 'the customer’s own page',
  days: 'for how many days the link works',
  sums: 'what each option comes to',
  note: 'the note to this quote',
  revision: 'its revision',
};
const offerExample = {
  link: 'https://…/customer/…',
  days: '45',
  revision: '1',
};
/** All letters with their fields. */
export const letterTable: Readonly<Record<LetterKind, LetterDescribed>> = {
  quote: {
    title: 'Quote',
    when: 'when a quote is sent, with its paper',
    fields: { ...everywhere, ...offer },
    must: ['link'],
    example: {
      ...{ ...everyExample, ...offerExample, note: 'The ring can be had by Friday if you answer today.' },
      sums: 'Minimum to run: €1,601.02 with tax.\nRecommended, which we advise: €1,767.86 with tax.',
    },
  },
  supplement: {
    title: 'Supplement',
    when: 'when what was found later is sent',
    fields: { ...everywhere, ...offer, why: 'why only now' },
    must: ['link'],
    example: {
      ...{ ...everyExample, ...offerExample, note: '', why: 'Scale hid the crack until the hub was cleaned.' },
      sums: 'It comes to €312.40 with tax.',
    },
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
    example: {
      ...{ ...everyExample, since: '8', offer: 'quote, revision 1' },
      standing: 'Until you answer, the pump lies here and nothing is ordered for it.',
      validity: 'The offer is valid until 27 December 2026. You can ask us, choose and answer by the link beneath.',
    },
  },
  answer: {
    title: 'Answer to a question',
    when: 'when a question is answered on the job',
    fields: { ...everywhere, question: 'what was asked', answer: 'our answer', person: 'who answers' },
    must: ['answer'],
    example: {
      ...{ ...everyExample, question: 'Can the seal be kept?', person: 'Wenna Tarrock' },
      answer: 'No: its faces are cracked.',
    },
  },
  promise: {
    title: 'A promise that moved',
    when: 'when a promise is moved and the customer is told',
    fields: { ...everywhere, from: 'the day before', to: 'the day now', reason: 'why' },
    must: ['to'],
    example: {
      ...{ ...everyExample, from: '11 December 2026', to: '14 December 2026' },
      reason: 'the wear ring comes three days later',
    },
  },
  released: {
    title: 'Released',
    when: 'when the pump is packed and released',
    fields: { ...everywhere, carrier: 'who takes it', packing: 'how it is packed' },
    must: [],
    example: { ...everyExample, carrier: 'Fell and Vale Carriers, 88-120', packing: 'On a pallet, ports blanked.' },
  },
  delivered: {
    title: 'Delivered',
    when: 'when the delivery is written down',
    fields: { ...everywhere, to: 'to whom', warranty: 'what is covered, and until when' },
    must: [],
    example: {
      ...{ ...everyExample, to: 'the gate house' },
      warranty: 'Its warranty runs until 27 November 2027:\n- 12 months on parts bought new and our work',
    },
  },
  report: {
    title: 'Report',
    when: 'when an as-built report or a revision of it is issued, with its paper',
    fields: { ...everywhere, number: 'its number', revision: 'its revision', changed: 'what a revision changed' },
    must: [],
    example: { ...everyExample, number: 'R-2026-0114', revision: 'B', changed: 'the running hours' },
  },
};
