import type { ReactNode } from 'react';

export default function CustomerLayout({ children }: { children: ReactNode }) {
  return <main>{children}</main>;
}
