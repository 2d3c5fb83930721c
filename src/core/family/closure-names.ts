import { fault, type Faults } from './closure-fault';
import type { Family, Step } from './format';

function twins(ids: readonly string[], path: string): Faults {
  return ids.flatMap((id, i) =>
    ids.indexOf(id) === i ? [] : [fault(`${path}.${i}`, 'single-id', `“${id}” stands there twice`)],
  );
}

/** The lists of steps of a family, with the path of each. */
export const stepLists = (family: Family): readonly (readonly [path: string, steps: readonly Step[]])[] => [
  ['teardown', family.teardown],
  ['rebuild', family.rebuild],
  ['test.steps', family.test.steps],
];

/** Each id stands once. */
export function checkIds(family: Family): Faults {
  return [
    ...twins(
      family.parts.map((part) => part.ref),
      'parts',
    ),
    ...twins(
      family.points.map((point) => point.id),
      'points',
    ),
    ...stepLists(family).flatMap(([path, steps]) => [
      ...twins(
        steps.map((step) => step.id),
        path,
      ),
      ...twins(
        steps.flatMap((step) => step.actions.map((action) => action.id)),
        `${path}.actions`,
      ),
    ]),
  ];
}

/** Every part that a step names, with its path. */
function partsNamed(step: Step, path: string): readonly (readonly [path: string, ref: string])[] {
  return [
    ...step.parts.map((ref) => [`${path}.parts`, ref] as const),
    ...step.needs.map((ref) => [`${path}.needs`, ref] as const),
    ...step.actions.flatMap(({ lights, answer }, k) => [
      ...lights.map((ref) => [`${path}.actions.${k}.lights`, ref] as const),
      ...(answer?.kind === 'count' && answer.of !== undefined
        ? [[`${path}.actions.${k}.answer.of`, answer.of] as const]
        : []),
    ]),
  ];
}

/** Every part that is named anywhere is a part of the family. */
export function checkNames(family: Family): Faults {
  const refs = new Set(family.parts.map((part) => part.ref));
  const named: readonly (readonly [path: string, ref: string])[] = [
    ...family.section.bodies.map((body, i) => [`section.bodies.${i}.part`, body.part] as const),
    ...Object.entries(family.section.drawn_with).flatMap(([part, hosts]) => [
      [`section.drawn_with`, part] as const,
      ...hosts.map((ref) => [`section.drawn_with.${part}`, ref] as const),
    ]),
    ...(family.end_view?.bodies ?? []).map((body, i) => [`end_view.bodies.${i}.part`, body.part] as const),
    ...family.parts.flatMap((part, i) => part.behind.map((ref) => [`parts.${i}.behind`, ref] as const)),
    ...family.points.flatMap((point, i) => [
      [`points.${i}.part`, point.part] as const,
      ...(point.mates ? [[`points.${i}.mates`, point.mates] as const] : []),
    ]),
    ...stepLists(family).flatMap(([path, steps]) => steps.flatMap((step, i) => partsNamed(step, `${path}.${i}`))),
    ...family.kits.flatMap((kit, i) => kit.gives.map((one) => [`kits.${i}.gives`, one.part] as const)),
    ...family.damage.map((one, i) => [`damage.${i}.part`, one.part] as const),
  ];
  return named.flatMap(([path, ref]) =>
    refs.has(ref) ? [] : [fault(path, 'known-part', `there is no part “${ref}”`)],
  );
}
