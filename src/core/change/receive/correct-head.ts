import { headOf, sayLotTerms, type Correction, type JobHead, type JobRecord } from '../../record';
import { put, type Put } from '../change';
import { reason, refuse, type Decider, type Given, type Proposal } from '../decision';
import type { CorrectContact, CorrectEquipmentNumber, CorrectLot, CorrectNameplate, CorrectOwner } from '../inputs';

type What = Correction['what'];

/** The row of a correction: what it was, what it is, why. */
function correctionRow({ record, who }: Given, what: What, said: Pick<Correction, 'from' | 'to' | 'reason'>): Put {
  return put('correction', { number: record.corrections.length + 1, what, ...said, ...who });
}

/** A correction of the job's head, with its row; refused where it says what stands there already. */
function corrected(
  given: Given,
  what: What,
  change: { readonly head: Partial<JobHead>; readonly from: string; readonly to: string; readonly reason: string },
): Proposal<object> {
  const { head, ...said } = change;
  if (said.from === said.to) refuse('bad-input', reason('nothing-corrected', { what, value: said.to }), what);
  return {
    puts: [put('job', { ...headOf(given.record), ...head }), correctionRow(given, what, said)],
    note: { what, ...said },
    result: {},
  };
}

/** A contact as it is said in a line. */
function sayContact(contact: JobRecord['contact']): string {
  if (!contact) return 'nobody';
  return [contact.name, contact.email, contact.phone].filter(Boolean).join(', ');
}

export interface OwnerFacts {
  readonly customer: JobHead['customer'];
  /** The customer turned out to be another one, with all their pumps: people stay, and closed jobs follow. */
  readonly isMerge?: boolean;
}

/** The pump belongs to somebody else than was written down; their contact is to be named anew. */
export const correctOwner: Decider<CorrectOwner, object, OwnerFacts> = (given, { reason: why }) => {
  const { record, facts } = given;
  if (record.closedAt && !facts.isMerge) refuse('wrong-state', reason('closed', { tag: record.tag }));
  const head = { customer: facts.customer, ...(!facts.isMerge && { contact: null }) };
  return corrected(given, 'owner', { head, from: record.customer.name, to: facts.customer.name, reason: why });
};

export interface ContactFacts {
  readonly contact: NonNullable<JobHead['contact']>;
}

/** Another contact, or another address: quotes and mails go there from now on. */
export const correctContact: Decider<CorrectContact, object, ContactFacts> = (given, { reason: why }) => {
  const { contact } = given.facts;
  const [from, to] = [sayContact(given.record.contact), sayContact(contact)];
  return corrected(given, 'contact', { head: { contact }, from, to, reason: why });
};

export interface NameplateFacts {
  readonly pump: JobHead['pump'];
  /** Tag of another job of that pump that is still in the house; null where there is none. */
  readonly inHouse: string | null;
}

const sayPump = ({ maker, model, serial, size }: JobHead['pump']) =>
  `${maker} ${model}, serial ${serial}${size ? `, size ${size}` : ''}`;

/** Maker, model, serial number or size was read wrongly: the job belongs to the pump that the plate says. */
export const correctNameplate: Decider<CorrectNameplate, object, NameplateFacts> = (given, { reason: why }) => {
  const { record, facts } = given;
  const { pump, inHouse } = facts;
  if (inHouse) refuse('wrong-state', reason('pump-in-house', { serial: pump.serial, tag: inHouse }), 'pump.serial');
  return corrected(given, 'nameplate', { head: { pump }, from: sayPump(record.pump), to: sayPump(pump), reason: why });
};

/** The customer's own number of the pump. */
export const correctEquipmentNumber: Decider<CorrectEquipmentNumber, object> = (
  given,
  { equipmentNumber, reason: why },
) => {
  const { intake } = given.record;
  const said = { from: intake.equipmentNumber, to: equipmentNumber, reason: why };
  if (said.from === said.to)
    refuse('bad-input', reason('nothing-corrected', { what: 'equipment number', value: said.to }), 'equipmentNumber');
  return {
    puts: [
      put('intake', { ...intake, equipmentNumber, version: intake.version + 1 }),
      correctionRow(given, 'equipment number', said),
    ],
    note: said,
    result: {},
  };
};

/**
 * What the units of a lot share is otherwise than was said: from now on they are promised, quoted or delivered together,
 * or each by itself. What was done before stays as it was. The terms stand once, beside the units: whoever calls this
 * changes them.
 */
export const correctLot: Decider<CorrectLot, object> = (given, { terms, reason: why }) => {
  const { lot, lotTerms, tag, closedAt } = given.record;
  if (!lot || !lotTerms) return refuse('wrong-state', reason('came-alone', { tag }));
  if (closedAt) refuse('wrong-state', reason('closed', { tag }));
  return corrected(given, 'lot', { head: {}, from: sayLotTerms(lotTerms), to: sayLotTerms(terms), reason: why });
};
