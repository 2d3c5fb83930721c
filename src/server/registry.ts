import { moveAudience, verbs, type CommandOf, type ResultOf, type Verb } from '@/contract';
import type { Audience } from '@/core/access';
import { readGauge } from './devices';
import { jobCommands } from './job-commands';
import { makeBackupNow, readKeeping, readOwnerNotices } from './keeping/read-keeping';
import { importFamily, makeOwnFamily } from './library/own-families';
import { addInstrument } from './people/add-instrument';
import { readInstrument, recordCalibration } from './people/calibrations';
import { addPerson } from './people/add-person';
import { changeOwnSecret, changePersonVerb, endSessions, readStaff, resetSecret } from './people/staff';
import { mergeCustomers } from './people/merge-customers';
import { changeSettings, changeShop } from './people/change-settings';
import { readMarkPicture, readPapers, removeMark, setNumber } from './people/papers';
import { backTest } from './planning/back-test';
import { endPageOfCustomer, makeCustomerPage, readOwnPumps } from './people/customer-pages';
import { chooseUnits } from './people/choose-units';
import { createOwner } from './people/create-owner';
import {
  endAbsence,
  saveAbsence,
  saveShopCalendar,
  saveShopResource,
  weighJob,
  wishOperation,
} from './planning/keep-plan';
import { endFeedOf, makeFeed, readFeed, readFeeds } from './planning/feeds';
import { askPromise, readHands, readPlan, readWeeks, tryPlan } from './planning/read-plan';
import { addWorkedMinutes, correctWorkedMinutes, readWorked } from './planning/worked';
import {
  addPasskeyVerb,
  askPasskey,
  beginPasskey,
  dropPasskeysVerb,
  endPasskey,
  signInByPasskey,
} from './people/passkeys';
import { beginSecondFactor, confirmSecondFactor, dropSecondFactor, endSecondFactor } from './people/second-factor';
import { signIn } from './people/sign-in';
import { endTabletVerb, enrolTablet, switchPerson } from './people/switch-person';
import { endSessionVerb, readOwnSessions } from './people/own-sessions';
import { readHead } from './people/read-head';
import { readAsks } from './read/read-asks';
import { readDonors, readUnits } from './read/read-units';
import {
  readCustomerPage,
  readEvents,
  readJobMails,
  readShopSign,
  readFirstVisit,
  readOutbox,
  readReceiving,
  readShopView,
} from './read/read-desks';
import {
  readMailAttachment,
  readOwnQuotePdf,
  readPhoto,
  readQuotePdf,
  readReport,
  readLabelsPdf,
  readSketch,
  readTagPdf,
} from './read/read-documents';
import { findConstruction, readFamily, readFamilyDocument, readSection } from './read/read-family';
import { readJobFolder } from './exports/job-folder';
import { readListCsv } from './exports/list-csv';
import { readBench } from './read/read-bench';
import { findCustomers } from './read/find-customers';
import { findJobs, readFloor, readFloorChanges } from './read/read-floor';
import { readCustomer, readCustomers, readPump } from './read/read-history';
import { readMoney } from './read/read-money';
import { readTrends } from './read/read-trends';
import { permissionsOf } from './read/read-permissions';
import { readWeek } from './read/read-week';
import { readChanges, readJob } from './read/read-job';
import { readCosts } from './read/read-costs';
import { readOrderBook, readOrderPdf, readOrderUbl } from './read/read-order-files';
import {
  readBuyingPlan,
  readCatalogue,
  readDonorStock,
  readOrder,
  readOrders,
  readPartsDesk,
  readShelf,
} from './read/read-parts';
import { receivePump } from './receive-pump';
import { cancelOrderLine, expediteOrder, raiseOrderLine } from './supply/change-orders';
import { importCatalogue, readCatalogueFile, saveSupplier } from './supply/catalogue';
import { placeOrders } from './supply/place-orders';
import { receiveOrder } from './supply/receive-orders';
import { countStock } from './supply/stock';
import { takeOrderParcel } from './supply/take-parcels';
import { scanBag, writeAboutOrder } from './supply/write-about-orders';
import { forVerb, type UseCase } from './use-case';
import { DomainError } from '@/core/errors';

/** Pictures come as bytes beside the fields; the door of JSON bodies cannot carry them. */
const addPhoto = forVerb('add-photo', () =>
  Promise.reject(new DomainError('bad-input', { what: 'A picture is sent as bytes to /api/photos.' })),
);

const addOrderPhoto = forVerb('add-order-photo', () =>
  Promise.reject(new DomainError('bad-input', { what: 'A picture is sent as bytes to /api/photos/orders.' })),
);

const setMark = forVerb('set-mark', () =>
  Promise.reject(new DomainError('bad-input', { what: 'A mark is sent as bytes to /api/mark.' })),
);

