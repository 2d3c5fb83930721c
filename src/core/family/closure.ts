import { present } from '../present';
import { findCaution } from './cautions';
import { fault, type ClosureFault, type Faults } from './closure-fault';
import { pathInFile } from './closure-path';
import { checkHeat, checkSettings } from './closure-settings';
import { buildFamily } from './build-family';
import type { WholeBuild } from './build-words';
import { buildsToCheck } from './builds-to-check';
import { checkConditions } from './closure-conditions';
import {
  builtFamilySchema,
  type Capture,
  type Family,
  type FamilyFile,
  type FamilyPoint,
  type RebuildStep,
  type TeardownStep,
} from './format';

export { closureRules, type ClosureFault, type ClosureRule } from './closure-fault';

function twins(ids: readonly string[], path: string): Faults {
  return ids.flatMap((id, i) =>
    ids.indexOf(id) === i ? [] : [fault(`${path}.${i}`, 'single-id', `“${id}” stands there twice`)],
  );
}

function checkIds(family: Family): Faults {
  return [
    ...twins(
      family.parts.map((part) => part.ref),
      'parts',
    ),
    ...twins(
      family.points.map((point) => point.id),
      'points',
    ),
    ...(['teardown', 'rebuild'] as const).flatMap((phase) => [
      ...twins(
        family[phase].map((step) => step.id),
        phase,
      ),
      ...twins(
        family[phase].flatMap((step) => step.captures.map((capture) => capture.id)),
        `${phase}.captures`,
      ),
    ]),
  ];
}

function checkNames(family: Family): Faults {
  const refs = new Set(family.parts.map((part) => part.ref));
  const named: readonly (readonly [path: string, ref: string])[] = [
    ...family.section.bodies.map((body, i) => [`section.bodies.${i}.part`, body.part] as const),
    ...family.parts.flatMap((part, i) => part.behind.map((ref) => [`parts.${i}.behind`, ref] as const)),
    ...family.points.flatMap((point, i) => [
      [`points.${i}.part`, point.part] as const,
      ...(point.mates ? [[`points.${i}.mates`, point.mates] as const] : []),
    ]),
    ...(['teardown', 'rebuild'] as const).flatMap((phase) =>
      family[phase].flatMap((step, i) => step.parts.map((ref) => [`${phase}.${i}.parts`, ref] as const)),
    ),
    ...family.rebuild.flatMap((step, i) => step.needs.map((ref) => [`rebuild.${i}.needs`, ref] as const)),
    ...family.kits.flatMap((kit, i) => kit.gives.map((one) => [`kits.${i}.gives`, one.part] as const)),
    ...family.damage.map((one, i) => [`damage.${i}.part`, one.part] as const),
  ];
  return named.flatMap(([path, ref]) =>
    refs.has(ref) ? [] : [fault(path, 'known-part', `there is no part “${ref}”`)],
  );
}

function checkHandling(family: Family): Faults {
  const off = new Map<string, number>();
  const on = new Map<string, number>();
  family.teardown.forEach((step, i) => step.parts.forEach((ref) => off.set(ref, off.get(ref) ?? i)));
  family.rebuild.forEach((step, i) => step.parts.forEach((ref) => on.set(ref, on.get(ref) ?? i)));
  return family.parts.flatMap((part, i) => [
    ...(off.has(part.ref) ? [] : [fault(`parts.${i}`, 'removed', `${part.ref} is taken off at no step of teardown`)]),
    ...(on.has(part.ref) ? [] : [fault(`parts.${i}`, 'fitted', `${part.ref} is fitted at no step of rebuild`)]),
    ...part.behind.flatMap((cover) => [
      ...((on.get(part.ref) ?? 0) > (on.get(cover) ?? Infinity)
        ? [
            fault(
              `rebuild.${present(on.get(part.ref))}.parts`,
              'order',
              `${part.ref} is fitted after ${cover}, which closes it in`,
            ),
          ]
        : []),
      ...((off.get(part.ref) ?? Infinity) < (off.get(cover) ?? 0)
        ? [
            fault(
              `teardown.${present(off.get(part.ref))}.parts`,
              'order',
              `${part.ref} is taken off before ${cover}, which closes it in`,
            ),
          ]
        : []),
    ]),
  ]);
}

