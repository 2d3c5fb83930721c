// The one table of verbs: longer than most files because every verb of the door stands in it, and nowhere else.
import * as z from 'zod';
import type { Audience } from '@/core/access';
import type { PersonalMove } from '@/core/lifecycle';
import {
  allowOpeningInput,
  answerEvaluationInput,
  chooseFateInput,
  choosePolicyInput,
  judgeWarrantyInput,
  packInput,
  reassembleInput,
  sendEvaluationInput,
  writeBegunInput,
  writeEvaluationInput,
  writeResidueInput,
  agreeLimitInput,
  answerQuestionInput,
  askQuestionInput,
  changeQuoteInput,
  correctApprovalInput,
  findLaterInput,
  orderPartsInput,
  quoteId,
  sendReminderInput,
  sendSupplementInput,
  settleDeclineInput,
  takeProposalInput,
  withdrawSupplementInput,
  acknowledgeCautionInput,
  allowDeviationInput,
  answerActionInput,
  acknowledgeOrderInput,
  cutOrderInput,
  moveOrderInput,
  accountPartsInput,
  addLineInput,
  addPhotoInput,
  advanceJobInput,
  answerQuoteInput,
  changeLineInput,
  cleanPartsInput,
  concedeReadingsInput,
  confirmIsolationInput,
  correctContactInput,
  correctEquipmentNumberInput,
  correctLotInput,
  correctNameplateInput,
  correctOwnerInput,
  correctConstructionInput,
  correctReportInput,
  decideRunInput,
  deliverPumpInput,
  disposeInput,
  findingId,
  holdJobInput,
  movePromiseInput,
  judgePointInput,
  lookAtPartsInput,
  orderInput,
  photoId,
  quoteLineId,
  readGaugeInput,
  receivePartsInput,
  receivePumpInput,
  recordApprovalInput,
  openAgainInput,
  recordFindingInput,
  recordReadingsInput,
  runTestInput,
  saveIntakeInput,
  sentence,
  signHoldPointInput,
  strikeLineInput,
  tagField,
  tagInput,
  takePictureInput,
  undoAnswerInput,
} from '@/core/change/inputs';
import { optionLevels, roles, runVerdicts } from '@/core/record';
import { planningVerbs } from './planning-verbs';
import { purchasingVerbs } from './purchasing-verbs';
import { supplyVerbs } from './supply-verbs';
import { verb, type VerbDescription } from './verb';
import {
  addInstrumentInput,
  recordCalibrationInput,
  addPasskeyInput,
  addPersonInput,
  changeOwnSecretInput,
  changePersonInput,
  endPasskeyInput,
  endSessionInput,
  endSessionsInput,
  confirmFactorInput,
  endTabletInput,
  enrolTabletInput,
  resetSecretInput,
  changeSettingsInput,
  changeShopInput,
  endCustomerPageInput,
  makeCustomerPageInput,
  mergeCustomersInput,
  chooseUnitsInput,
  setNumberInput,
  createOwnerInput,
  personId,
  signInByPasskeyInput,
  signInInput,
  switchPersonInput,
  withPasswordInput,
} from './people';

const version = z.number().int();
const versioned = z.object({ version });
const session = z.object({ sessionId: z.string(), personId: z.string(), name: z.string(), role: z.enum(roles) });

/** What a browser is asked of a passkey: W3C Web Authentication level 3, sections 5.4 and 5.5, as JSON; with a seal to send back. */
const passkeyAsked = z.object({ options: z.record(z.string(), z.unknown()), token: z.string() });

