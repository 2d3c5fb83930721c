import { canonical } from '../../lifecycle';
import { asBuiltSchema, buildAsBuilt } from '../../report';
import type { ReportId } from '../../record';
import { put } from '../change';
import type { Given, Proposal } from '../decision';

interface Asked {
  readonly number: string;
  readonly revision: string;
  readonly whatChanged: string;
}

export interface Issued {
  readonly number: string;
  readonly revision: string;
  readonly fingerprint: string;
}

export interface Shop {
  readonly shop: { readonly name: string; readonly place: string };
}

/** Builds the as-built record and freezes it with its fingerprint; its PDF is written after the commit. */
export function freezeReport(
  { record, family, who, newId, sha256, facts, now }: Given<Shop>,
  { number, revision, whatChanged }: Asked,
): Pick<Proposal<Issued>, 'puts' | 'result' | 'texts' | 'outbox'> {
  const asked = { number, revision, whatChanged, issuedBy: who.personName, issuedAt: now };
  const text = canonical(asBuiltSchema.parse(buildAsBuilt({ record, family, shop: facts.shop, ...asked })));
  const fingerprint = sha256(text);
  const id = newId<ReportId>();
  return {
    puts: [put('report', { id, number, revision, whatChanged, fingerprint, ...who })],
    result: { number, revision, fingerprint },
    texts: { [id]: text },
    outbox: [{ kind: 'write-report', reportId: id }],
  };
}
