import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { perform, readFirstVisit } from '@/server';
import { WelcomeForm } from '@/components/shell/sign-in-form';
import { requestContext } from '../session';

export const metadata: Metadata = { title: 'First visit' };

export default async function WelcomePage() {
  if (!(await perform(readFirstVisit, await requestContext(), {})).isEmpty) redirect('/sign-in');
  return <WelcomeForm />;
}