function checkSoft(family: Family): Faults {
  const asked = new Set(family.rebuild.flatMap((step) => step.needs));
  const inKit = new Set(family.kits.flatMap((kit) => kit.gives.map((one) => one.part)));
  return family.parts.flatMap((part, i) => {
    if (!part.soft) return [];
    return [
      ...(asked.has(part.ref)
        ? []
        : [fault(`parts.${i}`, 'soft-consumed', `${part.ref} is a soft part that no rebuild step asks for`)]),
      ...(inKit.has(part.ref) || part.price_minor > 0
        ? []
        : [fault(`parts.${i}`, 'soft-consumed', `${part.ref} is in no kit and has no price of its own`)]),
    ];
  });
}

const returning = new Set<Capture['kind']>(['match-mark', 'position', 'count', 'orientation', 'thread-hand']);

function checkCaptures(family: Family): Faults {
  const again = family.rebuild.flatMap((step, i) =>
    step.captures.map((capture, k) => ({ capture, path: `rebuild.${i}.captures.${k}` })),
  );
  const before = new Map(
    family.teardown.flatMap((step, i) =>
      step.captures.map((capture, k) => [capture.id, { capture, path: `teardown.${i}.captures.${k}` }] as const),
    ),
  );
  const asked = new Set(again.map(({ capture }) => capture.agrees_with));
  const lost = [...before.values()]
    .filter(({ capture }) => returning.has(capture.kind) && !asked.has(capture.id))
    .map(({ capture, path }) => fault(path, 'captured-again', `“${capture.ask}” is not asked for again at rebuild`));
  const loose = again.flatMap(({ capture, path }) => {
    if (!capture.agrees_with) return [];
    const other = before.get(capture.agrees_with);
    return !other
      ? [fault(path, 'captured-again', `there is no capture “${capture.agrees_with}” at teardown`)]
      : other.capture.kind !== capture.kind
        ? [fault(path, 'captured-again', `a ${capture.kind} cannot agree with a ${other.capture.kind}`)]
        : [];
  });
  const quantity = new Map(family.parts.map((part) => [part.ref, part.quantity]));
  const miscounted = [...before.values(), ...again].flatMap(({ capture, path }) =>
    capture.of &&
    typeof capture.expect === 'number' &&
    quantity.has(capture.of) &&
    quantity.get(capture.of) !== capture.expect
      ? [
          fault(
            path,
            'counted',
            `${capture.expect} are expected, the parts list has ${quantity.get(capture.of)} of ${capture.of}`,
          ),
        ]
      : [],
  );
  return [...lost, ...loose, ...miscounted];
}

/** A lip that faces the wrong way leaks at once: the step that takes it off asks for its orientation. */
function checkLips(family: Family): Faults {
  const lips = new Set(family.section.bodies.filter((body) => body.symbol === 'lip-seal').map((body) => body.part));
  return [...lips].flatMap((ref) => {
    const at = family.teardown.findIndex((step) => step.parts.includes(ref));
    const isAsked = family.teardown[at]?.captures.some((capture) => capture.kind === 'orientation');
    return at < 0 || isAsked
      ? []
      : [fault(`teardown.${at}.captures`, 'oriented', `${ref} comes off and nobody asks which way its lip faces`)];
  });
}

function checkPoint(point: FamilyPoint, i: number, family: Family): Faults {
  const path = `points.${i}`;
  const known = (id: string) => family.points.some((one) => one.id === id && one.new_mm);
  const faults: ClosureFault[] = [];
  if (!point.source.trim())
    faults.push(fault(`${path}.source`, 'point-limits', `${point.id} names no source for its limits`));
  if (point.derived) {
    for (const id of [point.derived.bore, point.derived.journal])
      if (!known(id))
        faults.push(
          fault(`${path}.derived`, 'point-limits', `${point.id} is derived from “${id}”, which is not measured`),
        );
    if (point.derived.limit_um < point.derived.design_um.max)
      faults.push(fault(`${path}.derived.limit_um`, 'point-limits', `the limit of ${point.id} lies inside its design`));
  } else if (!point.new_mm) faults.push(fault(path, 'point-limits', `${point.id} has no limits`));
  if (!point.derived && !point.places.length)
    faults.push(fault(`${path}.places`, 'point-limits', `${point.id} is measured nowhere`));
  if (
    point.new_mm &&
    ((point.reuse_mm?.min ?? -Infinity) > point.new_mm.min || (point.reuse_mm?.max ?? Infinity) < point.new_mm.max)
  )
    faults.push(fault(`${path}.reuse_mm`, 'point-limits', `the new limits of ${point.id} reach past those for reuse`));
  return faults;
}

