'use client';

import { languageNames } from '@/words/languages';
import { Link } from '../ui/link';
import type { FamilyCard, FoundFamily } from '@/core/family';
import { formatMoney, type LengthDisplay } from '@/core/units';
import { sayTool } from '@/core/bench';
import type { Matter, Tool } from '@/core/record';
import { sayDate } from '../job/view';
import { pictureOf } from '../receive/construction';
import { SectionPicture } from '../signs/section-picture';
import { AddInstrument } from './add-instrument';
import { FindSeen } from './find-seen';
import { ImportFamily } from './import-family';
import { ChangeSettings, type SettingsShown } from './change-settings';
import { ChooseUnits } from './choose-units';
import { ShopPolicies } from './shop-policies';
import { Later } from '../ui/later';
import { ListLink } from '../ui/list-link';
import { ofText } from '../ui/of-text';

interface Props {
  readonly shop: {
    readonly name: string;
    readonly place: string;
    readonly zone: string;
    readonly currency: string;
    readonly settings: SettingsShown & {
      readonly lengthDisplay: LengthDisplay;
      readonly policies: Readonly<Partial<Record<Matter, string>>>;
    };
  } | null;
  readonly people: readonly {
    readonly id: string;
    readonly name: string;
    readonly role: string;
    readonly hasPin: boolean;
  }[];
  readonly instruments: readonly Tool[];
  readonly families: readonly FamilyCard[];
  /** What was said to be seen, and the families that have it; null where nothing was said. */
  readonly seen: string;
  readonly found: readonly FoundFamily[] | null;
  /** The shop's day, ISO. */
  readonly today: string;
  readonly isOwner: boolean;
  readonly canAddInstrument: boolean;
}

/** How many ways of building a family has, in words that go on behind its steps. */
function waysOfBuilding({ axes, sets, sizes }: FamilyCard): string {
  const ways = axes.reduce((many, axis) => many * axis.choices.length, 1);
  const counted = sets.flatMap(({ plural, count }) =>
    typeof count === 'number' ? [] : [`${count.least} to ${count.most} ${plural}`],
  );
  const sized = sizes.length > 1 ? [`${sizes.length} sizes`] : [];
  // Axes that hang on one another do not multiply.
  const isIndependent = axes.every(({ when }) => !when);
  const chosen = isIndependent ? `${ways} ways of building` : `${axes.length} choices of building`;
  const built = ways > 1 ? [chosen] : [];
  return [...built, ...counted, ...sized].map((words) => `, ${words}`).join('');
}

