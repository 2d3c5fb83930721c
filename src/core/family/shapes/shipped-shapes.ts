import endView from '@families/shapes/end-view.json';
import section from '@families/shapes/section.json';
import type { Shape } from './shape-schema';

/** A shape as a file writes it: what is usual may be left out. */
type Written = Pick<Shape, 'what' | 'outlines'> & Partial<Shape>;
const usual = { values: {}, names: {}, over: false, faces: false };

/** Files of ours, which a test holds against the schema: a browser that draws need not bring what reads a file. */
const readAs = <View extends Shape['view']>(view: View, file: unknown): Readonly<Record<string, Shape>> =>
  Object.fromEntries(
    Object.entries(file as Readonly<Record<string, Written>>).map(([name, shape]) => [
      name,
      { ...usual, view, ...shape },
    ]),
  );

/** The shapes that ship with this version, by view and name, read once. */
export const shippedShapes: Readonly<Record<Shape['view'], Readonly<Record<string, Shape>>>> = {
  section: readAs('section', section),
  'end view': readAs('end view', endView),
};
