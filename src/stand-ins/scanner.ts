import { DeviceError, type Scanner } from './contract';

/** A scanner before which the uppermost bag lies. */
export const simulatedScanner: Scanner = {
  async readBag({ order, lying: [first] }) {
    if (!first) throw new DeviceError('scanner', `nothing of ${order} lies before it`);
    return first;
  },
};
