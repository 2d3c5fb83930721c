import type { Metadata } from 'next';
import { redirect } from 'next/navigation';
import { errorCodes, wordsOf } from '@/core/errors';
import { read } from '@/app/served';
import { SignInForm } from '@/components/shell/sign-in-form';
import type { SearchParam } from '../search-param';
import { currentActor, requestContext } from '../session';

export const metadata: Metadata = { title: 'Sign in' };

export default async function SignInPage({ searchParams }: { searchParams: Promise<{ refused?: SearchParam }> }) {
  if ((await currentActor()).kind === 'person') redirect('/');
  if ((await read('readFirstVisit', await requestContext(), {})).isEmpty) redirect('/welcome');
  const { refused } = await searchParams;
  const code = errorCodes.find((one) => one === refused);
  return <SignInForm refused={code ? { code, ...wordsOf[code], issues: [] } : null} />;
}