const peopleVerbs = {
  'sign-in': verb({
    about: 'Opens a session for the right address and password.',
    audience: ['anyone'],
    input: signInInput,
    result: session,
  }),
  'switch-person': verb({
    about: 'On a bench tablet that is signed in, another person takes over by PIN.',
    audience: ['coordinator', 'technician', 'inspector', 'parts'],
    input: switchPersonInput,
    result: session,
  }),
  'create-owner': verb({
    about: 'First visit to an empty shop: makes the shop and its owner. Refused as soon as anybody exists.',
    audience: ['anyone'],
    input: createOwnerInput,
    result: session,
  }),
  'add-person': verb({
    about: 'Adds a person with a role.',
    audience: ['owner'],
    input: addPersonInput,
    result: z.object({ personId }),
  }),
  'change-person': verb({
    about:
      'Another name, address or role of a person; or they leave, or come back. Who leaves is signed out everywhere.',
    audience: ['owner'],
    input: changePersonInput,
    result: z.object({ changed: z.number().int() }),
  }),
  'reset-secret': verb({
    about: 'Another password or PIN for somebody who lost theirs; their devices are signed out by a new password.',
    audience: ['owner'],
    input: resetSecretInput,
    result: z.object({ ended: z.number().int() }),
  }),
  'change-own-secret': verb({
    about: 'Another password or PIN of one’s own, for whoever knows the password that is.',
    audience: ['coordinator', 'technician', 'inspector', 'parts'],
    input: changeOwnSecretInput,
    /** How many other sign-ins of theirs a new password ended. */
    result: z.object({ changed: z.number().int(), ended: z.number().int() }),
  }),
  'end-sessions': verb({
    about: 'Signs a person out on every device, such as after a tablet was lost.',
    audience: ['owner'],
    input: endSessionsInput,
    result: z.object({ ended: z.number().int() }),
  }),
  'end-session': verb({
    about: 'Ends one sign-in of one’s own, such as on a device that was left behind; the owner ends anybody’s.',
    audience: ['coordinator', 'technician', 'inspector', 'parts'],
    input: endSessionInput,
    result: z.object({ ended: z.number().int() }),
  }),
  'begin-second-factor': verb({
    about: 'Begins a second factor of one’s own: codes of an app by time.',
    audience: ['coordinator'],
    input: withPasswordInput,
    result: z.object({ secret: z.string(), address: z.string(), picture: z.string() }),
  }),
  'confirm-second-factor': verb({
    about: 'Makes one’s second factor hold by a first code; the words for a lost telephone are shown once.',
    audience: ['coordinator'],
    input: confirmFactorInput,
    result: z.object({ recovery: z.array(z.string()) }),
  }),
  'end-second-factor': verb({
    about: 'Ends one’s own second factor.',
    audience: ['coordinator', 'technician', 'inspector', 'parts'],
    input: withPasswordInput,
    result: z.object({ ended: z.number().int() }),
  }),
  'drop-second-factor': verb({
    about: 'Ends the second factor of somebody who lost telephone and words.',
    audience: ['owner'],
    input: endSessionsInput,
    result: z.object({ ended: z.number().int() }),
  }),
  'begin-passkey': verb({
    about: 'Begins a passkey of one’s own: what the browser needs to make one.',
    audience: ['coordinator', 'technician', 'inspector', 'parts'],
    input: withPasswordInput,
    result: passkeyAsked,
  }),
  'add-passkey': verb({
    about: 'Keeps the passkey that the browser made: from then on it signs its person in.',
    audience: ['coordinator', 'technician', 'inspector', 'parts'],
    input: addPasskeyInput,
    result: z.object({ passkeyId: z.string() }),
  }),
  'end-passkey': verb({
    about: 'Ends a passkey of one’s own.',
    audience: ['coordinator', 'technician', 'inspector', 'parts'],
    input: endPasskeyInput,
    result: z.object({ ended: z.number().int() }),
  }),
  'drop-passkeys': verb({
    about: 'Ends all passkeys of somebody who lost a device.',
    audience: ['owner'],
    input: endSessionsInput,
    result: z.object({ ended: z.number().int() }),
  }),
  'ask-passkey': verb({
    about: 'Begins a sign-in by passkey: what the browser asks the person’s device.',
    audience: ['anyone'],
    input: z.strictObject({}),
    result: passkeyAsked,
  }),
  'sign-in-by-passkey': verb({
    about: 'Opens a session for whom a passkey proves.',
    audience: ['anyone'],
    input: signInByPasskeyInput,
    result: session,
  }),
  'enrol-tablet': verb({
    about: 'Makes the device at which it is pressed a tablet of the bench: people take over there by PIN.',
    audience: ['coordinator'],
    input: enrolTabletInput,
    result: z.object({ tabletId: z.string(), name: z.string() }),
  }),
  'end-tablet': verb({
    about: 'Ends a tablet of the bench, such as one that was lost: who is signed in there is out.',
    audience: ['coordinator'],
    input: endTabletInput,
    result: z.object({ ended: z.number().int() }),
  }),
  'make-backup': verb({
    about: 'A backup of the whole record now, beside the nightly ones.',
    audience: ['owner'],
    input: z.strictObject({}),
    result: z.object({
      file: z.string(),
      bytes: z.number().int(),
      jobs: z.number().int(),
      pictures: z.number().int(),
    }),
  }),
  'add-instrument': verb({
    about: 'A gauge of the shop, with its uncertainty and the day its calibration is due.',
    audience: ['inspector'],
    input: addInstrumentInput,
    result: z.object({ instrumentId: z.string() }),
  }),
  'record-calibration': verb({
    about: 'What a laboratory found of an instrument; what it measured since the last good one is looked up.',
    audience: ['inspector', 'coordinator'],
    input: recordCalibrationInput,
    /** Readings, and work of the bench, that nobody can vouch for. */
    result: z.object({ touched: z.number().int(), worked: z.number().int() }),
  }),
  'merge-customers': verb({
    about:
      'Makes one customer of two that are the same: every pump of the first, with a trace on each job, and its people.',
    audience: ['coordinator'],
    input: mergeCustomersInput,
    result: z.object({ moved: z.number().int() }),
  }),
  'make-customer-page': verb({
    about: 'Makes a link under which a customer reads how all its pumps stand, without signing in; it is shown once.',
    audience: ['coordinator'],
    input: makeCustomerPageInput,
    result: z.object({ id: z.string(), path: z.string() }),
  }),
  'end-customer-page': verb({
    about: 'Ends the link of a customer’s page: whoever has it reads nothing any more.',
    audience: ['coordinator'],
    input: endCustomerPageInput,
    result: z.object({ id: z.string() }),
  }),
  'change-settings': verb({
    about:
      'Settles rates, days, the warranty and the shop’s way in each matter. Jobs that are open keep the way they came in with.',
    audience: ['owner'],
    input: changeSettingsInput,
    result: z.object({ changed: z.array(z.string()).readonly() }),
  }),
  'change-shop': verb({
    about: 'Settles what the shop is called, where it is, and what it reckons in while nothing was quoted or ordered.',
    audience: ['owner'],
    input: changeShopInput,
    result: z.object({ changed: z.array(z.string()).readonly() }),
  }),
  'set-number': verb({
    about: 'Lets tags, reports, orders or lots go on at a higher number; one that was given is never given again.',
    audience: ['owner'],
    input: setNumberInput,
    result: z.object({ next: z.number().int() }),
  }),
  'set-mark': verb({
    about: 'The shop’s mark at the head of its papers; its bytes go to /api/mark.',
    audience: ['owner'],
    input: z.strictObject({}),
    result: z.object({ width: z.number().int(), height: z.number().int() }),
  }),
  'remove-mark': verb({
    about: 'Papers go out without a mark again.',
    audience: ['owner'],
    input: z.strictObject({}),
    result: z.object({}),
  }),
  'choose-units': verb({
    about: 'Millimetres or inches for the shop’s screens. Readings stay as they were taken.',
    audience: ['owner'],
    input: chooseUnitsInput,
    result: chooseUnitsInput,
  }),
} as const;

