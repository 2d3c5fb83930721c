import type { Metadata, Viewport } from 'next';
import { cookies } from 'next/headers';
import { connection } from 'next/server';
import type { ReactNode } from 'react';
import { Alive } from '@/components/shell/alive';
import './globals.css';

export const metadata: Metadata = {
  title: { default: 'Puddlestone', template: '%s · Puddlestone' },
  description: 'The service coordinator’s tool for shops that repair pumps',
};
export const viewport: Viewport = { width: 'device-width', initialScale: 1 };

export default async function RootLayout({ children }: { children: ReactNode }) {
  await connection();
  const theme = (await cookies()).get('theme')?.value === 'dark' ? 'dark' : 'light';
  return (
    <html lang="en" data-theme={theme} suppressHydrationWarning>
      <body>
        {children}
        <Alive />
      </body>
    </html>
  );
}