/** What the shop works by: constructions, instruments, people, rates. */
export function Library({ shop, people, instruments, families, seen, found, today, isOwner, canAddInstrument }: Props) {
  const money = (minor: number) => formatMoney({ minor, currency: shop?.currency ?? 'EUR' });
  return (
    <div className="space-y-8 p-6">
      <h1 className="text-24 font-bold">
        Library{' '}
        <small className="text-15 font-normal text-quiet">
          {shop && `${shop.name}, ${shop.place}, clock of ${shop.zone}`}
        </small>
      </h1>
      <section aria-label="Pump families">
        <h2 className="font-bold">
          Pump families <small className="font-normal text-quiet">files that teach the product a construction</small>{' '}
          <ListLink list="families" words="CSV" />
        </h2>
        <FindSeen seen={seen} found={found} families={families} />
        <ul className="grid gap-x-8 lg:grid-cols-2">
          {families.map((family) => (
            <li key={family.id} className="row">
              <Link
                href={`/library/${family.id}`}
                className="grid min-h-[104px] grid-cols-[190px_1fr] items-center gap-4 py-2 no-underline"
              >
                <span className="flex h-[96px] items-center justify-center " aria-hidden="true" inert>
                  <SectionPicture src={pictureOf(family)} title="" className="size-full object-contain" />
                </span>
                <span>
                  <b className="underline">
                    <span className="num">{family.id}</span> {family.title}
                  </b>
                  <span className="block text-13 text-quiet">
                    {family.counts.parts} parts, {family.counts.points} points, {family.counts.teardown} +{' '}
                    {family.counts.rebuild} steps
                    {waysOfBuilding(family)}; version {family.version}
                    {family.made_from && `, made from ${family.made_from}`}
                  </span>
                </span>
              </Link>
            </li>
          ))}
        </ul>
        {isOwner && <ImportFamily />}
      </section>
      <Later height={900}>
        <div className="grid gap-8 border-t border-ink pt-4 md:grid-cols-3">
          <section aria-label="Tools and gauges">
            <h2 className="font-bold">
              Tools and gauges <ListLink list="instruments" words="CSV" />
            </h2>
            <ul>
              {instruments.map((one) => (
                <li key={one.code} className="row flex gap-3 py-1 first:border-0">
                  <Link
                    href={`/library/instruments/${one.code}`}
                    className="num w-14 font-bold underline underline-offset-4"
                  >
                    {one.code}
                  </Link>
                  <span className="flex-1">
                    {one.kind}
                    {sayTool(one) && <span className="text-13 text-quiet">, {sayTool(one)}</span>}
                  </span>
                  <span className={`text-13 ${one.dueOn < today ? 'font-semibold text-jasper' : 'text-quiet'}`}>
                    {one.dueOn < today ? 'was due' : 'due'} {sayDate(one.dueOn)}
                  </span>
                </li>
              ))}
            </ul>
            {canAddInstrument && <AddInstrument />}
          </section>
          <section aria-label="People">
            <h2 className="font-bold">
              People <ListLink list="people" words="CSV" />
            </h2>
            <ul>
              {people.map((person) => (
                <li key={person.id} className="row flex gap-3 py-1 first:border-0">
                  <span className="flex-1">{person.name}</span>
                  <span className="text-13 text-quiet">
                    {person.role}
                    {person.hasPin ? ', PIN' : ''}
                  </span>
                </li>
              ))}
            </ul>
            {isOwner && (
              <Link
                href="/library/people"
                className="mt-2 inline-flex min-h-11 items-center underline underline-offset-4"
              >
                Let in, change, let go; who did what
              </Link>
            )}
            {isOwner && (
              <Link href="/library/keeping" className="flex min-h-11 items-center underline underline-offset-4">
                Backups
              </Link>
            )}
          </section>
          {shop && <ShopPolicies policies={shop.settings.policies} isOwner={isOwner} />}
          {shop && (
            <section aria-label="Rates">
              <h2 className="font-bold">Rates</h2>
              <dl className="grid grid-cols-[1fr_auto] gap-y-1">
                {[
                  ['Labour, an hour', money(shop.settings.labourMinorPerHour)],
                  ['Machining, an hour', money(shop.settings.machiningMinorPerHour)],
                  ['Test on the stand', money(shop.settings.testMinor)],
                  ['Return freight', money(shop.settings.freightMinor)],
                  ['Mark-up on parts', `${shop.settings.partsMarkupPct} %`],
                  ['Tax', `${shop.settings.taxPct} %`],
                  ...shop.settings.taxes.map(({ name, pct }) => [`Tax, ${name}`, `${pct} %`] as const),
                  ['Warranty', `${shop.settings.warrantyMonths} months`],
                  ['Quotes stand', `${shop.settings.quoteValidDays} days`],
                  ['A reminder is drafted after', `${shop.settings.reminderAfterDays} days`],
                  ['Telephone', shop.settings.telephone || 'none'],
                  ['Papers on', shop.settings.paperSize],
                  ['Papers in', languageNames[shop.settings.language]],
                ].map(([words, value]) => (
                  <div key={words} className="contents">
                    <dt>{words}</dt>
                    <dd className="num text-right">{value}</dd>
                  </div>
                ))}
                {!isOwner && (
                  <div className="contents">
                    <dt>Lengths in</dt>
                    <dd className="text-right">{shop.settings.lengthDisplay === 'inch' ? 'inches' : 'millimetres'}</dd>
                  </div>
                )}
              </dl>
              {isOwner && <ChooseUnits current={shop.settings.lengthDisplay} />}
              {isOwner && <ChangeSettings shop={shop} />}
              {isOwner && (
                <Link
                  href="/library/papers"
                  className="mt-2 inline-flex min-h-11 items-center underline underline-offset-4"
                >
                  Papers and letters: words, numbers, mark
                </Link>
              )}
            </section>
          )}
        </div>
      </Later>
    </div>
  );
}

export const LibraryOfText = ofText(Library);