function checkCritical({ points }: Family): Faults {
  return points.some((point) => point.critical && point.measured.includes('as-found'))
    ? []
    : [
        fault(
          'points',
          'critical-point',
          'no point as found is critical: the gate of inspection would let everything pass',
        ),
      ];
}

function checkStep(step: TeardownStep | RebuildStep, path: string, family: Family): Faults {
  const torque = 'torque' in step ? step.torque : undefined;
  const threads = step.parts.flatMap((ref) => family.parts.find((part) => part.ref === ref)?.thread?.size ?? []);
  return [
    ...step.cautions.flatMap((id) =>
      findCaution(id) ? [] : [fault(`${path}.cautions`, 'caution', `there is no caution “${id}”`)],
    ),
    ...(torque && !threads.includes(torque.thread)
      ? [
          fault(
            `${path}.torque.thread`,
            'torque-thread',
            `no part of this step has the thread ${torque.thread}${threads.length ? `, only ${threads.join(', ')}` : ''}`,
          ),
        ]
      : []),
  ];
}

/**
 * What is not closed in a family as one pump is built; empty where a pump can be taken apart, measured and put together
 * by it.
 */
export function checkBuild(family: Family): Faults {
  return [
    ...checkIds(family),
    ...checkNames(family),
    ...checkHandling(family),
    ...checkSoft(family),
    ...checkCaptures(family),
    ...checkLips(family),
    ...family.points.flatMap((point, i) => checkPoint(point, i, family)),
    ...checkCritical(family),
    ...family.teardown.flatMap((step, i) => checkStep(step, `teardown.${i}`, family)),
    ...family.rebuild.flatMap((step, i) => [
      ...checkStep(step, `rebuild.${i}`, family),
      ...checkHeat(step, `rebuild.${i}`),
      ...checkSettings(step, i, family),
    ]),
    ...[...family.test.cautions, ...family.test.checks.flatMap((check) => check.cautions)].flatMap((id) =>
      findCaution(id) ? [] : [fault('test.cautions', 'caution', `there is no caution “${id}”`)],
    ),
  ];
}

/** The build as a word in brackets, where there is more than one. */
function saidBuild({ axes, size, counts }: WholeBuild): string {
  const words = [...Object.values(axes), ...(size === undefined ? [] : [size])];
  const counted = Object.entries(counts).map(([set, count]) => `${count} ${set}`);
  return words.length ? ` (built as ${[...words, ...counted].join(', ')})` : '';
}

function checkOneBuild(file: FamilyFile, whole: WholeBuild): Faults {
  let built: Family;
  try {
    built = buildFamily(file, whole);
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return [fault('sizes', 'size-figures', error.message)];
  }
  const read = builtFamilySchema.safeParse(built);
  const odd = read.success
    ? []
    : read.error.issues.map((issue) => fault(issue.path.join('.'), 'size-figures', issue.message));
  return (odd.length ? odd : checkBuild(built)).map((found) => ({
    ...found,
    path: pathInFile(found.path, built, file.written),
    what: `${found.what}${saidBuild(whole)}`,
  }));
}

/** What is not closed in any of the builds that stand for all of them. */
export function checkClosure(file: FamilyFile): Faults {
  // Building leaves out what a build has not, so names are looked for in the whole file.
  const unknown = [...checkIds(file.written), ...checkNames(file.written), ...checkConditions(file)];
  if (unknown.some((one) => one.rule === 'known-choice')) return unknown;
  const all = [...unknown, ...buildsToCheck(file).flatMap((whole) => checkOneBuild(file, whole))];
  return all.filter(
    (one, i) =>
      all.findIndex((other) => other.path === one.path && other.rule === one.rule && other.what === one.what) === i,
  );
}
