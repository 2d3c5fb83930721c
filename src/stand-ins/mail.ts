import { DeviceError, type Letter, type Mail } from './contract';

/**
 * A post office that delivers into an outbox which can be read in the product. `keep` stores one mail; one id, one
 * mail.
 */
export function simulatedMail(keep: (letter: Letter) => Promise<void>): Mail {
  return {
    async send(letter) {
      if (!/^[^\s@]+@[^\s@]+$/.test(letter.to)) throw new DeviceError('Mail', `"${letter.to}" is not a mail address.`);
      await keep(letter);
    },
  };
}
