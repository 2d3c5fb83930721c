import { nextRevision } from '../../report';
import { reason, refuse, requireStation, type Decider } from '../decision';
import type { CorrectReport } from '../inputs';
import { freezeReport, type Issued, type Shop } from './freeze-report';

/** Issues the as-built report: once, numbered, frozen. */
export const issueReport: Decider<unknown, Issued, Shop & { readonly number: string }> = (given) => {
  const { record, facts } = given;
  requireStation(record, 'report');
  const [first] = record.reports;
  if (first) refuse('wrong-state', reason('issued-already', { number: first.number }));
  const issued = freezeReport(given, { number: facts.number, revision: 'A', whatChanged: '' });
  return { ...issued, note: { ...issued.result }, move: 'finish-report' };
};

/** A correction makes the next revision, which says what changed; the one before stays as it was. */
export const correctReport: Decider<CorrectReport, Issued, Shop> = (given, { whatChanged }) => {
  const { reports } = given.record;
  const [first] = reports;
  if (!first) return refuse('wrong-state', reason('no-report'));
  const issued = freezeReport(given, { number: first.number, revision: nextRevision(reports), whatChanged });
  const isBack = given.record.station === 'report' && given.record.closedAt === null && !given.record.hold;
  return {
    ...issued,
    note: { ...issued.result, whatChanged },
    // Taken back to the report, it goes on with the correction.
    ...(isBack && { move: 'finish-report' as const }),
  };
};
