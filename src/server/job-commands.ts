// Every verb that changes one job, with what its rule must be told; longer than most files because it is one table.
import * as z from 'zod';
import { moveAudience, verbs, type CommandOf } from '@/contract';
import { mayAct } from '@/core/access';
import {
  bench,
  inspection,
  lifecycle,
  supply,
  quote,
  receive,
  report,
  sheets,
  test,
  type ToolFacts,
} from '@/core/change';
import { DomainError } from '@/core/errors';
import { knownBuild, readBuild, type Build, type Family } from '@/core/family';
import { writeReportNumber } from '@/core/lifecycle';
import { schoolOf } from '@/core/policies';
import { sealOffer } from '@/core/quoting';
import { asId, type JobRecord, type PhotoId } from '@/core/record';
import {
  findTagById,
  setCustomerLimit,
  lockPlates,
  loadVisitsOfPump,
  readShop,
  readShopAtHand,
  takeNumber,
  sha256,
  type Connection,
} from '@/db';
import { changeJob, type Asking, type JobCommand } from './change-job';
import type { Context } from './context';
import { jobCommand, plain, withFacts, type TaggedVerb } from './job-command';
import { keepAsDonor, keepLeftOvers } from './supply/donors';
import { orderForJob } from './supply/place-orders';
import { receiveJobParts } from './supply/receive-orders';
import { takeJobParcel } from './supply/take-parcels';
import { supplyCommands } from './supply/supply-commands';
import { chosenFamily, buildFor, findVersion, keepFamily } from './families';
import { correctLot, deliverPump, movePromise, sendQuote } from './lots';
import { newerFamily } from './library/newer-family';
import { provePerson } from './people/prove-person';
import { takeBenchPicture, type Picture } from './pictures';
import { ensureContact, ensureCustomer, ensurePump } from './receive-pump';
import { forVerb } from './use-case';
import { runOnStand } from './devices';

const noShop = () => new DomainError('not-found', { what: 'There is no shop yet.' });

async function shopOf(connection: Connection) {
  const shop = await readShop(connection);
  if (!shop) throw noShop();
  return shop;
}

const approvalFacts = ({ context }: { readonly context: Context }) => ({ approvalId: context.newId() });

/** A picture as its rule sees it, and its bytes beside it. */
function photoFacts(photoId: PhotoId, { width, height, bytes, thumb }: Picture) {
  return {
    facts: { photoId, width, height, fingerprint: sha256(bytes) },
    pictures: { [photoId]: { bytes, thumb } },
  };
}

const uuid = z.uuid();

/**
 * The id of a picture: the key of its entry, so that what a device enters while it waits for the line can name it.
 * Throws DomainError for a key that is a picture of the job already.
 */
function photoIdFor({ entry, newId }: Context, { photos }: JobRecord): PhotoId {
  const key = uuid.safeParse(entry?.key);
  if (!key.success) return newId<PhotoId>();
  if (photos.some(({ id }) => id === key.data))
    throw new DomainError('bad-input', { what: 'The key of this picture is that of another picture of the job.' });
  return asId<PhotoId>(key.data);
}

/** Adds a picture that was sent as bytes, read and encoded anew. */
export async function addPhoto(context: Context, command: CommandOf<'add-photo'>, picture: Picture) {
  const job: JobCommand<'add-photo', receive.PhotoFacts, undefined> = {
    verb: 'add-photo',
    decider: receive.addPhoto,
    prepare: ({ record }) => photoFacts(photoIdFor(context, record), picture),
  };
  return changeJob(context, job, { tag: command.tag, command });
}

/** Who signs is proved by their PIN, whoever's screen it is. */
const signHoldPoint: JobCommand<'sign-hold-point', bench.Signer, bench.Signer> = {
  verb: 'sign-hold-point',
  decider: bench.signHoldPoint,
  ask: async ({ context, command }) => {
    const person = await provePerson(context, command.signer);
    const actor = { kind: 'person' as const, personId: person.id, name: person.name, role: person.role };
    if (!mayAct(actor, verbs['sign-hold-point'].audience))
      throw new DomainError('not-allowed', { what: `${person.name}, ${person.role}, signs no hold points.` });
    return { signer: { personId: person.id, personName: person.name } };
  },
  prepare: (_asking, signer) => ({ facts: signer }),
};

