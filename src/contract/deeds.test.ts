import { hasDeed, sayDeed } from '@/core/change';
import { personalMoves } from '@/core/lifecycle';
import { verbs } from '.';

/** Verbs that leave no event on a job: of people, families and units, and what a gauge types before it is kept. */
const silent = new Set([
  ...[
    'sign-in',
    'switch-person',
    'create-owner',
    'add-person',
    'change-person',
    'reset-secret',
    'change-own-secret',
    'end-sessions',
    'make-backup',
    'end-session',
    'begin-second-factor',
    'confirm-second-factor',
    'end-second-factor',
    'drop-second-factor',
    'begin-passkey',
    'add-passkey',
    'end-passkey',
    'drop-passkeys',
    'ask-passkey',
    'sign-in-by-passkey',
    'enrol-tablet',
    'end-tablet',
    'add-instrument',
    'record-calibration',
    'choose-units',
    'change-settings',
    'change-shop',
    'set-number',
    'set-mark',
    'remove-mark',
    'merge-customers',
    'make-customer-page',
    'end-customer-page',
  ],
  // Of orders, the shelf and the catalogue; what they do to a job is an event of its own.
  ...['place-orders', 'take-order-parcel', 'receive-order', 'expedite-order', 'cancel-order-line'],
  ...['save-absence', 'end-absence', 'save-resource', 'save-calendar', 'wish-operation', 'weigh-job', 'back-test'],
  ...['correct-worked', 'add-worked', 'make-feed', 'end-feed'],
  ...['raise-order-line', 'write-about-order', 'scan-bag', 'add-order-photo'],
  ...['count-stock', 'save-supplier', 'import-catalogue'],
  ...['import-family', 'make-own-family', 'read-gauge', 'advance-job', 'hold-job', 'resume-job'],
]);

test('every verb and move that leaves an event on a job has words for it', () => {
  const kinds = [...Object.keys(verbs).filter((verb) => !silent.has(verb)), ...personalMoves, 'hold', 'resume'];
  expect(kinds.filter((kind) => !hasDeed(kind))).toEqual([]);
});
test('an event of a kind that has none is said by its kind', () =>
  expect(sayDeed({ kind: 'odd-thing', personName: 'Ines' })).toBe('Ines did “odd thing”.'));