const familyVerbs = {
  'import-family': verb({
    about:
      'Takes a family file in. A shipped family’s id becomes one of the shop’s own; a shop’s own id needs a newer version.',
    audience: ['owner'],
    input: z.strictObject({
      text: z.string().min(1, 'the file is empty').max(1_000_000, 'the file is larger than 1 MB'),
    }),
    result: z.object({ familyId: z.string(), version: z.string() }),
  }),
  'make-own-family': verb({
    about: 'A shop’s own variant of a family: limits, times, prices and words changed.',
    audience: ['owner'],
    input: z.strictObject({
      familyId: z.string().max(20),
      title: sentence(150),
      changes: z
        .array(
          z.strictObject({
            /** Ids of the elements joined by a stroke, such as points/sleeve-diameter/reuse_mm/min. */
            path: z.string().max(160),
            value: z.union([z.string().trim().min(1).max(1000), z.number()]),
          }),
        )
        .min(1, 'nothing is changed')
        .max(400),
    }),
    result: z.object({ familyId: z.string() }),
  }),
} as const;

const receiveVerbs = {
  'receive-pump': verb({
    about: 'Takes a failed pump in: owner and pump new or known, the job with its tag, the intake, the first event.',
    audience: ['coordinator', 'technician'],
    input: receivePumpInput,
    result: z.object({ tag: tagField, earlierVisits: z.number().int() }),
  }),
  'save-intake': verb({
    about: 'Changes what was written down at receiving.',
    audience: ['coordinator', 'technician'],
    input: saveIntakeInput,
    result: versioned.extend({ intakeVersion: version }),
  }),
  'correct-owner': verb({
    about: 'The pump belongs to somebody else than was written down; their contact is named anew.',
    audience: ['coordinator'],
    input: correctOwnerInput,
    result: versioned,
  }),
  'correct-contact': verb({
    about: 'Another contact or another address: quotes and mails go there from now on.',
    audience: ['coordinator'],
    input: correctContactInput,
    result: versioned,
  }),
  'correct-nameplate': verb({
    about: 'Maker, model, serial number or size was read wrongly; refused where that pump is in the house already.',
    audience: ['coordinator', 'technician'],
    input: correctNameplateInput,
    result: versioned,
  }),
  'correct-equipment-number': verb({
    about: 'The customer’s own number of the pump was written down wrongly.',
    audience: ['coordinator', 'technician'],
    input: correctEquipmentNumberInput,
    result: versioned,
  }),
  'correct-lot': verb({
    about: 'What the units of a lot share: from now on one promise, one quote, one delivery, or each by itself.',
    audience: ['coordinator'],
    input: correctLotInput,
    result: versioned,
  }),
  'confirm-isolation': verb({
    about: 'Records who confirmed that all energy is isolated. The product never declares anything safe.',
    audience: ['coordinator', 'technician'],
    input: confirmIsolationInput,
    result: versioned.extend({ intakeVersion: version }),
  }),
  'acknowledge-caution': verb({
    about: 'The technician who opens the pump acknowledges a caution, once a job.',
    audience: ['technician', 'inspector'],
    input: acknowledgeCautionInput,
    result: versioned,
  }),
  'correct-construction': verb({
    about: 'The pump turns out to be built otherwise, or goes back built otherwise; until a quote is drawn up.',
    audience: ['coordinator', 'technician'],
    input: correctConstructionInput,
    result: versioned.extend({
      familyVersion: z.string(),
      asksElastomer: z.boolean(),
      /** What was recorded and stands for nothing in the way it is built now; it stays in the record. */
      dropped: z.array(z.string()),
    }),
  }),
  'take-newer-family': verb({
    about: 'Takes the newer version of a job’s family, while nothing was recorded by the old one.',
    audience: ['coordinator'],
    input: tagInput,
    result: versioned.extend({ familyVersion: z.string() }),
  }),
  'add-photo': verb({
    about: 'Adds a picture that a person sends as bytes (JPEG, PNG or WebP), beside these fields.',
    audience: ['coordinator', 'technician', 'inspector', 'parts'],
    input: addPhotoInput,
    result: versioned.extend({ photoId }),
  }),
  'take-picture': verb({
    about: 'Takes a picture with the camera at the bench.',
    audience: ['coordinator', 'technician', 'inspector', 'parts'],
    input: takePictureInput,
    result: versioned.extend({ photoId }),
  }),
} as const;