const takePicture: JobCommand<'take-picture', receive.PhotoFacts, { picture: Picture; caption: string }> = {
  verb: 'take-picture',
  decider: receive.addPhoto,
  ask: takeBenchPicture,
  prepare: ({ context }, { picture }) => photoFacts(context.newId(), picture),
};

/** Another job of a pump that is still in the house, by its tag; null where there is none. */
async function tagInHouse(connection: Connection, pumpId: string, own: string): Promise<string | null> {
  const visits = await loadVisitsOfPump(connection, pumpId);
  return visits.find(({ closedAt, tag }) => closedAt === null && tag !== own)?.tag ?? null;
}

const receiveCommands = {
  'correct-owner': withFacts('correct-owner', receive.correctOwner, async ({ context, connection, command }) => ({
    customer: await ensureCustomer(context, connection, command.customer),
  })),
  'correct-contact': withFacts(
    'correct-contact',
    receive.correctContact,
    async ({ context, connection, record, command }) => ({
      contact: await ensureContact(context, connection, { customerId: record.customer.id, ...command.contact }),
    }),
  ),
  'correct-nameplate': withFacts(
    'correct-nameplate',
    receive.correctNameplate,
    async ({ context, connection, record, command }) => {
      // Two who put two plates right at once to the same serial number go one after the other.
      await lockPlates(connection);
      const pump = await ensurePump(context, connection, { pump: command.pump, familyId: record.familyId });
      return { pump, inHouse: await tagInHouse(connection, pump.id, record.tag) };
    },
  ),
  'correct-equipment-number': plain('correct-equipment-number', receive.correctEquipmentNumber),
  'correct-lot': correctLot,
  'save-intake': plain('save-intake', receive.saveIntake),
  'confirm-isolation': plain('confirm-isolation', receive.confirmIsolation),
  'acknowledge-caution': plain('acknowledge-caution', receive.acknowledgeCaution),
  'correct-construction': withFacts(
    'correct-construction',
    receive.correctConstruction,
    async ({ connection, command }) => {
      const built = await chosenFamily(connection, command);
      await keepFamily(connection, built);
      return { built };
    },
  ),
  'take-newer-family': withFacts('take-newer-family', receive.takeNewerFamily, async ({ connection, record }) => {
    const family = await newerFamily(connection, record);
    const newer = family && buildFor(family, knownBuild(family, readBuild(record.familyVersion)));
    if (newer) await keepFamily(connection, newer);
    return { newer };
  }),
  'take-picture': jobCommand(takePicture),
};

/** The tools of the shop, and the zone in which they are due; with the shop, which the answer says more of. */
async function prepareTools({ context, connection }: Pick<Asking<unknown>, 'context' | 'connection'>) {
  const found = await (context.ahead?.shop() ?? readShopAtHand(connection));
  if (!found) throw noShop();
  const { shop, tools } = found;
  return { facts: { tools, zone: shop.zone } satisfies ToolFacts, shop };
}

const withTools = <V extends TaggedVerb>(verb: V, decider: JobCommand<V, ToolFacts, undefined>['decider']) =>
  jobCommand<V, ToolFacts, undefined>({
    ...{ verb, decider, isReadOnly: true },
    ...{ prepare: prepareTools, prepareAlong: prepareTools },
  });

const sheetCommands = {
  'write-residue': plain('write-residue', sheets.writeResidue),
  'allow-opening': plain('allow-opening', sheets.allowOpening),
  'write-begun': plain('write-begun', sheets.writeBegun),
  'write-evaluation': withFacts('write-evaluation', sheets.writeEvaluation, async ({ connection }) => ({
    labourMinorPerHour: (await shopOf(connection)).settings.labourMinorPerHour,
  })),
  'send-evaluation': plain('send-evaluation', sheets.sendEvaluation),
  'answer-evaluation': plain('answer-evaluation', sheets.answerEvaluation),
  'judge-warranty': plain('judge-warranty', sheets.judgeWarranty),
  'choose-fate': plain('choose-fate', sheets.chooseFate),
  reassemble: plain('reassemble', sheets.reassemble),
  'close-unreturned': withFacts('close-unreturned', sheets.closeUnreturned, async (asking) => {
    await keepAsDonor(asking);
    return undefined;
  }),
  pack: plain('pack', sheets.pack),
  'choose-policy': plain('choose-policy', sheets.choosePolicy),
};

