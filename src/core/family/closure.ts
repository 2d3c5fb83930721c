import { present } from '../present';
import { findCaution } from './cautions';
import { fault, type ClosureFault, type Faults } from './closure-fault';
import { pathInFile } from './closure-path';
import { checkCaptures } from './closure-captures';
import { checkHeat, checkRecord, checkSettings } from './closure-settings';
import { checkIds, checkNames, stepLists } from './closure-names';
import { checkSequence } from './closure-sequence';
import { checkDrawing, checkShapes } from './closure-drawing';
import { findShape } from './body-outlines';
import { buildFamily } from './build-family';
import { limitsOf } from './point-limits';
import type { WholeBuild } from './build-words';
import { buildsToCheck } from './builds-to-check';
import { checkConditions } from './closure-conditions';
import { formReader } from './form-reader';
import type { Family, FamilyFile, FamilyPoint, SectionBody, Step, StepAction } from './format';

export { closureRules, type ClosureFault, type ClosureRule } from './closure-fault';

function checkHandling(family: Family): Faults {
  const off = new Map<string, number>();
  const on = new Map<string, number>();
  family.teardown.forEach((step, i) => step.parts.forEach((ref) => off.set(ref, off.get(ref) ?? i)));
  family.rebuild.forEach((step, i) => step.parts.forEach((ref) => on.set(ref, on.get(ref) ?? i)));
  return family.parts.flatMap((part, i) => [
    ...(part.stays || off.has(part.ref)
      ? []
      : [fault(`parts.${i}`, 'removed', `${part.ref} is taken off at no step of teardown`)]),
    ...(part.stays || on.has(part.ref)
      ? []
      : [fault(`parts.${i}`, 'fitted', `${part.ref} is fitted at no step of rebuild`)]),
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

/** A lip that faces the wrong way leaks at once: the step that takes it off asks for its orientation. */
function checkLips(family: Family): Faults {
  const faces = ({ symbol }: SectionBody) => findShape(symbol, 'section', family.shapes)?.faces === true;
  const lips = new Set(family.section.bodies.filter(faces).map((body) => body.part));
  return [...lips].flatMap((ref) => {
    const at = family.teardown.findIndex((step) => step.parts.includes(ref));
    const isAsked = family.teardown[at]?.actions.some(
      ({ answer }) => answer?.kind === 'choice' && answer.about === 'orientation',
    );
    return at < 0 || isAsked
      ? []
      : [fault(`teardown.${at}.actions`, 'oriented', `${ref} comes off and nobody asks which way its lip faces`)];
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
  } else if (!point.new_mm && !point.limits) faults.push(fault(path, 'point-limits', `${point.id} has no limits`));
  if (!point.derived && !point.places.length)
    faults.push(fault(`${path}.places`, 'point-limits', `${point.id} is measured nowhere`));
  if (!point.limits && point.unit !== 'mm')
    faults.push(fault(`${path}.unit`, 'point-limits', `${point.id} is in ${point.unit} and has no limits in it`));
  if (point.limits && !Object.values(point.limits.reuse ?? point.limits.new).length)
    faults.push(fault(`${path}.limits`, 'point-limits', `${point.id} has limits that are open on both sides`));
  const { asNew, reuse } = limitsOf(point);
  const isPast =
    (reuse.min ?? -Infinity) > (asNew.min ?? -Infinity) || (reuse.max ?? Infinity) < (asNew.max ?? Infinity);
  if (!point.derived && isPast)
    faults.push(
      fault(
        `${path}.${point.limits ? 'limits' : 'reuse_mm'}`,
        'point-limits',
        `the new limits of ${point.id} reach past those for reuse`,
      ),
    );
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

function checkAction(
  step: Step,
  { action, path }: { readonly action: StepAction; readonly path: string },
  family: Family,
): Faults {
  const { answer } = action;
  const lit = action.lights.length ? action.lights : step.parts;
  const threads = lit.flatMap((ref) => family.parts.find((part) => part.ref === ref)?.thread?.size ?? []);
  const isLoose = answer?.kind === 'torque' && !threads.includes(answer.thread);
  const phase = path.startsWith('teardown') ? 'as-found' : 'as-left';
  const measured = new Set(family.points.filter((one) => one.measured.includes(phase)).map((one) => one.id));
  const unmeasured = answer?.kind === 'measure' ? answer.points.filter((id) => !measured.has(id)) : [];
  return [
    ...(isLoose
      ? [
          fault(
            `${path}.answer.thread`,
            'torque-thread',
            `no part here has the thread ${answer.thread}${threads.length ? `, only ${threads.join(', ')}` : ''}`,
          ),
        ]
      : []),
    ...unmeasured.map((id) =>
      fault(
        `${path}.answer.points`,
        'known-part',
        `there is no point “${id}” that is measured ${phase === 'as-found' ? 'as found' : 'as left'}`,
      ),
    ),
    ...checkHeat(answer, path, family),
    ...checkSettings(answer, path, family),
    ...checkRecord(answer, path, family),
  ];
}

function checkCautions(ids: readonly string[], path: string): Faults {
  return ids.flatMap((id) => (findCaution(id) ? [] : [fault(path, 'caution', `there is no caution “${id}”`)]));
}

function checkStep(step: Step, path: string, family: Family): Faults {
  return [
    ...checkCautions(step.cautions, `${path}.cautions`),
    ...step.actions.flatMap((action, k) => [
      ...checkCautions(action.cautions, `${path}.actions.${k}.cautions`),
      ...checkAction(step, { action, path: `${path}.actions.${k}` }, family),
    ]),
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
    ...checkDrawing(family),
    ...family.points.flatMap((point, i) => checkPoint(point, i, family)),
    ...checkCritical(family),
    ...stepLists(family).flatMap(([path, steps]) => [
      ...checkSequence(steps, path),
      ...steps.flatMap((step, i) => checkStep(step, `${path}.${i}`, family)),
    ]),
    ...checkCautions(family.test.cautions, 'test.cautions'),
  ];
}

/** The build as a word in brackets, where there is more than one. */
function saidBuild({ axes, size, counts }: WholeBuild): string {
  const words = [...Object.values(axes), ...(size === undefined ? [] : [size])];
  const counted = Object.entries(counts).map(([set, count]) => `${count} ${set}`);
  return words.length ? ` (built as ${[...words, ...counted].join(', ')})` : '';
}

/** A fault, and the build in which it shows. */
type InBuild = ClosureFault & { readonly build: string };

function checkOneBuild(file: FamilyFile, whole: WholeBuild, read: ReturnType<typeof formReader>): readonly InBuild[] {
  let built: Family;
  try {
    built = buildFamily(file, whole);
  } catch (error) {
    if (!(error instanceof RangeError)) throw error;
    return [{ ...fault('sizes', 'size-figures', error.message), build: saidBuild(whole) }];
  }
  const odd = read(built).map(({ path, message }) => fault(path.join('.'), 'size-figures', message));
  return (odd.length ? odd : checkBuild(built)).map((found) => ({
    ...found,
    path: pathInFile(found.path, built, file.written),
    build: saidBuild(whole),
  }));
}

/** What shows in several builds is said once, with the first of them. */
function saidOnce(found: readonly InBuild[]): Faults {
  const isSame = (one: InBuild, other: InBuild) =>
    one.path === other.path && one.rule === other.rule && one.what === other.what;
  return found
    .filter((one, i) => found.findIndex((other) => isSame(one, other)) === i)
    .map(({ build, ...one }) => ({ ...one, what: `${one.what}${build}` }));
}

/** What is not closed in any of the builds that stand for all of them, or in those that are given. */
export function checkClosure(file: FamilyFile, builds?: readonly WholeBuild[]): Faults {
  // Building leaves out what a build has not, so names are looked for in the whole file.
  const unknown = [
    ...checkIds(file.written),
    ...checkNames(file.written),
    ...checkConditions(file),
    ...checkShapes(file.written),
  ];
  if (unknown.some((one) => one.rule === 'known-choice')) return unknown;
  const read = formReader();
  const found = (builds ?? buildsToCheck(file)).flatMap((whole) => checkOneBuild(file, whole, read));
  return [...unknown, ...saidOnce(found)];
}