/** Use cases that change something, by the verb that the interface sends. */
export const actUseCases: { readonly [V in Verb]: UseCase<CommandOf<V>, ResultOf<V>> } = {
  'sign-in': signIn,
  'switch-person': switchPerson,
  'create-owner': createOwner,
  'add-person': addPerson,
  'change-person': changePersonVerb,
  'reset-secret': resetSecret,
  'change-own-secret': changeOwnSecret,
  'end-sessions': endSessions,
  'make-backup': makeBackupNow,
  'end-session': endSessionVerb,
  'begin-second-factor': beginSecondFactor,
  'confirm-second-factor': confirmSecondFactor,
  'end-second-factor': endSecondFactor,
  'drop-second-factor': dropSecondFactor,
  'begin-passkey': beginPasskey,
  'add-passkey': addPasskeyVerb,
  'end-passkey': endPasskey,
  'drop-passkeys': dropPasskeysVerb,
  'ask-passkey': askPasskey,
  'sign-in-by-passkey': signInByPasskey,
  'enrol-tablet': enrolTablet,
  'end-tablet': endTabletVerb,
  'add-instrument': addInstrument,
  'record-calibration': recordCalibration,
  'merge-customers': mergeCustomers,
  'change-settings': changeSettings,
  'change-shop': changeShop,
  'set-number': setNumber,
  'set-mark': setMark,
  'remove-mark': removeMark,
  'choose-units': chooseUnits,
  'import-family': importFamily,
  'make-own-family': makeOwnFamily,
  'receive-pump': receivePump,
  'read-gauge': readGauge,
  'add-photo': addPhoto,
  'place-orders': placeOrders,
  'take-order-parcel': takeOrderParcel,
  'receive-order': receiveOrder,
  'add-order-photo': addOrderPhoto,
  'expedite-order': expediteOrder,
  'cancel-order-line': cancelOrderLine,
  'raise-order-line': raiseOrderLine,
  'write-about-order': writeAboutOrder,
  'scan-bag': scanBag,
  'count-stock': countStock,
  'save-supplier': saveSupplier,
  'import-catalogue': importCatalogue,
  'save-absence': saveAbsence,
  'end-absence': endAbsence,
  'save-resource': saveShopResource,
  'save-calendar': saveShopCalendar,
  'wish-operation': wishOperation,
  'weigh-job': weighJob,
  'back-test': backTest,
  'correct-worked': correctWorkedMinutes,
  'add-worked': addWorkedMinutes,
  'make-customer-page': makeCustomerPage,
  'end-customer-page': endPageOfCustomer,
  'make-feed': makeFeed,
  'end-feed': endFeedOf,
  ...jobCommands,
};

/** Use cases that only read. */
export const readPermissions = permissionsOf(() => Object.values<UseCase>(readUseCases));

export const readUseCases = {
  'read-bench': readBench,
  'read-floor': readFloor,
  'read-floor-version': readFloorChanges,
  'read-week': readWeek,
  'read-trends': readTrends,
  'read-own-pumps': readOwnPumps,
  'read-money': readMoney,
  'read-instrument': readInstrument,
  'read-staff': readStaff,
  'read-own-sessions': readOwnSessions,
  'read-head': readHead,
  'read-permissions': readPermissions,
  'read-keeping': readKeeping,
  'read-owner-notices': readOwnerNotices,
  'read-papers': readPapers,
  'read-mark': readMarkPicture,
  'read-pump': readPump,
  'read-customer': readCustomer,
  'read-customers': readCustomers,
  'read-list-csv': readListCsv,
  'read-job-folder': readJobFolder,
  'find-jobs': findJobs,
  'find-customers': findCustomers,
  'read-job': readJob,
  'read-changes': readChanges,
  'read-asks': readAsks,
  'read-catalogue-file': readCatalogueFile,
  'read-plan': readPlan,
  'read-worked': readWorked,
  'read-weeks': readWeeks,
  'read-hands': readHands,
  'read-feeds': readFeeds,
  'read-feed': readFeed,
  'try-plan': tryPlan,
  'ask-promise': askPromise,
  'read-buying-plan': readBuyingPlan,
  'read-costs': readCosts,
  'read-catalogue': readCatalogue,
  'read-donor-stock': readDonorStock,
  'read-order': readOrder,
  'read-orders': readOrders,
  'read-order-book': readOrderBook,
  'read-order-pdf': readOrderPdf,
  'read-order-ubl': readOrderUbl,
  'read-shelf': readShelf,
  'read-donors': readDonors,
  'read-units': readUnits,
  'read-family': readFamily,
  'find-construction': findConstruction,
  'read-family-document': readFamilyDocument,
  'read-section': readSection,
  'read-events': readEvents,
  'read-job-mails': readJobMails,
  'read-shop-sign': readShopSign,
  'read-photo': readPhoto,
  'read-tag': readTagPdf,
  'read-labels': readLabelsPdf,
  'read-sketch': readSketch,
  'read-quote': readQuotePdf,
  'read-own-quote': readOwnQuotePdf,
  'read-report': readReport,
  'read-mail-attachment': readMailAttachment,
  'read-outbox': readOutbox,
  'read-parts-desk': readPartsDesk,
  'read-receiving': readReceiving,
  'read-shop': readShopView,
  'read-first-visit': readFirstVisit,
  'read-customer-page': readCustomerPage,
} as const;

/**
 * Who may do each verb, for an interface that says whose work something is; moves as `advance-job:` and their event.
 */
export const audiences: Readonly<Record<string, readonly Audience[]>> = {
  ...Object.fromEntries(Object.entries(verbs).map(([verb, { audience }]) => [verb, audience])),
  ...Object.fromEntries(Object.entries(moveAudience).map(([event, audience]) => [`advance-job:${event}`, audience])),
};

export const allUseCases: readonly UseCase[] = [...Object.values(actUseCases), ...Object.values(readUseCases)];
