'use client';

import { PageFault } from '@/components/shell/page-fault';

/** Where even the frame of the shop cannot be read. */
export default function Fault(props: { error: Error & { digest?: string } }) {
  return (
    <main>
      <PageFault {...props} />
    </main>
  );
}
