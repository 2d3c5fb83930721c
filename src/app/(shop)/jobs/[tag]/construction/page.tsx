import type { Metadata } from 'next';
import { notFound } from 'next/navigation';
import { DomainError } from '@/core/errors';
import { readBuild } from '@/core/family';
import { isBuildOpen, isConstructionOpen } from '@/core/record';
import { read } from '@/app/served';
import { ConstructionForm } from '@/components/receive/construction-form';
import { requestContext } from '@/app/session';
import { orExplain } from '@/app/explain';

interface Props {
  readonly params: Promise<{ tag: string }>;
}

export async function generateMetadata({ params }: Props): Promise<Metadata> {
  return { title: `${(await params).tag}, construction` };
}

export default async function ConstructionPage({ params }: Props) {
  const { tag } = await params;
  return orExplain(async () => {
    const context = await requestContext();
    try {
      const [{ families }, { record, family }] = await Promise.all([
        read('readReceiving', context, {}),
        read('readJob', context, { tag }),
      ]);
      return (
        <ConstructionForm
          tag={record.tag}
          pump={`${record.pump.maker} ${record.pump.model}, serial ${record.pump.serial}`}
          families={families}
          now={{
            familyId: record.familyId,
            title: family.title,
            elastomer: record.intake.elastomer,
            build: readBuild(record.familyVersion),
          }}
          isOpen={isConstructionOpen(record)}
          isBuildOpen={isBuildOpen(record)}
        />
      );
    } catch (error) {
      if (error instanceof DomainError && (error.code === 'not-found' || error.code === 'bad-input')) notFound();
      throw error;
    }
  });
}