const sheetKept = versioned.extend({ sheetVersion: version });
const sheetVerbs = {
  'write-residue': verb({
    about: 'Writes down what is in a pump that nobody can name: its sample, what the laboratory says, its methods.',
    audience: ['coordinator', 'technician', 'inspector'],
    input: writeResidueInput,
    result: sheetKept,
  }),
  'allow-opening': verb({
    about: 'Allows one protected opening for a sample, or that a pump with a residue is opened: by name.',
    audience: ['coordinator', 'inspector'],
    input: allowOpeningInput,
    result: sheetKept,
  }),
  'write-begun': verb({
    about: 'Writes down that somebody else began to take the pump apart, and what can no longer be taken.',
    audience: ['coordinator', 'technician', 'inspector'],
    input: writeBegunInput,
    result: sheetKept,
  }),
  'write-evaluation': verb({
    about: 'Fills in the first look at a pump: what is wrong, what can be saved, the guess, the advice.',
    audience: ['coordinator', 'technician', 'inspector'],
    input: writeEvaluationInput,
    result: sheetKept,
  }),
  'send-evaluation': verb({
    about: 'Sends the first answer to the customer.',
    audience: ['coordinator'],
    input: sendEvaluationInput,
    result: sheetKept,
  }),
  'answer-evaluation': verb({
    about: 'Writes down what the owner says to the first look, and who said it.',
    audience: ['coordinator'],
    input: answerEvaluationInput,
    result: sheetKept,
  }),
} as const;

