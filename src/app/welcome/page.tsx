import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { read } from '@/app/served';
import { WelcomeForm } from '@/components/shell/sign-in-form';
import { requestContext } from '../session';

export const metadata: Metadata = { title: 'First visit' };

export default async function WelcomePage() {
  if (!(await read('readFirstVisit', await requestContext(), {})).isEmpty) redirect('/sign-in');
  return <WelcomeForm />;
}
