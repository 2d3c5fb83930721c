import { canonical } from '@/core/lifecycle';
import { asBuiltSchema, buildAsBuilt } from '@/core/report';
import { addReport, listPhotoBytes, readShop } from '@/db';
import { writeAsBuiltPdf } from '@/documents';
import type { JobChange } from '../change-job';
import type { Context } from '../context';
import { sha256 } from '../fingerprint';

interface Asked {
  readonly number: string;
  readonly revision: string;
  readonly whatChanged: string;
}

/** Builds the as-built record, freezes it with its fingerprint and writes its PDF. */
export async function freezeReport(
  context: Context,
  { connection, record, family, who }: JobChange,
  { number, revision, whatChanged }: Asked,
) {
  const shop = (await readShop(connection))!;
  const built = asBuiltSchema.parse(
    buildAsBuilt({
      record,
      family,
      shop,
      number,
      revision,
      whatChanged,
      issuedBy: who.personName,
      issuedAt: who.at.toISOString(),
    }),
  );
  const text = canonical(built);
  const fingerprint = sha256(text);
  const pictures = await listPhotoBytes(connection, record.id, 24);
  const pdf = await writeAsBuiltPdf({ report: built, fingerprint, family, pictures, zone: shop.zone });
  await addReport(connection, {
    id: context.newId(),
    jobId: record.id,
    number,
    revision,
    whatChanged,
    record: text,
    fingerprint,
    pdf,
    ...who,
  });
  return { number, revision, fingerprint };
}