const benchCommands = {
  'account-parts': plain('account-parts', bench.accountParts),
  'clean-parts': plain('clean-parts', bench.cleanParts),
  'answer-action': withTools('answer-action', bench.answerAction),
  'concede-answer': withTools('concede-answer', bench.concedeAnswer),
  'undo-answer': plain('undo-answer', bench.undoAnswer),
  'open-again': plain('open-again', bench.openAgain),
  'allow-deviation': plain('allow-deviation', bench.allowDeviation),
  'sign-hold-point': jobCommand(signHoldPoint),
  'record-readings': withTools('record-readings', inspection.recordReadings),
  'concede-readings': withTools('concede-readings', inspection.concedeReadings),
  'judge-point': plain('judge-point', inspection.judgePoint),
  'look-at-parts': plain('look-at-parts', inspection.lookAtParts),
  'record-finding': plain('record-finding', inspection.recordFinding),
  dispose: plain('dispose', inspection.dispose),
};

const answerQuote: JobCommand<'answer-quote', { approvalId: string }, undefined> = {
  verb: 'answer-quote',
  decider: quote.answerQuote,
  prepare: (asking) => ({ facts: approvalFacts(asking) }),
};

/** What of the shop's settings a quote depends on. */
async function termsOf({ connection }: { readonly connection: Connection }): Promise<quote.ShopTerms> {
  const { currency, settings } = await shopOf(connection);
  return {
    currency,
    rates: settings,
    taxPct: settings.taxPct,
    taxes: settings.taxes,
    quoteValidDays: settings.quoteValidDays,
    basis: settings.basis,
    language: settings.language,
  };
}

/** The terms of a whole quote, with the seal that this job offers in place of a packing. */
async function quoteTerms(
  asking: Parameters<typeof termsOf>[0] & { readonly record: JobRecord; readonly family: Family },
) {
  const { record, family } = asking;
  const terms = await termsOf(asking);
  if (schoolOf(record, 'stuffing box') !== 'offer a seal') return terms;
  const file = await findVersion(asking.connection, record.familyId, record.familyVersion.split('+')[0] ?? '');
  const builtWith = (build: Build) => {
    try {
      return file && buildFor(file, build);
    } catch (error) {
      if (error instanceof DomainError) return null;
      throw error;
    }
  };
  return {
    ...terms,
    sealOffer: sealOffer({ family, axes: file?.axes ?? [], build: readBuild(record.familyVersion), builtWith }),
  };
}

const linkFacts = ({ context }: { readonly context: Context }): quote.LinkFacts => ({
  linkId: context.newId(),
  token: context.newToken(),
  origin: context.origin,
});

const askQuestion: JobCommand<'ask-question', { questionId: string }, undefined> = {
  verb: 'ask-question',
  decider: quote.askQuestion,
  prepare: ({ context }) => ({ facts: { questionId: context.newId() } }),
};

/** What a customer does by the link to a quote: the job is that of the link, and the quote must be. */
async function tagOfLink({ actor, database }: Context, quoteId: string): Promise<string> {
  if (actor.kind !== 'customer' || actor.quoteId !== quoteId) throw new DomainError('link-not-valid');
  const tag = await findTagById(database, actor.jobId);
  if (!tag) throw new DomainError('link-not-valid');
  return tag;
}

