import type { Metadata } from 'next';
import { SumsPage } from '@/components/sums/sums-page';

export const metadata: Metadata = { title: 'Sums' };

export default function SumsRoute() {
  return <SumsPage />;
}
