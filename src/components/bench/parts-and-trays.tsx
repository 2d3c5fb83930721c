import type { SheetProps } from '../job/view';
import { PartsAccount } from './parts-account';
import { Trays } from './trays';

/** What stands below the work of a teardown: where each part is, and the trays that it lies in. */
export function PartsAndTrays(props: SheetProps) {
  return (
    <>
      <PartsAccount {...props} />
      <Trays {...props} />
    </>
  );
}
