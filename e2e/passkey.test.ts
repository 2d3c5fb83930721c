import { present } from '@/core/present';
import { click, comesBy, fill, open, openBrowser, openDevice, signIn, waitForText } from './browser';
import { named } from './by-name';
import { demoPassword } from '../demo/people';

// Browsers keep passkeys for a name, not for a number.
const address = `http://localhost:${new URL(present(process.env.BASE_URL)).port}`;

test('a passkey is made under one’s name, signs in without a word typed, and ends', async () => {
  const { browser, close } = await openBrowser(['--host-resolver-rules=MAP localhost 127.0.0.1']);
  try {
    const page = await openDevice(browser);
    comesBy(page, address);
    const device = await page.createCDPSession();
    await device.send('WebAuthn.enable');
    const options = {
      protocol: 'ctap2',
      transport: 'internal',
      hasResidentKey: true,
      hasUserVerification: true,
    } as const;
    const { authenticatorId } = await device.send('WebAuthn.addVirtualAuthenticator', {
      options: { ...options, isUserVerified: true, automaticPresenceSimulation: true },
    });
    const panel = async () => {
      await page.click('header button[aria-haspopup=dialog]');
      await click(page, 'button', 'Passkeys');
    };

    await signIn(page, 'odile');
    await panel();
    await fill(page, 'Name of the device', 'Bench telephone');
    await page.type('details[open] input[name=current]', demoPassword);
    await click(page, 'button', 'Add a passkey');
    await waitForText(page, 'not used yet');
    const { credentials } = await device.send('WebAuthn.getCredentials', { authenticatorId });
    expect(credentials).toMatchObject([{ rpId: 'localhost', isResidentCredential: true }]);

    await click(page, 'button', 'Sign out');
    await page.waitForSelector(named('button', 'Sign in with a passkey'), { visible: true });
    // A device that does not know its person gives nothing.
    await device.send('WebAuthn.setUserVerified', { authenticatorId, isUserVerified: false });
    await click(page, 'button', 'Sign in with a passkey');
    await waitForText(page, 'The device gave no passkey');
    await device.send('WebAuthn.setUserVerified', { authenticatorId, isUserVerified: true });
    await click(page, 'button', 'Sign in with a passkey');
    await page.waitForFunction(() => document.querySelector('header')?.innerText.includes('Odile Fennimoor'));

    await open(page, '/');
    await panel();
    await waitForText(page, 'last used');
    await click(page, 'button', 'End Bench telephone');
    await page.waitForSelector(named('button', 'End Bench telephone'), { hidden: true });
    await click(page, 'button', 'Sign out');
    await click(page, 'button', 'Sign in with a passkey');
    await waitForText(page, 'This passkey signs nobody in here.');
    expect(page.faults.filter((fault) => !fault.includes('/api/act/sign-in-by-passkey'))).toEqual([]);
  } finally {
    await close();
  }
});
