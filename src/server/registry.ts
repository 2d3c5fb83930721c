import { accountParts } from './bench/account-parts';
import { cleanParts } from './bench/clean-parts';
import { finishStep } from './bench/finish-step';
import { recordCapture } from './bench/record-capture';
import { signHoldPoint } from './bench/sign-hold-point';
import { dispose } from './inspection/dispose';
import { judgePointVerdict } from './inspection/judge-point';
import { readGauge } from './inspection/read-gauge';
import { recordFinding } from './inspection/record-finding';
import { recordReadings } from './inspection/record-readings';
import { advanceJob, moveAudience } from './lifecycle/advance-job';
import { holdJob } from './lifecycle/hold-job';
import { resumeJob } from './lifecycle/resume-job';
import { orderParts } from './parts/order-parts';
import { receiveParts } from './parts/receive-parts';
import { takeParcel } from './parts/take-parcel';
import { addInstrument } from './people/add-instrument';
import { addPerson } from './people/add-person';
import { chooseUnits } from './people/choose-units';
import { importFamily, makeOwnFamily } from './library/own-families';
import { correctConstruction } from './receive/correct-construction';
import { takeNewerFamily } from './library/take-newer-family';
import { createOwner } from './people/create-owner';
import { signIn } from './people/sign-in';
import { switchPerson } from './people/switch-person';
import { addLine } from './quote/add-line';
import { answerQuote } from './quote/answer-quote';
import { changeLine } from './quote/change-line';
import { drawUpQuote } from './quote/draw-up-quote';
import { recordApproval } from './quote/record-approval';
import { revokeLink } from './quote/revoke-link';
import { sendQuote } from './quote/send-quote';
import { strikeLine } from './quote/strike-line';
import { readFamily, readFamilyDocument } from './read/read-family';
import { readAsks } from './read/read-asks';
import {
  readCustomerPage,
  readEvents,
  readFirstVisit,
  readOutbox,
  readPartsDesk,
  readReceiving,
  readShopView,
} from './read/read-desks';
import {
  readMailAttachment,
  readOwnQuotePdf,
  readPhoto,
  readQuotePdf,
  readReport,
  readTagPdf,
} from './read/read-documents';
import { findJobs, readFloor } from './read/read-floor';
import { readJob } from './read/read-job';
import { acknowledgeCaution } from './receive/acknowledge-caution';
import { addPhoto } from './receive/add-photo';
import { confirmIsolation } from './receive/confirm-isolation';
import { receivePump } from './receive/receive-pump';
import { saveIntake } from './receive/save-intake';
import { takePicture } from './receive/take-picture';
import { correctReport } from './report/correct-report';
import { deliverPump } from './report/deliver-pump';
import { issueReport } from './report/issue-report';
import { releasePump } from './report/release-pump';
import { decideRun } from './test/decide-run';
import { runTest } from './test/run-test';
import type { UseCase } from './use-case';

/** Use cases that change something, by the verb that the interface sends. */
export const actUseCases = [
  signIn,
  switchPerson,
  createOwner,
  addPerson,
  addInstrument,
  chooseUnits,
  importFamily,
  makeOwnFamily,
  takeNewerFamily,
  correctConstruction,
  receivePump,
  saveIntake,
  confirmIsolation,
  acknowledgeCaution,
  addPhoto,
  takePicture,
  accountParts,
  cleanParts,
  recordCapture,
  finishStep,
  signHoldPoint,
  recordReadings,
  readGauge,
  judgePointVerdict,
  recordFinding,
  dispose,
  drawUpQuote,
  changeLine,
  addLine,
  strikeLine,
  sendQuote,
  answerQuote,
  recordApproval,
  revokeLink,
  orderParts,
  takeParcel,
  receiveParts,
  runTest,
  decideRun,
  issueReport,
  correctReport,
  releasePump,
  deliverPump,
  advanceJob,
  holdJob,
  resumeJob,
] as unknown as readonly UseCase[];

/** Use cases that only read. */
export const readUseCases = [
  readFloor,
  findJobs,
  readJob,
  readAsks,
  readFamily,
  readFamilyDocument,
  readEvents,
  readPhoto,
  readTagPdf,
  readQuotePdf,
  readOwnQuotePdf,
  readReport,
  readMailAttachment,
  readOutbox,
  readPartsDesk,
  readReceiving,
  readShopView,
  readFirstVisit,
  readCustomerPage,
] as unknown as readonly UseCase[];

/** Who may do each verb, for an interface that says whose work something is; moves as `advance-job:` and their event. */
export const audiences: Readonly<Record<string, readonly string[]>> = Object.fromEntries([
  ...actUseCases.map(({ verb, audience }) => [verb, audience] as const),
  ...Object.entries(moveAudience).map(([event, audience]) => [`advance-job:${event}`, audience] as const),
]);

export const allUseCases: readonly UseCase[] = [...actUseCases, ...readUseCases];
