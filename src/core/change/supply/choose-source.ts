import type { FamilyPart } from '../../family';
import { judgeNumber, sourceOf } from '../../supply';
import { reason, refuse, refuseChanged, type Decider, type Given } from '../decision';
import type { ChooseSource, GivePart, LayReady } from '../inputs';
import { fill, standingSheet } from '../sheets/fill';
import { askedPart, neededPart } from './asked-part';
import { checkPiece } from './check-piece';

type Result = { readonly sheetVersion: number };

/** A part of another unit that may be taken, as it lies there. */
export interface DonorPart {
  readonly id: string;
  readonly tag: string;
  readonly partRef: string;
  readonly number: string;
  /** Numbers that interchange with the asked part by the catalogue. */
  readonly crossing: readonly string[];
  readonly look: string;
  readonly isCracked: boolean;
  readonly wearPct: number | null;
  /** Whether its owner is this pump's, or has left it to the shop. */
  readonly isLeft: boolean;
  /** The job that took it already; null where it is free. */
  readonly takenBy: string | null;
}
export interface SourceFacts {
  readonly donor: DonorPart | null;
}

/** Checks that a part of another unit may go into this pump. */
function checkDonor({ record, family, facts }: Given<SourceFacts>, part: FamilyPart): DonorPart {
  const { donor } = facts;
  const path = 'donorId';
  if (!donor) return refuse('bad-input', reason('donor-wanted', { part: part.name }), path);
  const { tag, number, takenBy, look, wearPct } = donor;
  if (part.soft) refuse('bad-input', reason('donor-soft', { part: part.name }), path);
  if (tag === record.tag) refuse('wrong-job', reason('donor-own', { part: part.name, tag }), path);
  if (takenBy && takenBy !== record.tag)
    refuse('wrong-state', reason('donor-taken', { part: part.name, unit: tag, by: takenBy }), path);
  if (!donor.isLeft) refuse('wrong-job', reason('donor-of-another', { part: part.name, unit: tag }), path);
  if (wearPct !== null && wearPct > 100)
    refuse('bad-input', reason('donor-worn', { part: part.name, unit: tag, wearPct }), path);
  if (donor.isCracked) refuse('bad-input', reason('donor-cracked', { part: part.name, look }), path);
  const { verdict } = judgeNumber(number, part, { ...family, crossing: donor.crossing });
  if (verdict === 'another part' || verdict === 'question')
    refuse('bad-input', reason('donor-unlike', { part: part.name, found: number }), path);
  return donor;
}

function checkCount(given: Given<SourceFacts>, part: FamilyPart, { source }: ChooseSource): void {
  const need = neededPart(given, part);
  if (!need) return;
  const ordered = given.record.orders.flatMap(({ lines }) => lines).filter(({ partRef }) => partRef === part.ref);
  const bought = ordered.reduce((sum, { quantity }) => sum + quantity, 0);
  if (source.source === 'bought') return;
  if (bought && bought + source.count > need.quantity)
    refuse('wrong-state', reason('ordered-already', { part: part.name, ordered: bought }), 'source.source');
  if (source.count > need.quantity)
    refuse(
      'bad-input',
      reason('more-than-needed', { part: part.name, count: source.count, needed: need.quantity }),
      'source.count',
    );
}

/**
 * Says where a part comes from in place of what was proposed: an order, the shelf, the customer, a donor, our own hands.
 * A donor part is taken from its unit with it.
 */
export const chooseSource: Decider<ChooseSource, Result, SourceFacts> = (given, command) => {
  const { partRef, source, basedOn } = command;
  const part = askedPart(given, partRef);
  const before = sourceOf(given.record, partRef)?.body;
  if (before?.here) refuse('wrong-state', reason('laid-ready-already', { part: part.name }));
  checkCount(given, part, command);
  const needsName = source.source === 'shelf' || source.source === 'customer';
  if (needsName && !source.from)
    refuse('bad-input', reason('from-whom', { part: part.name, source: source.source }), 'source.from');
  const donor = source.source === 'donor' ? checkDonor(given, part) : null;
  const taken = donor && { id: donor.id, tag: donor.tag, look: donor.look, wearPct: donor.wearPct };
  const body = { ...source, from: donor?.tag ?? source.from, donor: taken, here: null };
  return {
    puts: [fill(given, { kind: 'source', key: partRef, basedOn, body })],
    note: { partRef, source: source.source, count: source.count, from: body.from, reason: source.reason },
    result: { sheetVersion: basedOn + 1 },
  };
};

/** Counts and looks at what came by another way than an order, and lays it ready: number, elastomer, damage. */
export const layReady: Decider<LayReady, Result, readonly string[]> = (given, command) => {
  const { partRef, here, basedOn } = command;
  const part = askedPart(given, partRef);
  const sheet = sourceOf(given.record, partRef);
  if (!sheet || sheet.body.source === 'bought' || sheet.body.source === 'made')
    return refuse('wrong-state', reason('no-source', { part: part.name }));
  if (sheet.version !== basedOn) refuseChanged(sheet.body, here);
  neededPart(given, part);
  if (here.count > sheet.body.count)
    refuse(
      'bad-input',
      reason('more-than-chosen', { part: part.name, count: here.count, chosen: sheet.body.count }),
      'here.count',
    );
  const crosses = checkPiece(given, part, { piece: here, pathOf: (field) => `here.${field}`, crossing: given.facts });
  if (crosses && !(command.accept && here.note))
    refuse(
      'bad-input',
      reason('number-crosses', { part: part.name, found: here.number, number: part.number }),
      'here.number',
    );
  const body = { ...sheet.body, here: { ...here, ...given.who } };
  return {
    puts: [fill(given, { kind: 'source', key: partRef, basedOn, body })],
    note: { partRef, count: here.count, number: here.number, accepted: command.accept },
    result: { sheetVersion: basedOn + 1 },
  };
};

/** Writes into the unit's own record for which job a part of it was taken, or that it came back. */
export const givePart: Decider<GivePart, object> = (given, { partRef, to }) => {
  const part = askedPart(given, partRef);
  const before = standingSheet(given.record, 'given', partRef);
  const body = { to: to ?? '' };
  return {
    puts: [fill(given, { kind: 'given', key: partRef, basedOn: before?.version ?? 0, body })],
    note: { part: part.name, to },
    result: {},
  };
};
