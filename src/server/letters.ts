import { fillLetter, lettersWords, type LetterKind, type LetterWords } from '@/core/letters';
import type { JobRecord } from '@/core/record';
import type { ShopSettings } from '@/db';

interface Sender {
  readonly name: string;
  readonly settings: Pick<ShopSettings, 'letters' | 'telephone'>;
}

/** What every letter about a job may say of it. */
const subjectOf = ({ pump, tag }: Pick<JobRecord, 'pump' | 'tag'>) =>
  `${pump.maker} ${pump.model}, serial ${pump.serial} (our tag ${tag})`;

/** A letter to the customer of a job, in the shop's own words where it has such. */
export function letterTo(
  { name, settings }: Sender,
  record: Pick<JobRecord, 'pump' | 'tag' | 'contact' | 'customer'>,
  { kind, ...values }: { readonly kind: LetterKind } & Readonly<Record<string, string>>,
): LetterWords {
  return fillLetter(lettersWords(kind, settings.letters), {
    ...{ contact: record.contact?.name ?? record.customer.name, pump: subjectOf(record), tag: record.tag },
    ...{ shop: name, telephone: settings.telephone },
    ...values,
  });
}
