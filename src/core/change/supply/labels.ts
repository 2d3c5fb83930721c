import { findPart } from '../../family';
import { sheetsOf, type FindingId, type RowOf } from '../../record';
import { judgeNumber, readLabel } from '../../supply';
import { put, type Put } from '../change';
import { firstTwice, reason, refuse, refuseChanged, requireStation, type Decider, type Given } from '../decision';
import type { FindNumber, LayInTray, ReadLabel, SettleNumber } from '../inputs';
import { fill, standingSheet } from '../sheets/fill';
import { askedPart } from './asked-part';

type Result = { readonly sheetVersion: number };

/** What was wrong before: the number of another part was found on this one. */
function wrongNumber({ family, who, newId }: Given, { partRef, found }: FindNumber, whose: string): Put {
  const part = findPart(family, partRef);
  const words = `the number ${found} stands on it, that of the ${whose.toLowerCase()}: wrongly fitted before`;
  const row: RowOf<'finding'> = {
    ...{ id: newId<FindingId>(), kind: 'visual', phase: 'as-found', round: 1, pointId: null, actionId: null },
    ...{ partRef, words, plain: `${part?.name ?? partRef}: ${words}`, photoId: null, version: 1, ...who },
    ...{ proposed: 'replace', verdict: null, overruledReason: null, waivedReason: null },
  };
  return put('finding', row);
}

/**
 * The number that stands on a part: as listed, an earlier one, one that interchanges, that of another part (a finding at
 * once), or one that nobody knows (a question that somebody settles).
 */
export const findNumber: Decider<FindNumber, Result & { readonly verdict: string }, readonly string[]> = (
  given,
  command,
) => {
  const { partRef, found, basedOn } = command;
  requireStation(given.record, 'receive', 'teardown', 'clean', 'inspect');
  const part = askedPart(given, partRef);
  const { verdict, whose } = judgeNumber(found, part, { ...given.family, crossing: given.facts });
  const isNew = standingSheet(given.record, 'number', partRef)?.body.verdict !== 'another part';
  const finding = verdict === 'another part' && isNew ? [wrongNumber(given, command, whose?.name ?? found)] : [];
  return {
    puts: [fill(given, { kind: 'number', key: partRef, basedOn, body: { found, verdict, settled: null } }), ...finding],
    note: { partRef, found, verdict },
    result: { sheetVersion: basedOn + 1, verdict },
  };
};

/** Settles a number that nobody knew: what it is, in words and by name. */
export const settleNumber: Decider<SettleNumber, Result> = (given, { partRef, words, basedOn }) => {
  const part = askedPart(given, partRef);
  const sheet = standingSheet(given.record, 'number', partRef);
  if (!sheet) return refuse('wrong-state', reason('no-number', { part: part.name }));
  if (sheet.version !== basedOn) refuseChanged(sheet.body, words);
  if (sheet.body.verdict !== 'question' || given.record.closedAt)
    refuse('wrong-state', reason('number-no-question', { part: part.name, found: sheet.body.found }));
  const body = { ...sheet.body, settled: { ...given.who, words } };
  return {
    puts: [fill(given, { kind: 'number', key: partRef, basedOn, body })],
    note: { partRef, found: sheet.body.found, words },
    result: { sheetVersion: basedOn + 1 },
  };
};

/** Lays parts in a labelled tray. */
export const layInTray: Decider<LayInTray, { readonly laid: number }> = (given, { parts, tray }) => {
  const { record } = given;
  requireStation(record, 'teardown', 'clean', 'inspect', 'quote', 'approve', 'parts', 'rebuild');
  const twice = firstTwice(parts);
  if (twice) refuse('bad-input', reason('part-twice', { part: twice }), 'parts');
  const puts = parts.map((ref) => {
    askedPart(given, ref);
    const before = standingSheet(record, 'tray', ref);
    const body = { tray, scans: before?.body.scans ?? [] };
    return fill(given, { kind: 'tray', key: ref, basedOn: before?.version ?? 0, body });
  });
  return { puts, note: { parts, tray }, result: { laid: puts.length } };
};

/** Whose a label is that was read at another job. */
export interface LabelFacts {
  readonly owner: string;
  readonly part: string;
}

/** The parts of this job that a code stands for: one, or those of a tray. */
function meant({ record, family }: Given, { part, tray }: { part: string | null; tray: string | null }) {
  const laid = sheetsOf(record, 'tray');
  if (part !== null) {
    const name = findPart(family, part)?.name ?? refuse('bad-input', reason('unknown-part', { part }), 'code');
    const sheet = laid.find(({ key }) => key === part);
    return [sheet ?? refuse('wrong-state', reason('not-in-tray', { part: name }), 'code')];
  }
  const inTray = laid.filter(({ body }) => body.tray === tray);
  if (!inTray.length) refuse('wrong-state', reason('no-tray', { tray: tray ?? '', tag: record.tag }), 'code');
  return inTray;
}

/** Reads the label of a part or a tray at this job: one of another job is refused by name. */
export const readLabelHere: Decider<ReadLabel, { readonly parts: readonly string[] }, LabelFacts> = (
  given,
  { code },
) => {
  const { record, facts, who } = given;
  if (record.closedAt) refuse('wrong-state', reason('closed', { tag: record.tag }));
  const label = readLabel(code);
  if (!label || (label.part === null && label.tray === null && label.tag === record.tag))
    return refuse('bad-input', reason('no-label', { code }), 'code');
  if (label.tag !== record.tag)
    refuse('wrong-job', reason('label-of-another', { code, tag: label.tag, own: record.tag, ...facts }), 'code');
  const sheets = meant(given, label);
  const puts = sheets.map(({ key, version, body }) => {
    const scans = [...body.scans.slice(-59), { ...who, station: record.station }];
    return fill(given, { kind: 'tray', key, basedOn: version, body: { ...body, scans } });
  });
  return { puts, note: { code }, result: { parts: sheets.map(({ key }) => key) } };
};
