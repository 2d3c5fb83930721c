import { randomUUID } from 'node:crypto';

let lastTime = 0;
let count = 0;

/**
 * An id that sorts after every one made before it by this process, so that rows kept in one transaction come back in
 * the order in which they were written: 48 bits of time in ms, a 12-bit count within it, 62 bits of chance (UUID
 * version 7, RFC 9562, section 6.2, method 1). A count that runs over borrows the next millisecond.
 */
export function makeId(now = Date.now()): string {
  if (now > lastTime) [lastTime, count] = [now, 0];
  else if (count < 0xfff) count += 1;
  else [lastTime, count] = [lastTime + 1, 0];
  const time = lastTime.toString(16).padStart(12, '0');
  return `${time.slice(0, 8)}-${time.slice(8)}-7${count.toString(16).padStart(3, '0')}${randomUUID().slice(18)}`;
}
