import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { perform, readFirstVisit } from '@/server';
import { SignInForm } from '@/components/shell/sign-in-form';
import { currentActor, requestContext } from '../session';

export const metadata: Metadata = { title: 'Sign in' };

export default async function SignInPage() {
  if ((await currentActor()).kind === 'person') redirect('/');
  if ((await perform(readFirstVisit, await requestContext(), {})).isEmpty) redirect('/welcome');
  return <SignInForm />;
}