const benchVerbs = {
  'account-parts': verb({
    about: 'Says of parts whether they came off whole, broken, were missing or never fitted.',
    audience: ['technician', 'inspector', 'coordinator'],
    input: accountPartsInput,
    result: versioned,
  }),
  'clean-parts': verb({
    about: 'Records one run of cleaning: its method, what was masked, and the look at each part afterwards.',
    audience: ['technician', 'inspector'],
    input: cleanPartsInput,
    result: versioned.extend({ run: z.number().int() }),
  }),
  'answer-action': verb({
    about:
      'Answers one action of a step; refused where something comes first, or where it is not right and must not stand.',
    audience: ['technician', 'inspector'],
    input: answerActionInput,
    result: versioned.extend({ answerVersion: version }),
  }),
  'concede-answer': verb({
    about: 'Lets an answer stand that is not right, or an action that is not possible, by name and with a reason.',
    audience: ['inspector', 'coordinator'],
    input: answerActionInput,
    result: versioned.extend({ answerVersion: version }),
  }),
  'undo-answer': verb({
    about: 'Takes the last answer of a phase back; its trace stays in the record.',
    audience: ['technician', 'inspector'],
    input: undoAnswerInput,
    result: versioned,
  }),
  'open-again': verb({
    about: 'Opens a step again, whole or from one of its actions on, with a reason.',
    audience: ['technician', 'inspector', 'coordinator'],
    input: openAgainInput,
    result: versioned,
  }),
  'allow-deviation': verb({
    about: 'Allows a step to be done before what should come first, by name and with a reason.',
    audience: ['inspector', 'coordinator'],
    input: allowDeviationInput,
    result: versioned,
  }),
  'sign-hold-point': verb({
    about: 'A second person signs a hold point: never the one who did the step.',
    audience: ['technician', 'inspector', 'coordinator'],
    input: signHoldPointInput,
    result: versioned,
  }),
} as const;

const inspectionVerbs = {
  'concede-readings': verb({
    about: 'Lets readings stand whose gauge is overdue or out of its range, by name and with a reason.',
    audience: ['inspector', 'coordinator'],
    input: concedeReadingsInput,
    result: versioned,
  }),
  'record-readings': verb({
    about: 'Records readings with what was typed, unit and digits, and the gauge they came from.',
    audience: ['technician', 'inspector'],
    input: recordReadingsInput,
    result: versioned,
  }),
  'read-gauge': verb({
    about: 'What the gauge types when its button is pressed; nothing is stored until the entry is kept.',
    audience: ['technician', 'inspector'],
    input: readGaugeInput,
    result: z.object({ typed: z.string(), unit: z.string() }),
  }),
  'judge-point': verb({
    about: 'A named person overrules the proposed verdict of a point, or waives its measuring, with a reason.',
    audience: ['inspector', 'coordinator'],
    input: judgePointInput,
    result: versioned.extend({ findingVersion: version }),
  }),
  'look-at-parts': verb({
    about: 'Says of parts that they were looked at and nothing was seen on them.',
    audience: ['technician', 'inspector'],
    input: lookAtPartsInput,
    result: versioned,
  }),
  'record-finding': verb({
    about: 'A visual finding on a part, with its picture and plain words for the customer.',
    audience: ['technician', 'inspector'],
    input: recordFindingInput,
    result: versioned.extend({ findingId }),
  }),
  dispose: verb({
    about: 'Says what is done about a finding, and why.',
    audience: ['inspector', 'coordinator'],
    input: disposeInput,
    result: versioned.extend({ findingId, dispositionVersion: version }),
  }),
} as const;

