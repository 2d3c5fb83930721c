import { DeviceError, type Mail } from './contract';

/** A post office that delivers into an outbox which can be read in the product. `keep` stores one mail. */
export function simulatedMail(keep: (mail: Parameters<Mail['send']>[0]) => Promise<void>): Mail {
  return {
    async send(mail) {
      if (!/^[^\s@]+@[^\s@]+$/.test(mail.to)) throw new DeviceError('Mail', `"${mail.to}" is not a mail address.`);
      await keep(mail);
    },
  };
}
