/** The page that shows what a device holds, in whose place it is shown. */
export const heldPath = '/held';
export const heldCache = 'puddlestone-held';
/** Pictures that were looked at. */
export const pictureCache = 'puddlestone-pictures';
export const workerPath = '/bench-worker.js';
