import { present } from '@/core/present';
import { DomainError } from '@/core/errors';
import { asId, type Role } from '@/core/record';
import { openTestShop, everyRole, type TestShop } from '../../test-support/open-test-shop';
import { moveAudience } from '@/contract';
import { actUseCases, allUseCases, perform } from '.';

/**
 * Who may do what, written out here on its own: C coordinator, T technician, I inspector, P parts, O owner,
 * K customer with a link, V a service such as a supplier's order desk, * anybody. The owner does all that people do.
 */
const allowed: Readonly<Record<string, string>> = {
  'sign-in': '*',
  'create-owner': '*',
  'read-first-visit': '*',
  'switch-person': 'CTIPO',
  'add-person': 'O',
  'change-person': 'O',
  'reset-secret': 'O',
  'change-own-secret': 'CTIPO',
  'end-sessions': 'O',
  'read-staff': 'O',
  'read-own-sessions': 'CTIPO',
  'read-head': 'CTIPO',
  'read-bench': 'CTIPO',
  'end-session': 'CTIPO',
  'begin-second-factor': 'CO',
  'confirm-second-factor': 'CO',
  'end-second-factor': 'CTIPO',
  'drop-second-factor': 'O',
  'begin-passkey': 'CTIPO',
  'add-passkey': 'CTIPO',
  'end-passkey': 'CTIPO',
  'drop-passkeys': 'O',
  'ask-passkey': '*',
  'sign-in-by-passkey': '*',
  'enrol-tablet': 'CO',
  'end-tablet': 'CO',
  'read-permissions': 'O',
  'read-keeping': 'O',
  'read-owner-notices': 'O',
  'make-backup': 'O',
  'read-trends': 'CO',
  'read-money': 'CO',
  'add-instrument': 'IO',
  'choose-units': 'O',
  'import-family': 'O',
  'make-own-family': 'O',
  'take-newer-family': 'CO',
  'correct-construction': 'CTO',
  'correct-owner': 'CO',
  'correct-contact': 'CO',
  'correct-nameplate': 'CTO',
  'correct-equipment-number': 'CTO',
  'correct-lot': 'CO',
  'receive-pump': 'CTO',
  'save-intake': 'CTO',
  'confirm-isolation': 'CTO',
  'acknowledge-caution': 'TIO',
  'add-photo': 'CTIPO',
  'take-picture': 'CTIPO',
  'account-parts': 'CTIO',
  'clean-parts': 'TIO',
  'write-residue': 'CTIO',
  'allow-opening': 'CIO',
  'write-begun': 'CTIO',
  'write-evaluation': 'CTIO',
  'send-evaluation': 'CO',
  'answer-evaluation': 'CO',
  'judge-warranty': 'CIO',
  'choose-policy': 'CIO',
  'choose-fate': 'CO',
  reassemble: 'TIO',
  'close-unreturned': 'CO',
  pack: 'CTIPO',
  'change-settings': 'O',
  'change-shop': 'O',
  'set-number': 'O',
  'set-mark': 'O',
  'remove-mark': 'O',
  'merge-customers': 'CO',
  'answer-action': 'TIO',
  'concede-answer': 'CIO',
  'undo-answer': 'TIO',
  'open-again': 'CTIO',
  'allow-deviation': 'CIO',
  'sign-hold-point': 'CTIO',
  'record-readings': 'TIO',
  'concede-readings': 'CIO',
  'read-gauge': 'TIO',
  'judge-point': 'CIO',
  'look-at-parts': 'TIO',
  'record-finding': 'TIO',
  dispose: 'CIO',
  'draw-up-quote': 'CO',
  'change-line': 'CO',
  'add-line': 'CO',
  'strike-line': 'CO',
  'send-quote': 'CO',
  'record-approval': 'CO',
  'revoke-link': 'CO',
  'answer-quote': 'K',
  'take-proposal': 'CO',
  'change-quote': 'CO',
  'find-later': 'CTIO',
  'send-supplement': 'CO',
  'withdraw-supplement': 'CIO',
  'settle-decline': 'CO',
  'correct-approval': 'CO',
  'ask-question': 'K',
  'answer-question': 'CO',
  'send-reminder': 'CO',
  'agree-limit': 'CO',
  'order-parts': 'CPO',
  'choose-source': 'CPO',
  'lay-ready': 'CTIPO',
  'give-part': 'V',
  'write-made': 'CTIPO',
  'release-made': 'CIO',
  'work-on-made': 'TIO',
  'measure-made': 'TIO',
  'hand-over-made': 'TIO',
  'write-outside': 'CIPO',
  'send-outside': 'CPO',
  'take-back': 'CIPO',
  'send-claim': 'CPO',
  'find-number': 'CTIPO',
  'settle-number': 'CIPO',
  'lay-in-tray': 'TIPO',
  'read-label': 'CTIPO',
  'acknowledge-order': 'V',
  'move-order': 'V',
  'cut-order': 'V',
  'place-orders': 'CPO',
  'take-order-parcel': 'CPO',
  'receive-order': 'TPO',
  'add-order-photo': 'TPO',
  'expedite-order': 'CPO',
  'cancel-order-line': 'CPO',
  'raise-order-line': 'CPO',
  'write-about-order': 'CPO',
  'scan-bag': 'TPO',
  'save-absence': 'CO',
  'end-absence': 'CO',
  'save-resource': 'CO',
  'save-calendar': 'CO',
  'wish-operation': 'CO',
  'make-customer-page': 'CO',
  'end-customer-page': 'CO',
  'read-own-pumps': '*',
  'make-feed': 'CTIPO',
  'end-feed': 'CTIPO',
  'correct-worked': 'CTIO',
  'add-worked': 'CTIO',
  'weigh-job': 'CO',
  'back-test': 'CO',
  'read-plan': 'CTIPO',
  'read-worked': 'CTIPO',
  'read-weeks': 'CTIPO',
  'read-list-csv': 'CTIPO',
  'read-job-folder': 'CO',
  'read-week': 'CPO',
  'read-instrument': 'CTIPO',
  'record-calibration': 'CIO',
  'read-pump': 'CTIPO',
  'read-customer': 'CTIPO',
  'read-customers': 'CTIPO',
  'read-floor-version': 'CTIPO',
  'read-hands': 'CTIPO',
  'read-feeds': 'CTIPO',
  'read-feed': '*',
  'try-plan': 'CO',
  'ask-promise': 'CTIPO',
  'count-stock': 'CPO',
  'save-supplier': 'CPO',
  'import-catalogue': 'CPO',
  'read-catalogue-file': 'CPO',
  'read-buying-plan': 'CPO',
  'read-costs': 'CPO',
  'read-catalogue': 'CPO',
  'read-donor-stock': 'CTIPO',
  'read-order': 'CTIPO',
  'read-orders': 'CTIPO',
  'read-order-book': 'CPO',
  'read-order-pdf': 'CPO',
  'read-order-ubl': 'CPO',
  'read-shelf': 'CTIPO',
  'take-parcel': 'CPO',
  'receive-parts': 'TPO',
  'run-test': 'TIO',
  'decide-run': 'IO',
  'issue-report': 'CIO',
  'correct-report': 'CIO',
  'release-pump': 'CO',
  'deliver-pump': 'CO',
  'advance-job': 'CTIPO',
  'move-promise': 'CO',
  'hold-job': 'CO',
  'resume-job': 'CO',
  'read-floor': 'CTIPO',
  'find-jobs': 'CTIPO',
  'find-customers': 'CTO',
  'read-job': 'CTIPO',
  'read-changes': 'CTIPO',
  'read-asks': 'CTIPO',
  'read-donors': 'CTIPO',
  'read-units': 'CTIPO',
  'read-family': 'CTIPO',
  'read-family-document': 'CTIPO',
  'read-section': 'CTIPO',
  'read-events': 'CTIPO',
  'read-job-mails': 'CTIPO',
  'read-shop-sign': '*',
  'read-photo': 'CTIPOK',
  'read-tag': 'CTIPO',
  'read-labels': 'CTIPO',
  'read-papers': 'O',
  'read-mark': 'CTIPO',
  'read-sketch': 'CTIPO',
  'read-quote': 'CIPO',
  'read-own-quote': 'K',
  'read-report': 'CTIPO',
  'read-mail-attachment': 'CO',
  'read-outbox': 'CO',
  'read-parts-desk': 'CTIPO',
  'read-receiving': 'CTO',
  'read-shop': 'CTIPO',
  'find-construction': 'CTIPO',
  'read-customer-page': 'K',
};
const letter: Readonly<Record<Role, string>> = {
  coordinator: 'C',
  technician: 'T',
  inspector: 'I',
  parts: 'P',
  owner: 'O',
};
const personOf: Readonly<Record<Role, string>> = {
  coordinator: 'wenna',
  technician: 'ines',
  inspector: 'marek',
  parts: 'bram',
  owner: 'sunniva',
};