const quoteVerbs = {
  'draw-up-quote': verb({
    about: 'Draws up a new revision from the dispositions; a draft before it is superseded.',
    audience: ['coordinator'],
    input: tagInput,
    result: versioned.extend({
      revision: version,
      lines: z.number().int(),
      options: z.array(z.enum(optionLevels)).readonly(),
    }),
  }),
  'add-line': verb({
    about: 'Adds a line of the coordinator’s own to the draft.',
    audience: ['coordinator'],
    input: addLineInput,
    result: versioned.extend({ lineId: quoteLineId, quoteVersion: version }),
  }),
  'change-line': verb({
    about: 'Changes words, quantity or price of a line of the draft.',
    audience: ['coordinator'],
    input: changeLineInput,
    result: versioned.extend({ quoteVersion: version }),
  }),
  'strike-line': verb({
    about: 'Strikes a line of the draft with a reason, or puts it back.',
    audience: ['coordinator'],
    input: strikeLineInput,
    result: versioned.extend({ quoteVersion: version }),
  }),
  'send-quote': verb({
    about: 'Freezes the draft with its fingerprint and moves the job on; it is mailed with a link for the customer.',
    audience: ['coordinator'],
    input: tagInput,
    result: versioned.extend({ revision: version, fingerprint: z.string() }),
  }),
  'take-proposal': verb({
    about: 'Takes what the record proposes in place of an amount that was changed by hand.',
    audience: ['coordinator'],
    input: takeProposalInput,
    result: versioned.extend({ quoteVersion: version }),
  }),
  'change-quote': verb({
    about: 'Changes what stands once for a draft: note, recipients, rate, discount, validity, options, comparison.',
    audience: ['coordinator'],
    input: changeQuoteInput,
    result: versioned.extend({ quoteVersion: version }),
  }),
  'find-later': verb({
    about: 'Something found after the inspection: a finding, and after the quote was sent a supplement of its own.',
    audience: ['technician', 'inspector', 'coordinator'],
    input: findLaterInput,
    result: versioned.extend({
      findingId,
      supplement: z.number().int().nullable(),
      quoteId: quoteId.nullable(),
      isApproved: z.boolean(),
    }),
  }),
  'send-supplement': verb({
    about: 'Freezes a supplement with its fingerprint and mails it with a link of its own; the job stays where it is.',
    audience: ['coordinator'],
    input: sendSupplementInput,
    result: versioned.extend({ revision: version, fingerprint: z.string() }),
  }),
  'withdraw-supplement': verb({
    about: 'Takes a supplement back that nobody has answered, with a reason.',
    audience: ['coordinator', 'inspector'],
    input: withdrawSupplementInput,
    result: versioned,
  }),
  'settle-decline': verb({
    about: 'After a critical item was declined: on with a disclaimer that is printed, or back as it is.',
    audience: ['coordinator'],
    input: settleDeclineInput,
    result: versioned,
  }),
  'correct-approval': verb({
    about: 'Puts right an answer that was written down wrongly, until something was ordered by it.',
    audience: ['coordinator'],
    input: correctApprovalInput,
    result: versioned.extend({ approvalId: z.string(), fingerprint: z.string() }),
  }),
  'ask-question': verb({
    about: 'The customer asks about a quote; the question stays on the job.',
    audience: ['customer'],
    input: askQuestionInput,
    result: versioned.extend({ questionId: z.string() }),
  }),
  'answer-question': verb({
    about: 'Answers a question of the customer, on their page and by mail.',
    audience: ['coordinator'],
    input: answerQuestionInput,
    result: versioned,
  }),
  'send-reminder': verb({
    about: 'Reminds the customer of a quote that waits for its answer, with a link of its own.',
    audience: ['coordinator'],
    input: sendReminderInput,
    result: versioned.extend({ number: z.number().int() }),
  }),
  'agree-limit': verb({
    about: 'Up to which sum supplements are approved without asking, and who agreed to it.',
    audience: ['coordinator'],
    input: agreeLimitInput,
    result: versioned.extend({ agreementVersion: version }),
  }),
  'revoke-link': verb({
    about: 'Takes back every customer link of a job.',
    audience: ['coordinator'],
    input: tagInput,
    result: versioned,
  }),
  'answer-quote': verb({
    about: 'The customer’s own answer through the link, with name and signature.',
    audience: ['customer'],
    input: answerQuoteInput,
    result: versioned.extend({ approvalId: z.string(), fingerprint: z.string() }),
  }),
  'record-approval': verb({
    about: 'The coordinator records an answer by telephone or purchase order, with who said so.',
    audience: ['coordinator'],
    input: recordApprovalInput,
    result: versioned.extend({ approvalId: z.string(), fingerprint: z.string() }),
  }),
} as const;