const quoteCommands = {
  'draw-up-quote': withFacts('draw-up-quote', quote.drawUpQuote, quoteTerms),
  'add-line': plain('add-line', quote.addLine),
  'change-line': plain('change-line', quote.changeLine),
  'strike-line': plain('strike-line', quote.strikeLine),
  'take-proposal': plain('take-proposal', quote.takeProposal),
  'change-quote': withFacts('change-quote', quote.changeQuote, async ({ connection }) => ({
    shopRateMinor: (await shopOf(connection)).settings.labourMinorPerHour,
  })),
  'send-quote': sendQuote,
  'revoke-link': plain('revoke-link', quote.revokeLink),
  'record-approval': withFacts('record-approval', quote.recordApproval, approvalFacts),
  'correct-approval': withFacts('correct-approval', quote.correctApproval, approvalFacts),
  'settle-decline': plain('settle-decline', quote.settleDecline),
  'answer-question': plain('answer-question', quote.answerQuestion),
  'send-reminder': withFacts('send-reminder', quote.sendReminder, linkFacts),
  'agree-limit': withFacts('agree-limit', quote.agreeLimit, async ({ connection, record, command }) => {
    if (command.forAll) await setCustomerLimit(connection, record.customer.id, command);
    return null;
  }),
  'find-later': withFacts('find-later', quote.findLater, async (asking) => ({
    terms: await termsOf(asking),
    ...approvalFacts(asking),
  })),
  'send-supplement': withFacts('send-supplement', quote.sendSupplement, linkFacts),
  'withdraw-supplement': plain('withdraw-supplement', quote.withdrawSupplement),
  'answer-quote': forVerb('answer-quote', async (context, command) => {
    const tag = await tagOfLink(context, command.quoteId);
    return changeJob(context, answerQuote, { tag, command, customerName: command.name });
  }),
  'ask-question': forVerb('ask-question', async (context, command) => {
    const tag = await tagOfLink(context, command.quoteId);
    return changeJob(context, askQuestion, { tag, command, customerName: command.name });
  }),
};

type Ran = Pick<test.RunFacts, 'run' | 'points'>;
const runTest: JobCommand<'run-test', test.RunFacts, Ran> = {
  verb: 'run-test',
  decider: test.runTest,
  ask: runOnStand,
  prepare: async ({ context, connection }, ran) => {
    const { tools, zone } = (await prepareTools({ context, connection })).facts;
    const stand = tools.find((one) => one.kind === 'test stand') ?? null;
    return { facts: { ...ran, stand, zone, runId: context.newId() } };
  },
};

const workCommands = {
  'order-parts': orderForJob,
  'acknowledge-order': plain('acknowledge-order', supply.acknowledgeOrder),
  'move-order': plain('move-order', supply.moveOrder),
  'cut-order': plain('cut-order', supply.cutOrder),
  'take-parcel': takeJobParcel,
  'receive-parts': receiveJobParts,
  'run-test': jobCommand(runTest),
  'decide-run': plain('decide-run', test.decideRun),
  'issue-report': withFacts('issue-report', report.issueReport, async ({ context, connection, record }) => ({
    shop: await shopOf(connection),
    // A number is taken only where a report will be issued: the series has no gaps.
    number:
      record.station === 'report' && !record.reports.length
        ? writeReportNumber(await takeNumber(connection, 'nextReport'), context.now().getUTCFullYear())
        : '',
  })),
  'correct-report': withFacts('correct-report', report.correctReport, async ({ connection }) => ({
    shop: await shopOf(connection),
  })),
  'release-pump': withFacts('release-pump', report.releasePump, async (asking) => {
    await keepLeftOvers(asking);
    return { warrantyMonths: (await shopOf(asking.connection)).settings.warrantyMonths };
  }),
  'deliver-pump': deliverPump,
};

const lifecycleCommands = {
  'advance-job': forVerb('advance-job', async (context, command) => {
    assertMayMove(context, command.event);
    const job: JobCommand<'advance-job', undefined, undefined> = {
      verb: 'advance-job',
      decider: lifecycle.advanceJob,
      prepare: () => ({ facts: undefined }),
    };
    return changeJob(context, job, { tag: command.tag, command });
  }),
  'move-promise': movePromise,
  'hold-job': plain('hold-job', lifecycle.holdJob),
  'resume-job': plain('resume-job', lifecycle.resumeJob),
};

function assertMayMove({ actor }: Context, event: CommandOf<'advance-job'>['event']): void {
  if (!mayAct(actor, moveAudience[event])) throw new DomainError('not-allowed');
}

export const jobCommands = {
  ...receiveCommands,
  ...sheetCommands,
  ...benchCommands,
  ...quoteCommands,
  ...workCommands,
  ...supplyCommands,
  ...lifecycleCommands,
};
