import { supply } from '@/core/change';
import { readLabel, sourceOf } from '@/core/supply';
import { elastomerOf, findPart } from '@/core/family';
import { DomainError } from '@/core/errors';
import { sheetsOf } from '@/core/record';
import type { CommandOf } from '@/contract';
import { crossingNumbers, lockStock, supplierAddress, type Connection } from '@/db';
import type { Asking } from '../change-job';
import { findJob } from '../find-job';
import { plain, withFacts } from '../job-command';
import { chooseSource } from './donors';
import { moveStock } from './stock';

interface Asked {
  readonly connection: Connection;
  readonly family: Parameters<typeof findPart>[0];
  readonly command: { readonly partRef: string };
}

/** Numbers that interchange with that of the part, by the catalogue. */
const crossing = async ({ connection, family, command }: Asked) => {
  const part = findPart(family, command.partRef);
  return part ? crossingNumbers(connection, part.number) : [];
};

/** What of a part comes from the shelf is taken off it, where the shelf is counted; number and rubber as they lie there. */
async function takeOffShelf(asking: Asking<CommandOf<'lay-ready'>>): Promise<void> {
  const { context, connection, record, family, command } = asking;
  const part = findPart(family, command.partRef);
  if (!part || sourceOf(record, command.partRef)?.body.source !== 'shelf') return;
  const elastomer = elastomerOf(part, record.intake.elastomer) ?? '';
  const number = command.here.number || part.number;
  if (!(await lockStock(connection, { number, elastomer }))) return;
  const taken = { kind: 'taken' as const, change: -command.here.count, reference: record.tag, reason: '' };
  await moveStock(context, connection, { number, elastomer, ...taken });
}

/** Whose a label is that was read at another job; nothing is known of one that is not of this shop. */
async function whose(connection: Connection, code: string): Promise<supply.LabelFacts> {
  const label = readLabel(code);
  if (!label) return { owner: '', part: '' };
  try {
    const { record, family } = await findJob(connection, label.tag);
    const tray = label.tray === null ? '' : `tray ${label.tray}`;
    return { owner: record.customer.name, part: findPart(family, label.part ?? '')?.name ?? tray };
  } catch (error) {
    if (error instanceof DomainError && error.code === 'not-found') return { owner: '', part: '' };
    throw error;
  }
}

/** Verbs about where parts come from. */
export const supplyCommands = {
  'choose-source': chooseSource,
  'lay-ready': withFacts('lay-ready', supply.layReady, async (asking) => {
    await takeOffShelf(asking);
    return crossing(asking);
  }),
  'give-part': plain('give-part', supply.givePart),
  'write-made': plain('write-made', supply.writeMade),
  'release-made': plain('release-made', supply.releaseMade),
  'work-on-made': plain('work-on-made', supply.workOnMade),
  'measure-made': plain('measure-made', supply.measureMade),
  'hand-over-made': plain('hand-over-made', supply.handOverMade),
  'write-outside': plain('write-outside', supply.writeOutside),
  'send-outside': plain('send-outside', supply.sendOutside),
  'take-back': plain('take-back', supply.takeBack),
  'send-claim': withFacts('send-claim', supply.sendClaim, async ({ connection, record, command }) => {
    const claim = sheetsOf(record, 'claim').find(({ key }) => key === command.number)?.body;
    return { to: await supplierAddress(connection, claim?.supplier ?? '') };
  }),
  'find-number': withFacts('find-number', supply.findNumber, crossing),
  'settle-number': plain('settle-number', supply.settleNumber),
  'lay-in-tray': plain('lay-in-tray', supply.layInTray),
  'read-label': withFacts('read-label', supply.readLabelHere, ({ connection, command }) =>
    whose(connection, command.code),
  ),
};