const parcelLine = z.object({ lineId: z.string(), quantity: z.number() });
const partsVerbs = {
  'order-parts': verb({
    about: 'Orders everything that the approved lines need and that is not ordered yet; before the answer at risk.',
    audience: ['parts', 'coordinator'],
    input: orderPartsInput,
    result: versioned.extend({ number: z.string(), numbers: z.array(z.string()) }),
  }),
  'acknowledge-order': verb({
    about: 'The supplier acknowledges an order with its reference and a day.',
    audience: ['service'],
    input: acknowledgeOrderInput,
    result: versioned,
  }),
  'move-order': verb({
    about: 'The supplier moves the day of an order, or of some of its lines.',
    audience: ['service'],
    input: moveOrderInput,
    result: versioned,
  }),
  'cut-order': verb({
    about: 'Pieces of an order are struck off before they left; they are needed again.',
    audience: ['service'],
    input: cutOrderInput,
    result: versioned.extend({ cut: z.number().int() }),
  }),
  'take-parcel': verb({
    about: 'A parcel of the supplier arrives, or a new day for it; the count comes after.',
    audience: ['parts', 'coordinator'],
    input: orderInput,
    result: versioned.extend({ lines: z.array(parcelLine).readonly(), restOn: z.string().nullable() }),
  }),
  'receive-parts': verb({
    about: 'Receiving check by count; what is short is said, with the steps that it stops.',
    audience: ['parts', 'technician'],
    input: receivePartsInput,
    result: versioned.extend({
      short: z
        .array(z.object({ partRef: z.string(), left: z.number(), blocks: z.array(z.string()).readonly() }))
        .readonly(),
    }),
  }),
} as const;

const issued = versioned.extend({ number: z.string(), revision: z.string(), fingerprint: z.string() });
const testVerbs = {
  'run-test': verb({
    about: 'Runs the pump on the stand through the plan’s points and judges the curve.',
    audience: ['inspector', 'technician'],
    input: runTestInput,
    result: versioned.extend({ run: z.number().int(), verdict: z.enum(runVerdicts), reason: z.string() }),
  }),
  'decide-run': verb({
    about: 'The tester signs a run: passed, back to rebuild with the reason, or a concession with a name.',
    audience: ['inspector'],
    input: decideRunInput,
    result: versioned,
  }),
  'issue-report': verb({
    about: 'Issues the as-built report: once, numbered, frozen.',
    audience: ['coordinator', 'inspector'],
    input: tagInput,
    result: issued,
  }),
  'correct-report': verb({
    about: 'A correction makes the next revision, which says what changed; the one before stays as it was.',
    audience: ['coordinator', 'inspector'],
    input: correctReportInput,
    result: issued,
  }),
  'judge-warranty': verb({
    about: 'Judges a pump that came back within its warranty: ours, theirs or shared, and why.',
    audience: ['coordinator', 'inspector'],
    input: judgeWarrantyInput,
    result: sheetKept,
  }),
  'choose-fate': verb({
    about: 'What becomes of a pump that is not repaired, by its owner’s word: back, reassembled, scrapped, a donor.',
    audience: ['coordinator'],
    input: chooseFateInput,
    result: sheetKept,
  }),
  reassemble: verb({
    about: 'Records that a pump that is not repaired was put together again.',
    audience: ['technician', 'inspector'],
    input: reassembleInput,
    result: sheetKept,
  }),
  'choose-policy': verb({
    about: 'Departs from the shop’s way in a matter, for one job, by name and with a reason.',
    audience: ['coordinator', 'inspector'],
    input: choosePolicyInput,
    result: sheetKept,
  }),
  'close-unreturned': verb({
    about: 'Closes the job of a pump that is scrapped, or stays as a donor.',
    audience: ['coordinator'],
    input: tagInput,
    result: versioned,
  }),
  pack: verb({
    about:
      'Fills in the packing list of a pump: what goes back, ports and blanks, how it is preserved, who carries it.',
    audience: ['coordinator', 'technician', 'inspector', 'parts'],
    input: packInput,
    result: sheetKept,
  }),
  'release-pump': verb({
    about: 'Releases the pump for its way back by its packing list.',
    audience: ['coordinator'],
    input: tagInput,
    result: versioned,
  }),
  'deliver-pump': verb({
    about: 'Records the delivery; the warranty starts on that day and the job is closed.',
    audience: ['coordinator'],
    input: deliverPumpInput,
    result: versioned,
  }),
} as const;