let shop: TestShop;
beforeAll(async () => void (shop = await openTestShop('access')));
afterAll(() => shop.close());

async function outcome(verb: string, context: Parameters<typeof perform>[1]): Promise<string> {
  const useCase = present(allUseCases.find((one) => one.verb === verb));
  try {
    await perform(useCase, context, { nonsense: true });
    return 'done';
  } catch (error) {
    return error instanceof DomainError ? error.code : `unexpected: ${String(error)}`;
  }
}

test('the table names every use case', () =>
  expect(Object.keys(allowed).sort()).toEqual(allUseCases.map((one) => one.verb).sort()));

describe.each(Object.entries(allowed))('%s', (verb, who) => {
  test.each(everyRole)('%s', async (role) => {
    const code = await outcome(verb, shop.contextOf(personOf[role]));
    const may = who === '*' || who.includes(letter[role]);
    expect(code === 'not-allowed').toBe(!may);
    expect(code).not.toMatch(/^unexpected|not-signed-in/);
  });
  test('nobody', async () => {
    const code = await outcome(verb, shop.contextOf('nobody'));
    expect(code === 'not-signed-in').toBe(who !== '*');
  });
  test('a customer with a link', async () => {
    const code = await outcome(
      verb,
      shop.contextOf('x', { actor: { kind: 'customer', jobId: asId('j'), quoteId: asId('q'), linkId: 'l' } }),
    );
    expect(code === 'not-allowed').toBe(!(who === '*' || who.includes('K')));
  });
  test('a service', async () => {
    const code = await outcome(verb, shop.contextOf('x', { actor: { kind: 'service', name: 'Sillwater' } }));
    expect(code === 'not-allowed').toBe(!(who === '*' || who.includes('V')));
  });
});

test.each(
  Object.entries({
    'begin-teardown': 'CT',
    'finish-teardown': 'T',
    'finish-cleaning': 'T',
    'finish-inspection': 'CI',
    'revise-quote': 'C',
    'start-rebuild': 'CTP',
    'finish-rebuild': 'TI',
    'reopen-teardown': 'CT',
    'reopen-cleaning': 'CT',
    'reopen-inspection': 'CI',
    'reopen-quote': 'C',
    'reopen-parts': 'C',
    'reopen-rebuild': 'CI',
    'reopen-test': 'CI',
  }),
)('the move %s is for %s', async (event, who) => {
  expect(Object.keys(moveAudience)).toContain(event);
  for (const role of everyRole) {
    const useCase = actUseCases['advance-job'];
    const code = await perform(useCase, shop.contextOf(personOf[role]), { tag: 'P-9999', event }).catch(
      (error: DomainError) => error.code,
    );
    expect([role, code]).toEqual([role, role === 'owner' || who.includes(letter[role]) ? 'not-found' : 'not-allowed']);
  }
});
