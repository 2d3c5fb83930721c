import { Link } from '../ui/link';
import type { ReactNode } from 'react';
import {
  drawEnd,
  drawSection,
  readBuild,
  sayAsk,
  sayPoint,
  type Family,
  type FamilyFile,
  type Step,
} from '@/core/family';
import { formatMoney } from '@/core/units';
import { EndView } from '../signs/end-view';
import { Section } from '../signs/section';
import { BuildQuery, isChosen } from './build-query';
import { OwnVariantForm } from './own-variant-form';

interface Props {
  readonly family: FamilyFile;
  /** The same as a pump of the build chosen is built. */
  readonly built: Family;
  /** The build as it stands in the address. */
  readonly words: readonly (readonly [string, string])[];
  readonly currency: string;
  readonly isOwner: boolean;
}

function Fold({
  title,
  note,
  children,
  isOpen = false,
}: {
  readonly title: string;
  readonly note: string;
  readonly children: ReactNode;
  readonly isOpen?: boolean;
}) {
  return (
    <details open={isOpen} className="border-t border-line">
      <summary className="min-h-11 cursor-pointer content-center font-bold">
        {title} <small className="font-normal text-quiet">{note}</small>
      </summary>
      <div className="pb-3">{children}</div>
    </details>
  );
}

function Steps({ steps }: { readonly steps: readonly Step[] }) {
  return (
    <ol className="space-y-2">
      {steps.map((step, i) => (
        <li key={step.id} className="grid grid-cols-[28px_1fr]">
          <b className="num">{i + 1}</b>
          <div>
            <b>{step.title}</b>
            {step.hold_point && ', hold point'}
            {step.reason && <span className="block text-13 text-quiet">Why: {step.reason}</span>}
            {step.mistake && <span className="block text-13 text-ochre">Usual mistake: {step.mistake}</span>}
            <ol className="list-inside list-[lower-alpha] text-13">
              {step.actions.map((action) => (
                <li key={action.id}>
                  {action.do.join(' ')} <span className="text-quiet">{sayAsk(action)}</span>
                </li>
              ))}
            </ol>
          </div>
        </li>
      ))}
    </ol>
  );
}

/**
 * One family as it teaches the product a construction: section, parts, points, both sequences, test plan, damage, kits.
 */
export function FamilyPage({ family, built, words, currency, isOwner }: Props) {
  const end = drawEnd(built);
  const query = new URLSearchParams(words.map(([name, value]) => [name, value])).toString();
  const file = (as: string) => `/files/family/${family.id}/${as}${query && as !== 'file' ? `?${query}` : ''}`;
  return (
    <div className="grid gap-8 p-6 lg:grid-cols-[minmax(380px,5fr)_7fr]">
      <section aria-label="Section" className="lg:sticky lg:top-4 lg:self-start">
        <p className="text-13">
          <Link href="/library" className="underline">
            Library
          </Link>
        </p>
        <h1 className="text-24 font-bold">
          <span className="num">{family.id}</span> {family.title}
        </h1>
        <p className="mb-2 text-quiet">
          {family.principle}; {family.drive}; {family.sealing}; {family.duty}. Version {family.version}
          {family.made_from && `, made from ${family.made_from}`}.
        </p>
        <Section drawing={drawSection(built)} pins={{}} title={`Section of ${family.title}`} />
        {end && <EndView drawing={end} parts={{}} turns={null} />}
        <BuildQuery family={family} build={readBuild(built.version)} />
        <p className="mt-3 flex flex-wrap gap-x-5 gap-y-1 font-semibold">
          {isChosen(family) && (
            <Link className="min-h-8 underline" href={`/library/${family.id}/compare${query && `?${query}`}`}>
              Compare with another build
            </Link>
          )}
          <a className="min-h-8 underline" href={file('booklet')}>
            Booklet, PDF
          </a>
          <a className="min-h-8 underline" href={file('traveller')}>
            Traveller with empty boxes, PDF
          </a>
          <a className="min-h-8 underline" href={file('file')}>
            Family file, JSON
          </a>
        </p>
      </section>
      <div>
        <Fold title="Points and their limits" note={String(built.points.length)} isOpen>
          <ul className="text-13">
            {built.points.map((point) => (
              <li key={point.id} className="row grid grid-cols-[30px_1fr] py-0.5 first:border-0">
                <b className="num">{point.number}</b>
                <span>
                  {point.title}
                  {point.critical && ', critical'}: <span className="num">{sayPoint(point)}</span>{' '}
                  <span className="text-quiet">{point.source}</span>
                </span>
              </li>
            ))}
          </ul>
        </Fold>
        <Fold title="Teardown" note={`${built.teardown.length} steps`}>
          <Steps steps={built.teardown} />
        </Fold>
        <Fold
          title="Rebuild"
          note={`${built.rebuild.length} steps, ${built.rebuild.filter((step) => step.hold_point).length} hold points`}
        >
          <Steps steps={built.rebuild} />
        </Fold>
        <Fold title="Parts" note={String(built.parts.length)}>
          <ul className="text-13">
            {built.parts.map((part) => (
              <li key={part.ref} className="row grid grid-cols-[40px_1fr_auto] gap-2 py-0.5 first:border-0">
                <span className="num">{part.quantity} ×</span>
                <span>
                  {part.name}{' '}
                  <span className="text-quiet">
                    {part.material}
                    {part.elastomer && ` (${part.elastomer})`}
                    {part.thread && `, ${part.thread.size} ${part.thread.hand} hand`}
                    {part.soft && ', always new'}
                    {part.wears && ', wears'}
                  </span>
                </span>
                <span className="num">{formatMoney({ minor: part.price_minor, currency })}</span>
              </li>
            ))}
          </ul>
        </Fold>
        <Fold
          title="Test"
          note={built.test.kind === 'curve' ? `head over flow, grade ${built.test.grade}` : 'flow at pressure: slip'}
        >
          <Steps steps={built.test.steps} />
          <p>Stop at once when {built.test.stop_when.join(', or ')}.</p>
        </Fold>
        <Fold title="What usually fails" note={String(built.damage.length)}>
          <ul>
            {built.damage.map((damage) => (
              <li key={damage.seen}>
                {damage.seen}: <span className="text-quiet">{damage.points_to}</span>
              </li>
            ))}
          </ul>
        </Fold>
        <Fold title="Kits" note={String(built.kits.length)}>
          <ul>
            {built.kits.map((kit) => (
              <li key={kit.id}>
                {kit.title}, <span className="num">{formatMoney({ minor: kit.price_minor, currency })}</span>,{' '}
                {kit.lead_days} days:{' '}
                {kit.gives
                  .map((one) => `${one.qty} × ${built.parts.find((part) => part.ref === one.part)?.name.toLowerCase()}`)
                  .join(', ')}
              </li>
            ))}
          </ul>
        </Fold>
        {isOwner && <OwnVariantForm family={family.written} />}
      </div>
    </div>
  );
}