const lifecycleVerbs = {
  'advance-job': verb({
    about: 'Moves a job through a gate to the next station; a shut gate answers with what is missing.',
    audience: ['coordinator', 'technician', 'inspector', 'parts'],
    input: advanceJobInput,
    result: versioned,
  }),
  'move-promise': verb({
    about:
      'Moves what was promised to the customer to another day, with the reason; writes to the customer where asked.',
    audience: ['coordinator'],
    input: movePromiseInput,
    result: versioned,
  }),
  'hold-job': verb({
    about: 'Puts a job on hold: why, until when, and who holds it meanwhile.',
    audience: ['coordinator'],
    input: holdJobInput,
    result: versioned,
  }),
  'resume-job': verb({
    about: 'Ends a hold.',
    audience: ['coordinator'],
    input: tagInput,
    result: versioned,
  }),
} as const;

/** Who makes each move of `advance-job`. */
export const moveAudience = {
  'begin-teardown': ['technician', 'coordinator'],
  'finish-teardown': ['technician'],
  'finish-cleaning': ['technician'],
  'finish-inspection': ['inspector', 'coordinator'],
  'revise-quote': ['coordinator'],
  'start-rebuild': ['technician', 'coordinator', 'parts'],
  'finish-rebuild': ['technician', 'inspector'],
  'reopen-teardown': ['technician', 'coordinator'],
  'reopen-cleaning': ['technician', 'coordinator'],
  'reopen-inspection': ['inspector', 'coordinator'],
  'reopen-quote': ['coordinator'],
  'reopen-parts': ['coordinator'],
  'reopen-rebuild': ['inspector', 'coordinator'],
  'reopen-test': ['inspector', 'coordinator'],
  'reopen-report': ['coordinator'],
  'reopen-declined': ['coordinator'],
} as const satisfies Record<PersonalMove, readonly Audience[]>;

/** Every verb that changes something, by the name that the interface sends. */
export const verbs = {
  ...peopleVerbs,
  ...familyVerbs,
  ...receiveVerbs,
  ...sheetVerbs,
  ...benchVerbs,
  ...inspectionVerbs,
  ...quoteVerbs,
  ...partsVerbs,
  ...supplyVerbs,
  ...planningVerbs,
  ...purchasingVerbs,
  ...testVerbs,
  ...lifecycleVerbs,
} as const;

export type Verb = keyof typeof verbs;
/** What is sent with a verb. */
export type InputOf<V extends Verb> = z.input<(typeof verbs)[V]['input']>;
/** What a verb's use case gets: its input, parsed. */
export type CommandOf<V extends Verb> = z.output<(typeof verbs)[V]['input']>;
/** What a verb answers. */
export type ResultOf<V extends Verb> = z.output<(typeof verbs)[V]['result']>;

/** The table of verbs, typed one by one: a verb's entry takes and answers what that verb does. */
export const described: {
  readonly [V in Verb]: VerbDescription<z.ZodType<CommandOf<V>>, z.ZodType<ResultOf<V>>>;
} = verbs;

export function isVerb(name: string): name is Verb {
  return Object.hasOwn(verbs, name);
}
